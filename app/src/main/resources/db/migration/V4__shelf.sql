-- Sites lie in folders, folders in folders.
create table folder (
    id          uuid primary key,
    parent_id   uuid references folder,
    name        text not null check (length(name) between 1 and 80),
    check (parent_id is distinct from id)
);
create unique index folder_name_once on folder (coalesce(parent_id, '00000000-0000-0000-0000-000000000000'), lower(name));
alter table site add column folder_id uuid references folder;

-- A job that is put away, and one that was deleted and can be had back for thirty days. A deleted job gives its name free.
alter table job add column archived_at timestamptz;
alter table job add column deleted_at timestamptz;
drop index job_name_once_a_site;
create unique index job_name_once_a_site on job (site_id, lower(name)) where deleted_at is null;

-- Settings kept to begin jobs with.
create table starter (
    id          uuid primary key,
    name        text not null check (length(name) between 1 and 80),
    version     int not null check (version > 0),
    settings    text not null check (settings::json is not null),
    made_at     timestamptz not null,
    made_by     text not null
);
create unique index starter_name_once on starter (lower(name));

-- Journals stay append-only. What a job that was deleted more than thirty days ago leaves may go, whole and in no other way.
create or replace function refuse_change() returns trigger language plpgsql as
$$ begin
    if tg_op = 'DELETE' and tg_level = 'ROW' then
        if exists (select 1 from job where job.id = old.job_id and job.deleted_at < now() - interval '30 days') then
            return old;
        end if;
    end if;
    raise exception 'journal entries are never changed or removed';
end $$;
