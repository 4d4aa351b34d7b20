-- As with jobs: two sites that differ only in the case of letters would be mixed up.
create unique index site_name_once on site (lower(name));
