-- Up Migration

-- An order may hold several garments. Each is an order row of its own, with its own brief, sheet and cut; what they share
-- is the client and the measuring. `with_id` names the first of them, which was there before the others.
alter table orders add column with_id bigint references orders check (with_id < id);
create index orders_together on orders ((coalesce(with_id, id)), id);

-- The order and every other garment of it.
create function together(of bigint) returns setof bigint language sql stable as $$
  select f.id from orders o join orders f on coalesce(f.with_id, f.id) = coalesce(o.with_id, o.id) where o.id = of
$$;

-- A reading of one garment's measuring is one of all of them.
create or replace function order_is_measured() returns trigger language plpgsql as $$
begin
  update orders set stage = 'measured'
   where stage in ('asked', 'brief')
     and coalesce(with_id, id) in (select coalesce(o.with_id, o.id) from added a join session m on m.id = a.session_id join orders o on o.id = m.order_id);
  return null;
end $$;
