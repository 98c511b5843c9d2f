-- Up Migration

-- A photograph may belong to one mark, and may show what the garment should become: her sketch, a picture, the swatch, a trim.
alter table photo add column alteration_id bigint references alteration on delete set null;
alter table photo add column about text not null default 'garment'
  check (about in ('garment', 'sketch', 'picture', 'swatch', 'trim'));

-- What the house reckons for its bench: minutes and prices of kinds, and its own words for signs (versioned JSON).
alter table house add column bench jsonb not null default '{"version": 1}';

-- What is measured on a garment that was brought in has no sheet to lie against.
alter table garment_reading alter column target_cm drop not null;
alter table garment_reading alter column tolerance_cm drop not null;

-- Money that was spoken of: a price, what was received, what was given back. Noted, never handled; taken back, never erased.
create table money_noted (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders,
  is_a text not null check (is_a in ('price', 'received', 'given-back')),
  amount numeric(9, 2) not null check (amount > 0),
  words text not null default '',
  by bigint not null references staff,
  at timestamptz not null default now(),
  gone_at timestamptz,
  gone_by bigint references staff
);
create index money_noted_order on money_noted (order_id, id);

-- What is not decided yet: who decides, by which fitting, and what it holds back until then.
create table open_question (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders,
  what text not null check (what <> ''),
  decides text not null default '',
  by_kind text,
  holds text not null default 'nothing' check (holds in ('nothing', 'sheet', 'cut', 'hand-over')),
  asked_by bigint not null references staff,
  asked_at timestamptz not null default now(),
  decision text check (decision <> ''),
  decided_name text not null default '',
  decided_by bigint references staff,
  decided_at timestamptz,
  version integer not null default 1,
  check ((decision is null) = (decided_at is null))
);
create index open_question_order on open_question (order_id, id);

-- What a client likes, dated, in the words of the fitting: offered at the next brief.
create table client_like (
  id bigint generated always as identity primary key,
  client_id bigint not null references client,
  order_id bigint references orders,
  words text not null check (words <> ''),
  by bigint not null references staff,
  at timestamptz not null default now(),
  gone_at timestamptz
);
create index client_like_client on client_like (client_id, id);

-- Where the finished garment hangs, and its care as the house words it; null takes what the cloth says.
alter table orders add column rack text not null default '';
alter table orders add column care jsonb;

-- Two hands that read the same body for practice, neither seeing the other's figure: what each read, in cm and as written.
create table tape_pair (
  id bigint generated always as identity primary key,
  measure text not null,
  reader bigint not null references staff,
  second bigint not null references staff,
  reader_cm double precision not null check (reader_cm > 0),
  second_cm double precision not null check (second_cm > 0),
  reader_written text not null,
  second_written text not null,
  at timestamptz not null default now(),
  check (reader <> second)
);
create index tape_pair_at on tape_pair (at desc);
-- Whose tape reads how well is told from the newest sessions.
create index session_newest on session (at desc);

-- A file of the old book: its bytes, how its columns are read, how far it has come, and what was left out (versioned JSON).
create table import_file (
  id bigint generated always as identity primary key,
  name text not null,
  bytes bytea not null,
  encoding text not null,
  mapping jsonb not null,
  state text not null default 'open' check (state in ('open', 'taking', 'taken', 'failed')),
  begun_at timestamptz,
  done integer not null default 0,
  rows integer not null,
  report jsonb,
  by bigint not null references staff,
  at timestamptz not null default now()
);
-- Columns are mapped once: the same header line is read the same way the next time.
create table import_mapping (
  header bytea primary key,
  mapping jsonb not null,
  at timestamptz not null default now()
);
-- A row that was taken, by what it says: the same row again changes nothing.
create table imported_row (
  row bytea primary key,
  client_id bigint not null references client,
  session_id uuid references session on delete set null
);
create index imported_row_client on imported_row (client_id);
