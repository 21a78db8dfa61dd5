-- An entry that nothing can be made of stays, like every other; one of this kind says that the job is read without it.
alter table entries add column sets_aside integer;
