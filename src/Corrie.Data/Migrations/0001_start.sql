create table company (
  id integer primary key check (id = 1),
  name text not null,
  created_at text not null
) strict;

-- The company's own figures; a job starts with a copy of them.
create table policy (
  id integer primary key check (id = 1),
  document text not null check (json_valid(document)),
  version integer not null,
  changed_by text not null,
  changed_at text not null
) strict;

create table sites (
  id integer primary key,
  name text not null,
  client text not null,
  address text not null
) strict;

-- Somebody who has left stays on the record of what they did. A sign-in counts for as long as 'changes' is what it was when it was made.
create table people (
  id integer primary key,
  sign_in text not null unique collate nocase,
  name text not null,
  role text not null check (role in ('office', 'lead', 'installer', 'electrician', 'client')),
  password_hash text not null,
  site_id integer references sites (id),
  failures integer not null default 0,
  locked_until text,
  left_at text,
  changes integer not null default 0,
  check (role <> 'client' or site_id is not null)
) strict;

-- What a list shows of a job is kept beside it, as of the entry summary_seq; it is worked out again when the job has moved on.
create table jobs (
  id integer primary key,
  site_id integer not null references sites (id),
  created_at text not null,
  seq integer not null default 0,
  moved_at text not null,
  summary_seq integer not null default -1,
  number text not null default '',
  title text not null default '',
  state text not null default 'open',
  stops integer not null default 0,
  cautions integer not null default 0,
  next_step text not null default '',
  worst text not null default ''
) strict;
create index jobs_by_site on jobs (site_id);
create index jobs_by_state on jobs (state);

-- Which items of the catalogue a job uses, as of its summary.
create table job_items (
  job integer not null references jobs (id),
  item text not null,
  primary key (job, item)
) strict, without rowid;
create index jobs_by_item on job_items (item);

-- Append-only: a job sheet is the fold of its entries. An entry's id is unique within its job.
create table entries (
  job integer not null references jobs (id),
  seq integer not null,
  entry_id text not null,
  path text not null,
  value text,
  replaces text not null,
  undoes text,
  batch text not null,
  author text not null,
  taken_at text not null,
  received_at text not null,
  device text not null,
  primary key (job, seq),
  unique (job, entry_id)
) strict, without rowid;

create trigger entries_stay before update on entries begin select raise(abort, 'entries are append-only'); end;
create trigger entries_stay_too before delete on entries begin select raise(abort, 'entries are append-only'); end;

-- Which photos are, or were, pinned to a job: who may see the job may see them.
create table job_photos (
  job integer not null references jobs (id),
  name text not null,
  primary key (job, name)
) strict, without rowid;

create table catalogue (
  id text primary key,
  kind text not null,
  name text not null,
  document text not null check (json_valid(document)),
  version integer not null default 1,
  changed_by text not null,
  changed_at text not null
) strict;
create index catalogue_by_kind on catalogue (kind, name);
