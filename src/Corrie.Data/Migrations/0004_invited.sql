-- What somebody may do besides their role.
alter table people add column also text not null default '';

-- Who is asked to come in: the link works once. Of it only its hash is kept.
create table invitations (
  id integer primary key,
  hash text not null unique,
  name text not null,
  role text not null check (role in ('office', 'lead', 'installer', 'electrician', 'client')),
  also text not null default '',
  site_id integer references sites (id),
  made_by text not null,
  made_at text not null,
  ends_at text not null,
  used_at text,
  revoked_at text,
  check (role <> 'client' or site_id is not null)
) strict;

-- Links by which a client reads the hand-over of one job without signing in.
create table client_links (
  id integer primary key,
  job integer not null references jobs (id),
  hash text not null unique,
  says text not null,
  made_by text not null,
  made_at text not null,
  revoked_at text,
  read_at text
) strict;
create index client_links_by_job on client_links (job);

-- For how many years photos are kept after a job last moved on; null for ever.
alter table company add column keep_years integer check (keep_years between 1 and 50);
