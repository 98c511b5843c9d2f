-- Up Migration

-- A chart of sizes of the house: bodies, or what finished garments measure, as it was written.
create table size_chart (
  id bigint generated always as identity primary key,
  name text not null,
  -- folded, so that no two read alike
  name_key text not null unique,
  -- the chart as a file writes it: {"format": "rocchetto-chart", "version": 1, …}
  made jsonb not null,
  version int not null default 1
);

-- The size of a pattern that was chosen for an order, with the chart as it was then: a chart may change or go.
create table order_size (
  order_id bigint primary key references orders,
  -- {"version": 1, "chart": …, "size": "12 B"}
  made jsonb not null,
  by bigint not null references staff,
  at timestamptz not null,
  version int not null default 1
);
