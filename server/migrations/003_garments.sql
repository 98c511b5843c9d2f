-- Compositions of parts that the house has saved under a name. What was taken off the list stays, since briefs were made with it.
create table garment (
  id bigint generated always as identity primary key,
  name text not null,
  -- folded, so that no two on the list read alike
  name_key text not null,
  -- {"version": 2, "parts": […]}, as a brief writes them
  made jsonb not null,
  saved_by bigint not null references staff (id),
  saved_at timestamptz not null default now(),
  gone_at timestamptz
);
create unique index garment_name on garment (name_key) where gone_at is null;
