-- Up Migration
create extension if not exists pg_trgm;

-- One row: the studio's name and its rules, laid over the tables of core.
create table house (
  id integer primary key default 1 check (id = 1),
  studio text not null,
  rules jsonb not null default '{}'
);
insert into house (studio) values ('The studio');

create table staff (
  id bigint generated always as identity primary key,
  name text not null,
  name_key text not null unique,
  role text not null check (role in ('principal', 'fitter', 'seamstress', 'desk')),
  passphrase_hash text,
  active boolean not null default true,
  created_at timestamptz not null default now()
);

-- A signed-in browser. Only the hash of its token is kept.
create table sign_in (
  token_hash bytea primary key,
  staff_id bigint not null references staff on delete cascade,
  csrf text not null,
  created_at timestamptz not null default now(),
  seen_at timestamptz not null default now(),
  expires_at timestamptz not null
);
create index sign_in_expiry on sign_in (expires_at);

-- A link with which a member of staff sets a passphrase, once.
create table setup_link (
  token_hash bytea primary key,
  staff_id bigint not null references staff on delete cascade,
  expires_at timestamptz not null,
  used_at timestamptz
);

-- Wrong tries at signing in, counted here so that every server process sees them.
create table sign_in_tries (
  key varchar(255) primary key,
  points integer not null default 0,
  expire bigint
);

-- The answer to a change already made, so that the same change sent twice is made once.
create table write_once (
  staff_id bigint not null references staff,
  key uuid not null,
  path text not null,
  status integer not null,
  body jsonb,
  at timestamptz not null default now(),
  primary key (staff_id, key)
);

create table client (
  id bigint generated always as identity primary key,
  code text not null unique,
  name text not null check (length(name) between 1 and 200),
  phone text not null default '',
  email text not null default '',
  address text not null default '',
  note text not null default '',
  minor boolean not null default false,
  guardian text not null default '',
  -- name, code and phone digits as core folds them for searching
  search text not null,
  version integer not null default 1,
  created_at timestamptz not null default now()
);
create sequence client_code;
create index client_search on client using gin (search gin_trgm_ops);
create index client_search_start on client (search text_pattern_ops);
create index client_name on client (name, id);

create table orders (
  id bigint generated always as identity primary key,
  number text not null unique,
  client_id bigint not null references client,
  what text not null,
  occasion text not null default '',
  worn_on date,
  due_on date,
  responsible_id bigint references staff,
  brief jsonb,
  brief_at timestamptz,
  version integer not null default 1,
  created_at timestamptz not null default now()
);
create sequence order_number;
create index orders_client on orders (client_id);
create index orders_due on orders ((coalesce(due_on, 'infinity'::date)), id);

-- One measuring of one client. The id is made on the tablet, so that a repeat is known.
create table session (
  id uuid primary key,
  client_id bigint not null references client,
  order_id bigint references orders,
  at timestamptz not null,
  staff_id bigint not null references staff,
  measurer text not null,
  details jsonb not null,
  unit text not null check (unit in ('cm', 'in')),
  created_at timestamptz not null default now()
);
create index session_client on session (client_id, at desc);
create index session_order on session (order_id, at desc);

-- Readings are only ever added. A correction names the reading it replaces.
create table reading (
  id uuid primary key,
  session_id uuid not null references session,
  measure text not null,
  state text not null check (state in ('read', 'declined', 'skipped')),
  fact jsonb not null,
  read_by text not null,
  staff_id bigint not null references staff,
  at timestamptz not null,
  kept_at timestamptz not null default clock_timestamp(),
  seq bigint generated always as identity
);
create index reading_session on reading (session_id, seq);

create table sheet (
  order_id bigint not null references orders,
  revision integer not null check (revision > 0),
  status text not null check (status in ('draft', 'agreed', 'cut')),
  version integer not null,
  settings jsonb not null,
  -- filled when agreed: everything the sheet was computed from
  spec jsonb,
  agreed_by bigint references staff,
  agreed_name text,
  agreed_at timestamptz,
  cut_by bigint references staff,
  cut_at timestamptz,
  primary key (order_id, revision),
  check (status = 'draft' or (spec is not null and agreed_by is not null and agreed_at is not null))
);

-- Who changed what, when: nothing here is ever altered.
create table history (
  id bigint generated always as identity primary key,
  entity text not null,
  entity_id text not null,
  staff_id bigint references staff,
  at timestamptz not null default clock_timestamp(),
  what text not null,
  before jsonb,
  after jsonb
);
create index history_entity on history (entity, entity_id, id);

-- Agreed and cut sheets never change their figures, whatever the program does.
create function sheet_is_kept() returns trigger language plpgsql as $$
begin
  if old.status <> 'draft' and (new.spec is distinct from old.spec or new.settings is distinct from old.settings
      or new.agreed_by is distinct from old.agreed_by or new.agreed_at is distinct from old.agreed_at) then
    raise exception 'an agreed sheet is kept as it is';
  end if;
  if old.status = 'cut' or (old.status = 'agreed' and new.status = 'draft') then
    raise exception 'a sheet does not go back';
  end if;
  return new;
end $$;
create trigger sheet_is_kept before update on sheet for each row execute function sheet_is_kept();

create function fact_is_kept() returns trigger language plpgsql as $$
begin
  raise exception 'readings and history are only added';
end $$;
create trigger reading_is_kept before update on reading for each row execute function fact_is_kept();
create trigger history_is_kept before update on history for each row execute function fact_is_kept();
