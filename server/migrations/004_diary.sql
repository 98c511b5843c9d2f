-- Up Migration
create extension if not exists btree_gist;

-- What somebody of the staff can do, when they work, and how they are told apart in the diary: by initials and a drawn
-- mark, never by colour. Hours are wall times of the studio: {"version": 1, "hours": [{"weekday", "from", "to"}]}.
alter table staff add column skills text[] not null default '{}';
alter table staff add column initials text not null default '';
alter table staff add column mark smallint not null default 0;
alter table staff add column hours jsonb not null default '{"version": 1, "hours": []}';
alter table staff add column version integer not null default 1;
update staff set
  skills = case role when 'seamstress' then array['tailoring'] when 'desk' then array['desk'] else array['measuring', 'fitting'] end,
  initials = upper(left(name, 1) || coalesce(substring(name from ' (\S)\S*$'), ''));

-- The house's opening hours and its kinds of appointment, laid over core's.
alter table house add column diary jsonb not null default '{"version": 1}';

create table room (
  id bigint generated always as identity primary key,
  name text not null,
  name_key text not null,
  good_for text[] not null default '{}',
  active boolean not null default true,
  version integer not null default 1
);
create unique index room_name_active on room (name_key) where active;

-- Days on which somebody is away, or the house is closed: first and last, both of them. What is taken back stays.
create table leave (
  id bigint generated always as identity primary key,
  staff_id bigint not null references staff,
  first_day date not null,
  last_day date not null check (last_day >= first_day),
  reason text not null default '',
  gone_at timestamptz
);
create index leave_staff on leave (staff_id, last_day) where gone_at is null;
create table closure (
  id bigint generated always as identity primary key,
  name text not null,
  first_day date not null,
  last_day date not null check (last_day >= first_day),
  gone_at timestamptz
);
create index closure_days on closure (last_day) where gone_at is null;

create table appointment (
  id bigint generated always as identity primary key,
  kind text not null,
  client_id bigint not null references client,
  order_id bigint references orders,
  status text not null check (status in ('offered', 'confirmed', 'arrived', 'done', 'cancelled', 'did-not-come')),
  minutes integer not null check (minutes between 5 and 720),
  buffer integer not null check (buffer between 0 and 120),
  who_comes text not null default '',
  bring text not null default '',
  note text not null default '',
  -- until when several offered times are kept
  held_until timestamptz,
  -- what the client said on their own page: '', 'yes', or that another time would do
  answer text not null default '' check (answer in ('', 'yes', 'another-time')),
  answer_words text not null default '',
  answered_at timestamptz,
  -- what it needs is there
  ready_at timestamptz,
  ready_by bigint references staff,
  made_by bigint not null references staff,
  made_at timestamptz not null default now(),
  changed_at timestamptz not null default now(),
  version integer not null default 1,
  check (status <> 'offered' or held_until is not null)
);
create function appointment_changes() returns trigger language plpgsql as $$
begin
  new.changed_at := now();
  return new;
end $$;
create trigger appointment_changes before update on appointment for each row execute function appointment_changes();
create index appointment_client on appointment (client_id, id);
create index appointment_order on appointment (order_id, id);
create index appointment_held on appointment (held_until) where status = 'offered';

-- A time an appointment has, is offered, or had: a moved one leaves its slot behind, with the reason.
create table slot (
  id bigint generated always as identity primary key,
  appointment_id bigint not null references appointment on delete cascade,
  during tstzrange not null check (not isempty(during) and lower_inc(during) and not upper_inc(during)
    and upper(during) - lower(during) between interval '5 minutes' and interval '12 hours'),
  room_id bigint references room,
  state text not null check (state in ('offered', 'taken', 'left')),
  reason text not null default '',
  left_at timestamptz,
  left_by bigint references staff
);
create unique index slot_taken on slot (appointment_id) where state = 'taken';
create index slot_appointment on slot (appointment_id, id);
create index slot_during on slot using gist (during) where state <> 'left';
create table slot_staff (
  slot_id bigint not null references slot on delete cascade,
  staff_id bigint not null references staff,
  primary key (slot_id, staff_id)
);
create index slot_staff_staff on slot_staff (staff_id);

-- What is kept for something: nobody and no room twice at one moment, the time for changing included, and no
-- appointment while the house is closed (house: 1 at work, 2 closed). Whatever the program does, this holds.
create table occupied (
  id bigint generated always as identity primary key,
  slot_id bigint references slot on delete cascade,
  leave_id bigint references leave on delete cascade,
  closure_id bigint references closure on delete cascade,
  staff_id bigint references staff,
  room_id bigint references room,
  house smallint check (house in (1, 2)),
  during tstzrange not null check (not isempty(during)),
  check (num_nonnulls(slot_id, leave_id, closure_id) = 1),
  check (num_nonnulls(staff_id, room_id, house) = 1),
  constraint staff_once exclude using gist (staff_id with =, during with &&) where (staff_id is not null),
  constraint room_once exclude using gist (room_id with =, during with &&) where (room_id is not null),
  constraint house_open exclude using gist (house with <>, during with &&) where (house is not null)
);
create index occupied_slot on occupied (slot_id);
create index occupied_leave on occupied (leave_id);
create index occupied_closure on occupied (closure_id);

create function with_buffer(tstzrange, integer) returns tstzrange language sql immutable as $$
  select tstzrange(lower($1), upper($1) + make_interval(mins => $2))
$$;
create function slot_is_kept() returns trigger language plpgsql as $$
begin
  if new.state = 'left' then
    delete from occupied where slot_id = new.id;
    return null;
  end if;
  if tg_op = 'INSERT' then
    insert into occupied (slot_id, house, during) values (new.id, 1, new.during);
    if new.room_id is not null then
      insert into occupied (slot_id, room_id, during)
        select new.id, new.room_id, with_buffer(new.during, a.buffer) from appointment a where a.id = new.appointment_id;
    end if;
  end if;
  return null;
end $$;
create trigger slot_is_kept after insert or update of state on slot for each row execute function slot_is_kept();
create function slot_staff_is_kept() returns trigger language plpgsql as $$
begin
  insert into occupied (slot_id, staff_id, during)
    select s.id, new.staff_id, with_buffer(s.during, a.buffer)
      from slot s join appointment a on a.id = s.appointment_id where s.id = new.slot_id and s.state <> 'left';
  return null;
end $$;
create trigger slot_staff_is_kept after insert on slot_staff for each row execute function slot_staff_is_kept();
-- Where it was does not change: another time is another slot.
create function slot_stays() returns trigger language plpgsql as $$
begin
  if new.during is distinct from old.during or new.room_id is distinct from old.room_id or new.appointment_id <> old.appointment_id
      or old.state = 'left' and new.state <> 'left' then
    raise exception 'another time is another slot';
  end if;
  return new;
end $$;
create trigger slot_stays before update on slot for each row execute function slot_stays();
create function slot_staff_stays() returns trigger language plpgsql as $$
begin
  raise exception 'other hands are another slot';
end $$;
create trigger slot_staff_stays before update on slot_staff for each row execute function slot_staff_stays();

-- A private address at which a calendar program reads somebody's or a room's appointments. Only its hash is kept.
create table feed (
  id bigint generated always as identity primary key,
  token_hash bytea not null unique,
  staff_id bigint references staff,
  room_id bigint references room,
  made_by bigint not null references staff,
  made_at timestamptz not null default now(),
  revoked_at timestamptz,
  check (num_nonnulls(staff_id, room_id) = 1)
);
create index feed_maker on feed (made_by) where revoked_at is null;

-- What a client is told. Written with the change that causes it, sent once when it is due: a job of its own carries it.
create table message (
  id bigint generated always as identity primary key,
  appointment_id bigint not null references appointment,
  -- the time it tells of; null for one that tells of several
  slot_id bigint references slot,
  kind text not null,
  due_at timestamptz not null,
  state text not null default 'waiting' check (state in ('waiting', 'sent', 'dropped', 'no-address')),
  settled_at timestamptz,
  tries integer not null default 0,
  trouble text not null default ''
);
create unique index message_once on message (appointment_id, kind, coalesce(slot_id, 0));
create index message_told on message (due_at, id) where state <> 'waiting';
create index message_to_come on message (due_at, id) where state = 'waiting';
-- What the simulated carrier was given to carry, as it was given. Nothing keeps a second one out but the program.
create table carried (
  id bigint generated always as identity primary key,
  message_id bigint not null references message,
  at timestamptz not null,
  channel text not null,
  sent_to text not null,
  subject text not null,
  body text not null
);
create index carried_message on carried (message_id);
-- The simulated carrier of mail and text messages: whether it is out of order just now.
alter table house add column carrier_fails boolean not null default false;

-- The client's own page of one appointment, behind a link that ends with it. Only its hash is kept here.
create table client_link (
  token_hash bytea primary key,
  appointment_id bigint not null references appointment,
  made_at timestamptz not null default now(),
  expires_at timestamptz not null
);
create index client_link_appointment on client_link (appointment_id);
create index client_link_expiry on client_link (expires_at);
