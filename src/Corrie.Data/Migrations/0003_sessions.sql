-- Whoever signs in begins a session, which can be ended here; wrong passwords are slowed down by the server and lock nobody out.
create table sessions (
  id text primary key,
  person integer not null references people (id),
  made_at text not null,
  ended_at text
) strict, without rowid;

alter table people drop column failures;
alter table people drop column locked_until;
alter table people drop column changes;

-- What was changed about people, for everybody who may do the same; the last change that each has looked at.
create table people_changes (
  id integer primary key,
  at text not null,
  by text not null,
  person text not null,
  what text not null
) strict;
alter table people add column seen_change integer not null default 0;

-- Programs that use the interface. Of a token only its hash is kept.
create table tokens (
  id integer primary key,
  name text not null,
  hash text not null unique,
  role text not null check (role in ('office', 'lead', 'installer', 'electrician', 'client')),
  site_id integer references sites (id),
  made_by text not null,
  made_at text not null,
  revoked_at text,
  check (role <> 'client' or site_id is not null)
) strict;
