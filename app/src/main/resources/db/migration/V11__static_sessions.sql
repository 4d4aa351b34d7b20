-- A job may have a third receiver, over a mark, that writes down what it observes.
alter table job_receiver drop constraint job_receiver_part_check;
alter table job_receiver add constraint job_receiver_part_check check (part in ('ROVER', 'BASE', 'STATIC'));
