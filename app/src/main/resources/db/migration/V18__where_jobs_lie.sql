-- Where on earth a job's work lay at a line of its journal: may be dropped at any time, and is found again.
create table job_area (
    job_id      uuid primary key references job on delete cascade,
    sequence    bigint not null check (sequence > 0),
    corners     text not null,          -- latitude and longitude of each on WGS 84, degrees; empty if the job lies nowhere
    worked      boolean not null,
    unit        text not null
);
