-- Which driver opens a receiver's link; until now there was one only.
alter table site_receiver add column driver text not null default 'nmea';
alter table site_receiver alter column driver drop default;
