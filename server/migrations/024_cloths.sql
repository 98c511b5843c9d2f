-- Up Migration

-- An order can have four cloths that outer panels are cut from, each laid for itself.
alter table cloth_lay drop constraint cloth_lay_of_check;
alter table cloth_lay add constraint cloth_lay_of_check
  check (of in ('outer', 'second', 'third', 'fourth', 'underlining', 'lining', 'interfacing'));
