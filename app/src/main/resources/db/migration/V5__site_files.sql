-- What a file of the site is to its jobs, and how it is to be read; nothing until somebody has said so.
alter table site_file add column role text check (role in ('CONTROL', 'REGISTER', 'DESIGN', 'UNDERLAY', 'CODEBOOK'));
alter table site_file add column reading text check (reading is null or reading::json is not null);
alter table site_file add column added_by text not null default '';
-- An older version stays to be downloaded; it no longer counts.
alter table site_file add column replaced_by uuid references site_file check (replaced_by is distinct from id);

-- Files whose points jobs have taken on before this was kept are what they were taken on as.
update site_file f set role = (select min(e.payload::json ->> 'origin') from journal_entry e
    where e.kind = 'points-imported' and e.payload::json ->> 'sha256' = f.sha256 and e.payload::json ->> 'origin' in ('CONTROL', 'DESIGN'));

-- Layers that are not as their file has them.
create table layer_choice (
    file_id     uuid not null references site_file on delete cascade,
    layer       text not null,
    shown       boolean not null,
    role        text not null check (role in ('DESIGN', 'UNDERLAY')),
    primary key (file_id, layer)
);
