-- Up Migration

-- A piece without shoulders is measured flat too; a piece may have a tolerance of its own; what is to be changed on it is kept as it was accepted.
alter table flat_lay drop constraint flat_lay_cut_check;
alter table flat_lay add constraint flat_lay_cut_check check (cut in ('set-in', 'raglan', 'strapless', 'skirt', 'trousers'));
alter table flat_lay add column tolerance text;
create table flat_change (
  lay_id bigint not null references flat_lay on delete cascade,
  point text not null,
  says text not null,
  by bigint not null references staff,
  at timestamptz not null default now(),
  primary key (lay_id, point)
);
