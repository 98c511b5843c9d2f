-- Up Migration

-- How the work on an order goes, where somebody chose: with a toile, how many fittings, its own steps.
create table order_plan (
  order_id bigint primary key references orders,
  -- {"version": 1, …}
  choices jsonb not null,
  version integer not null default 1,
  changed_by bigint not null references staff,
  changed_at timestamptz not null
);

-- The step of its order's plan that work at the bench was given for; null for work given by itself.
alter table bench_work add column step text;
create index bench_work_step on bench_work (order_id, step) where step is not null and gone_at is null;
-- How long it took, minutes, where the hand that did it said so: the studio's own past.
-- What the house's table of times was of the one that ships when it was given, 1.5 for half as much again; null where its minutes were set by hand.
alter table bench_work add column of_table real;
alter table bench_work add column took integer check (took between 1 and 2880);
create index bench_work_took on bench_work (id desc) where took is not null and of_table is not null and gone_at is null;
