create table company (
  id integer primary key check (id = 1),
  name text not null,
  created_at text not null
) strict;

create table sites (
  id integer primary key,
  name text not null,
  client text not null,
  address text not null
) strict;

create table people (
  id integer primary key,
  sign_in text not null unique collate nocase,
  name text not null,
  role text not null check (role in ('office', 'lead', 'installer', 'electrician', 'client')),
  password_hash text not null,
  site_id integer references sites (id),
  failures integer not null default 0,
  locked_until text,
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
  worst text not null default '',
  display_item text not null default '',
  mount_item text not null default '',
  fastener_item text not null default ''
) strict;
create index jobs_by_site on jobs (site_id);
create index jobs_by_state on jobs (state);

-- Append-only: a job sheet is the fold of its entries.
create table entries (
  job integer not null references jobs (id),
  seq integer not null,
  entry_id text not null unique,
  path text not null,
  value text,
  replaces text not null,
  undoes text,
  batch text not null,
  author text not null,
  taken_at text not null,
  received_at text not null,
  device text not null,
  primary key (job, seq)
) strict, without rowid;

create trigger entries_stay before update on entries begin select raise(abort, 'entries are append-only'); end;
create trigger entries_stay_too before delete on entries begin select raise(abort, 'entries are append-only'); end;

create table catalogue (
  id text primary key,
  kind text not null check (kind in ('display', 'mount', 'fastener')),
  name text not null,
  document text not null check (json_valid(document)),
  version integer not null default 1,
  changed_by text not null,
  changed_at text not null
) strict;
create index catalogue_by_kind on catalogue (kind, name);
