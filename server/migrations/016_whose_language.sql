-- Up Migration

-- In what a person, or a client, writes and reads, where it is not the studio's.
alter table staff add column unit text check (unit in ('cm', 'in'));
alter table client add column unit text check (unit in ('cm', 'in'));
alter table client add column language text not null default '' check (length(language) <= 20);
