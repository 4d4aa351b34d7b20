-- Satellite receivers known at a site, and from where each gets its corrections.
create table site_receiver (
    id              uuid primary key,
    site_id         uuid not null references site,
    title           text not null check (length(title) between 1 and 60),
    host            text not null,
    port            int not null check (port between 1 and 65535),
    caster_host     text,
    caster_port     int check (caster_port between 1 and 65535),
    caster_tls      boolean not null default false,
    caster_version  text not null default 'TWO' check (caster_version in ('ONE', 'TWO')),
    mountpoint      text,
    caster_user     text not null default '',
    caster_password text not null default '',
    last_used       timestamptz not null,
    unique (site_id, host, port),
    check ((caster_host is null) = (caster_port is null) and (caster_host is null) = (mountpoint is null))
);

-- What a job uses: which receiver, the antenna over the pole's foot, how many solutions make a point.
create table job_receiver (
    job_id          uuid primary key references job,
    receiver_id     uuid not null references site_receiver,
    antenna         text check (antenna is null or antenna::json is not null),
    epochs          int not null default 5 check (epochs between 1 and 600)
);

-- Antennas of a site by name, typed or from an open antenna file.
create table site_antenna (
    id              uuid primary key,
    site_id         uuid not null references site,
    name            text not null check (length(name) between 1 and 20),
    model           text not null check (model::json is not null),
    unique (site_id, name)
);
