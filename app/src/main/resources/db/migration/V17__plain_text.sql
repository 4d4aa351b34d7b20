-- Text as it is compared when something is looked for over all sites: small letters without their marks.
create function plain(told text) returns text language sql immutable parallel safe as $$
    select case when told ~ '^[ -~]*$' then lower(told)
        else lower(regexp_replace(normalize(told, NFKD), '[\u0300-\u036f]', '', 'g')) end
$$;
