-- Who may sign in.
create table account (
    name        text primary key check (name ~ '^[a-z][a-z0-9._-]{0,39}$'),
    full_name   text not null,
    password    text not null check (password like '{bcrypt}%'),
    paint       text not null default 'day' check (paint in ('day', 'night', 'sun'))
);

-- Keys for programs; only their digests are kept.
create table personal_token (
    id          uuid primary key,
    account     text not null references account,
    title       text not null,
    digest      text not null unique,
    made_at     timestamptz not null
);

create table site (
    id          uuid primary key,
    name        text not null unique
);

create table job (
    id          uuid primary key,
    site_id     uuid not null references site,
    name        text not null check (length(name) between 1 and 80),
    made_at     timestamptz not null,
    made_by     text not null
);
-- 'Yard' and 'yard' would be told apart by nobody on a wet morning.
create unique index job_name_once_a_site on job (site_id, lower(name));

-- Originals of the office's files, kept in the data directory under their digest.
create table site_file (
    id          uuid primary key,
    site_id     uuid not null references site,
    name        text not null,
    sha256      text not null check (sha256 ~ '^[0-9a-f]{64}$'),
    bytes       bigint not null check (bytes >= 0),
    added_at    timestamptz not null,
    unique (site_id, name, sha256)
);

-- The journal: facts, in order, appended and never changed.
create table journal_entry (
    id          uuid primary key,
    job_id      uuid not null references job,
    sequence    bigint not null check (sequence > 0),
    at          timestamptz not null,
    person      text not null,
    device      text not null,
    kind        text not null,
    version     int not null check (version > 0),
    payload     text not null check (payload::json is not null),
    unique (job_id, sequence)
);

create function refuse_change() returns trigger language plpgsql as
$$ begin raise exception 'journal entries are never changed or removed'; end $$;
create trigger journal_is_append_only before update or delete on journal_entry
    for each row execute function refuse_change();
create trigger journal_is_never_emptied before truncate on journal_entry
    for each statement execute function refuse_change();

-- Projection of the journal: may be dropped and rebuilt at any time.
create table point (
    job_id      uuid not null references job,
    entry_id    uuid not null,
    ordinal     int not null,
    name        text not null,
    code        text not null,
    origin      text not null,
    northing    double precision not null,
    easting     double precision not null,
    elevation   double precision,
    sigma_north double precision,
    sigma_east  double precision,
    sigma_up    double precision,
    primary key (entry_id, ordinal)
);
create index point_of_job on point (job_id, name);

-- What has been measured for a setup and not yet been accepted.
create table setup_draft (
    job_id      uuid primary key references job,
    payload     text not null
);

-- The instrument a job talks to, so that it is found again after a restart.
create table job_instrument (
    job_id      uuid primary key references job,
    host        text not null,
    port        int not null check (port between 1 and 65535)
);
