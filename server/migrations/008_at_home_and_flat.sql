-- A link with which a client measures at home, once: her readings make the session named here.
create table home_link (
  id bigint generated always as identity primary key,
  token_hash bytea not null unique,
  order_id bigint not null references orders,
  session_id uuid not null unique,
  made_by bigint not null references staff,
  made_at timestamptz not null default now(),
  expires_at timestamptz not null,
  sent_at timestamptz,
  closed_at timestamptz
);
create index home_link_order on home_link (order_id, id desc);
create index home_link_expiry on home_link (expires_at);

-- A garment, pattern or toile laid flat beside an order: what lay there, and what was read off it. Readings are only
-- added; the newest of a point counts.
create table flat_lay (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders,
  of text not null check (of in ('garment', 'pattern', 'toile')),
  cut text not null check (cut in ('set-in', 'raglan', 'skirt', 'trousers')),
  words text not null default '',
  by bigint not null references staff,
  at timestamptz not null default now()
);
create index flat_lay_order on flat_lay (order_id, id desc);
create table flat_reading (
  id uuid primary key,
  lay_id bigint not null references flat_lay on delete cascade,
  point text not null,
  written text not null,
  by bigint not null references staff,
  seq bigint generated always as identity,
  at timestamptz not null default now()
);
create index flat_reading_lay on flat_reading (lay_id, seq);
