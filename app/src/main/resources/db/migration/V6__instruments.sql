-- Instruments known at a site: how each is reached, how level it must be, what its axes were found to be wrong.
create table site_instrument (
    id              uuid primary key,
    site_id         uuid not null references site,
    title           text not null check (length(title) between 1 and 60),
    driver          text not null,
    link            text not null check (link in ('CABLE', 'NEAR_RADIO', 'FAR_RADIO')),
    host            text not null,
    port            int not null check (port between 1 and 65535),
    partner         text not null default '',
    level_seconds   int not null default 40 check (level_seconds between 5 and 300),
    last_used       timestamptz not null,
    calibration     text check (calibration is null or calibration::json is not null),
    calibrated_at   timestamptz,
    unique (site_id, driver, link, host, port)
);
insert into site_instrument (id, site_id, title, driver, link, host, port, last_used)
    select gen_random_uuid(), known.site_id, known.host || ':' || known.port, 'line', 'CABLE', known.host, known.port, now()
    from (select distinct j.site_id, i.host, i.port from job_instrument i join job j on j.id = i.job_id) known;

-- What a job uses, and how: how many readings make one, and the air as it was typed.
alter table job_instrument add column instrument_id uuid references site_instrument;
update job_instrument i set instrument_id = s.id from job j, site_instrument s
    where j.id = i.job_id and s.site_id = j.site_id and s.host = i.host and s.port = i.port;
alter table job_instrument alter column instrument_id set not null;
alter table job_instrument drop column host;
alter table job_instrument drop column port;
alter table job_instrument add column times int not null default 1 check (times between 0 and 20);
alter table job_instrument add column temperature double precision;
alter table job_instrument add column pressure double precision;
alter table job_instrument add column air_at timestamptz;
alter table job_instrument add column refraction double precision not null default 0.13;

-- Prisms of a site by name.
create table prism (
    id              uuid primary key,
    site_id         uuid not null references site,
    name            text not null check (length(name) between 1 and 30),
    constant_metres double precision not null check (abs(constant_metres) <= 0.1)
);
create unique index prism_once_a_site on prism (site_id, lower(name));

-- What waits to be accepted is written down more fully now; an earlier draft would have to be read again.
delete from setup_draft;
