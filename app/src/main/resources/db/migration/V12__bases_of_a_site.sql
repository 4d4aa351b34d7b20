-- A base is looked for among the jobs of a site: of their many lines, those are few.
create index journal_entry_base on journal_entry (job_id) where kind = 'base';
