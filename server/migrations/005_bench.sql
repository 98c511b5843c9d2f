-- Up Migration

-- Bench work promised for a day: it shares somebody's hours with their appointments, and says by when what an
-- appointment needs will be there.
create table bench_work (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders,
  staff_id bigint not null references staff,
  day date not null,
  minutes integer not null check (minutes between 5 and 720),
  what text not null,
  -- the need it makes ready when it is done: 'toile', 'basted', 'altered', 'checked'
  makes text,
  done_at timestamptz,
  done_by bigint references staff,
  gone_at timestamptz,
  version integer not null default 1
);
create index bench_work_day on bench_work (day, staff_id) where gone_at is null;
create index bench_work_open on bench_work (staff_id, day) where done_at is null and gone_at is null;
create index bench_work_order on bench_work (order_id, day) where gone_at is null;

-- Days on which a client cannot come: first and last, both of them.
create table client_away (
  id bigint generated always as identity primary key,
  client_id bigint not null references client on delete cascade,
  first_day date not null,
  last_day date not null check (last_day >= first_day),
  reason text not null default ''
);
create index client_away_client on client_away (client_id, last_day);

-- Busy times of somebody, read from a calendar file: kept free like leave, and taken back as a whole.
create table busy_file (
  id bigint generated always as identity primary key,
  staff_id bigint not null references staff,
  name text not null,
  until date not null,
  made_by bigint not null references staff,
  made_at timestamptz not null default now(),
  gone_at timestamptz
);
create index busy_file_staff on busy_file (staff_id) where gone_at is null;
alter table occupied add column busy_id bigint references busy_file on delete cascade;
alter table occupied drop constraint occupied_check;
alter table occupied add constraint occupied_for_one check (num_nonnulls(slot_id, leave_id, closure_id, busy_id) = 1);
create index occupied_busy on occupied (busy_id);
