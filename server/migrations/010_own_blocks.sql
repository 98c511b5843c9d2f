-- Up Migration

-- A client's own block: parts and the steps by which they were adapted, from which the next order starts. What was taken
-- off stays, since briefs were made with it.
create table own_block (
  id bigint generated always as identity primary key,
  client_id bigint not null references client,
  name text not null,
  -- folded, so that no two of one client read alike
  name_key text not null,
  -- a brief's {"version": 2, "fit", "school", "parts": […], "steps": […]}
  made jsonb not null,
  saved_by bigint not null references staff,
  saved_at timestamptz not null,
  gone_at timestamptz
);
create unique index own_block_name on own_block (client_id, name_key) where gone_at is null;
