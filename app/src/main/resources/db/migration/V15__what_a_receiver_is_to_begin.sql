-- The entry with which a receiver was told to begin something, until that entry is written: left behind by a run that died between, the receiver is told to stop.
alter table job_receiver add column intended uuid;
