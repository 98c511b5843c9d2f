-- Up Migration

-- One change that was asked for, from the mirror, the desk or a call. What was asked is kept as it was said
-- (versioned JSON); what it does to each piece lies beside it in boxes; every step is added, never overwritten.
create table alteration (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders,
  appointment_id bigint references appointment,
  source text not null check (source in ('fitting', 'desk', 'call', 'bench')),
  asked jsonb not null,
  -- measures to look at again afterwards, with target and tolerance in cm (versioned JSON)
  targets jsonb not null,
  status text not null default 'asked' check (status in
    ('asked', 'agreed', 'in-work', 'done', 'checked', 'accepted', 'declined', 'withdrawn')),
  price numeric(9, 2) check (price >= 0),
  needed_on date,
  staff_id bigint references staff,
  minutes integer not null check (minutes between 0 and 2880),
  agreed_name text not null default '',
  done_by bigint references staff,
  version integer not null default 1,
  made_by bigint not null references staff,
  made_at timestamptz not null default now()
);
create index alteration_order on alteration (order_id, id);
-- What is still to do: a few of many.
create index alteration_open on alteration (staff_id, needed_on, id) where status in ('asked', 'agreed', 'in-work', 'done');

-- A piece and layer that bears the seam. Ticked when it is done; struck only with a reason.
create table alteration_box (
  alteration_id bigint not null references alteration on delete cascade,
  seq integer not null,
  box text not null,
  panel text not null,
  piece text not null,
  layer text not null check (layer in ('outer', 'lining', 'interfacing')),
  seam text not null,
  side text not null check (side in ('both', 'left', 'right')),
  edges integer not null check (edges between 1 and 20),
  each_cm double precision,
  is_even boolean not null,
  done_at timestamptz,
  done_by bigint references staff,
  struck text check (struck <> ''),
  primary key (alteration_id, box),
  check (done_at is null or struck is null)
);

create table alteration_step (
  id bigint generated always as identity primary key,
  alteration_id bigint not null references alteration on delete cascade,
  at timestamptz not null default now(),
  by bigint not null references staff,
  step text not null,
  says jsonb not null
);
create index alteration_step_of on alteration_step (alteration_id, id);

-- Minutes at the bench: open while somebody works on it; nobody works on two things at once.
create table alteration_work (
  id bigint generated always as identity primary key,
  alteration_id bigint not null references alteration on delete cascade,
  staff_id bigint not null references staff,
  started_at timestamptz not null,
  ended_at timestamptz check (ended_at >= started_at)
);
create index alteration_work_of on alteration_work (alteration_id, id);
create unique index alteration_work_open on alteration_work (staff_id) where ended_at is null;

-- An alteration that is given to somebody for a day takes its minutes of that day like any other bench work.
alter table bench_work add column alteration_id bigint references alteration;
create unique index bench_work_alteration on bench_work (alteration_id) where gone_at is null;

-- Pins counted in before a fitting and out after it, needles too.
create table pins_counted (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders,
  way text not null check (way in ('in', 'out')),
  pins integer not null check (pins between 0 and 2000),
  by bigint not null references staff,
  at timestamptz not null default now()
);
create index pins_counted_order on pins_counted (order_id, id);

-- Given to the client, by whom, agreed by name; taken back in with a reason when something is still to be done.
create table handed_over (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders,
  by bigint not null references staff,
  at timestamptz not null default now(),
  client_name text not null,
  -- the cautions as they were read out (versioned JSON)
  cautions jsonb not null,
  taken_back_at timestamptz,
  taken_back_by bigint references staff,
  reason text not null default ''
);
create unique index handed_over_now on handed_over (order_id) where taken_back_at is null;
create index handed_over_order on handed_over (order_id, id);

-- A garment that was brought in: what it is and how it came, and the code of its claim ticket.
create table brought_in (
  order_id bigint primary key references orders,
  kind text not null,
  lined boolean not null,
  label text not null default '',
  condition text not null default '',
  code text not null unique,
  by bigint not null references staff,
  at timestamptz not null default now()
);

-- The finished garment measured against its sheet as it is made by now: what was read, what it should be, and by whom
-- a reading outside its tolerance was accepted. The latest of a point counts.
create table garment_reading (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders,
  point text not null,
  written text not null,
  target_cm double precision not null,
  tolerance_cm double precision not null,
  within boolean not null,
  accepted_by text not null default '',
  reason text not null default '',
  by bigint not null references staff,
  at timestamptz not null default now()
);
create index garment_reading_order on garment_reading (order_id, id);

-- Photographs of a garment or a fitting: decoded and written anew before they are kept, with nothing of where and with
-- what they were taken. The same picture twice is one.
create table photo (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders,
  hash bytea not null,
  width integer not null,
  height integer not null,
  picture bytea not null,
  thumb bytea not null,
  words text not null default '',
  by bigint not null references staff,
  at timestamptz not null default now(),
  unique (order_id, hash)
);
