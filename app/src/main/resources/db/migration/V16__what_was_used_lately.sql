-- What somebody opened or was shown lately in a job: told before the rest when they look for something.
create table used_lately (
    job_id  uuid        not null references job (id) on delete cascade,
    person  text        not null,
    thing   text        not null check (length(thing) between 1 and 300),
    used_at timestamptz not null default clock_timestamp(),
    primary key (job_id, person, thing)
);
