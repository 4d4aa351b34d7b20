-- A journal has no gaps: whatever wrote the entry before must have written it for good.
create function refuse_gap() returns trigger language plpgsql as
$$ begin
    if new.sequence <> coalesce((select max(sequence) from journal_entry where job_id = new.job_id), 0) + 1 then
        raise exception 'entry % does not follow the last of its journal', new.sequence;
    end if;
    return new;
end $$;
create trigger journal_has_no_gaps before insert on journal_entry
    for each row execute function refuse_gap();

-- A job made of a field book: who brought it in, and how many of its first lines are from it.
alter table job add column brought_in_by text;
alter table job add column brought_in_lines bigint check (brought_in_lines > 0);
alter table job add check ((brought_in_by is null) = (brought_in_lines is null));
