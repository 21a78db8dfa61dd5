-- Somebody who has left stays on the record of what they did. A sign-in counts for as long as 'changes' is what it was when it was made.
alter table people add column left_at text;
alter table people add column changes integer not null default 0;
