-- How a receiver last sent as a base names a caster's password: it is kept encrypted, and so is no JSON to the database.
alter table site_receiver drop constraint site_receiver_base_setting_check;
