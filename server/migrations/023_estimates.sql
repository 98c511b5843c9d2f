-- Up Migration

-- What a hand wrote for the estimate of an order: prices of its cloth and notions, lines of its own, a price that is asked.
create table order_estimate (
  order_id bigint primary key references orders,
  -- {"version": 1, …}
  choices jsonb not null,
  version integer not null default 1,
  changed_by bigint not null references staff,
  changed_at timestamptz not null
);

-- Estimates as they were kept, revision by revision; what is printed for the client is one of them, word for word.
create table estimate_kept (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders,
  revision integer not null,
  -- {"version": 1, …}
  made jsonb not null,
  by bigint not null references staff,
  at timestamptz not null,
  agreed_at timestamptz,
  agreed_by bigint references staff,
  agreed_name text not null default '',
  gone_at timestamptz,
  gone_by bigint references staff,
  -- why it was withdrawn; empty where a later one was agreed in its place
  reason text not null default '',
  unique (order_id, revision)
);
-- One price is agreed at a time.
create unique index estimate_agreed on estimate_kept (order_id) where agreed_at is not null and gone_at is null;

create trigger order_is_open before insert on estimate_kept for each row execute function order_is_open();
create trigger order_is_open before insert on order_estimate for each row execute function order_is_open();
