-- Up Migration

-- An order is open until it is handed over or cancelled: what is cut goes on being in fittings, then ready, and none of
-- it leaves the lists of work by itself.
do $$
declare name text;
begin
  for name in select conname from pg_constraint where conrelid = 'orders'::regclass and contype = 'c'
    and pg_get_constraintdef(oid) like '%measured%'
  loop execute format('alter table orders drop constraint %I', name); end loop;
end $$;
alter table orders add constraint orders_stage_known check (stage in
  ('asked', 'brief', 'measured', 'sheet', 'agreed', 'cut', 'fitting', 'ready', 'handed-over', 'cancelled'));
alter table orders add column cancelled_at timestamptz;
alter table orders add column cancelled_by bigint references staff;
alter table orders add column cancelled_reason text not null default '';
-- To what it goes back when it is taken up again.
alter table orders add column cancelled_from text;
alter table orders add constraint orders_cancelled check ((stage = 'cancelled') = (cancelled_from is not null));

update orders o set stage = 'handed-over'
 where exists (select 1 from handed_over h where h.order_id = o.id and h.taken_back_at is null);
update orders o set stage = 'fitting'
 where (stage = 'cut' and exists (select 1 from alteration a where a.order_id = o.id and a.status not in ('declined', 'withdrawn', 'in-sheet')))
    or (stage in ('asked', 'brief', 'measured') and exists (select 1 from brought_in b where b.order_id = o.id));

drop index orders_open;
drop index orders_cut;
create index orders_open on orders ((coalesce(due_on, 'infinity'::date)), id) include (due_on, search, stage)
  where stage not in ('handed-over', 'cancelled');

-- A step of a sheet moves an order as far as the cut, and never one that is past it or cancelled.
create or replace function order_has_sheet() returns trigger language plpgsql as $$
begin
  update orders o set stage = case new.status when 'draft' then 'sheet' else new.status end
   where o.id = new.order_id and o.stage not in ('cut', 'fitting', 'ready', 'handed-over', 'cancelled')
     and o.stage <> case new.status when 'draft' then 'sheet' else new.status end;
  return null;
end $$;
-- What is asked of a garment that is cut puts it in fittings; handed over and returned are said where they are kept.
create function order_is_fitted() returns trigger language plpgsql as $$
begin
  update orders set stage = 'fitting' where id = new.order_id and stage in ('cut', 'ready');
  return null;
end $$;
create trigger order_is_fitted after insert on alteration for each row execute function order_is_fitted();
create function order_has_left() returns trigger language plpgsql as $$
begin
  update orders set stage = case when new.taken_back_at is null then 'handed-over' else 'fitting' end
   where id = new.order_id and stage <> 'cancelled';
  return null;
end $$;
create trigger order_has_left after insert or update of taken_back_at on handed_over for each row execute function order_has_left();
create function order_is_brought_in() returns trigger language plpgsql as $$
begin
  update orders set stage = 'fitting' where id = new.order_id and stage in ('asked', 'brief', 'measured');
  return null;
end $$;
create trigger order_is_brought_in after insert on brought_in for each row execute function order_is_brought_in();

-- A count of pins that was wrong is crossed out, not rubbed out.
alter table pins_counted add column gone_at timestamptz;
alter table pins_counted add column gone_by bigint references staff;

-- What the studio writes, measures and counts in, and how it is reached.
alter table house add column address text not null default '';
alter table house add column phone text not null default '';
alter table house add column email text not null default '';
alter table house add column unit text not null default 'cm' check (unit in ('cm', 'in'));
alter table house add column paper text not null default 'A4' check (paper in ('A4', 'Letter'));
alter table house add column date_order text not null default 'dmy' check (date_order in ('dmy', 'mdy'));
alter table house add column currency text not null default '';
alter table house add column week_starts smallint not null default 1 check (week_starts in (1, 7));
-- Whether the one who did a piece of work may check it: for a sole dressmaker, and said on the record.
-- When the owner said what the studio writes in, and when the list of first steps was put away.
alter table house add column set_up_at timestamptz;
alter table house add column first_steps_away_at timestamptz;
update house set set_up_at = now(), first_steps_away_at = now() where exists (select 1 from client);
alter table house add column own_check boolean not null default false;
