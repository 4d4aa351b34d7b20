-- A job may have a receiver on its pole and one over a base's mark.
alter table job_receiver add column part text not null default 'ROVER' check (part in ('ROVER', 'BASE'));
alter table job_receiver drop constraint job_receiver_pkey;
alter table job_receiver add primary key (job_id, part);

-- The entry that set up the base that sends now.
alter table job_receiver add column running uuid;

-- When the antenna's height was said: that of another day has to be looked at again.
alter table job_receiver add column antenna_said timestamptz;

-- What solutions of the rover have to keep to, and whether those that do not are waited over; the usual limits while nobody chose others.
alter table job_receiver add column waits boolean not null default false;
alter table job_receiver add column limits text check (limits is null or limits::json is not null);

-- How a receiver of the site last sent as a base, so that the next start asks for nothing.
alter table site_receiver add column base_setting text check (base_setting is null or base_setting::json is not null);
