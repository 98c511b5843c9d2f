-- Up Migration

-- How the pieces of an order lie on its cloth. The newest of a cloth is the one that counts; those before stay as they were kept.
create table cloth_lay (
  id bigint generated always as identity primary key,
  order_id bigint not null references orders,
  of text not null check (of in ('outer', 'second', 'underlining', 'lining', 'interfacing')),
  name text not null,
  -- the sheet's revision, and what its panels are known by
  revision int not null,
  panels text not null,
  -- what it takes of the cloth before it shrinks, and how wide the cloth is, cm
  takes_cm float8 not null,
  width_cm float8 not null,
  -- {"version": 1, "cloth": …, "lay": …}
  made jsonb not null,
  by bigint not null references staff,
  at timestamptz not null
);
create index cloth_lay_order on cloth_lay (order_id, of, id desc);
