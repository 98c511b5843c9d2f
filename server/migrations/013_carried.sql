-- Up Migration

-- A change agreed at a fitting before the cloth is cut is drafted into the sheet, and nothing of it is left to do.
alter table alteration drop constraint alteration_status_check;
alter table alteration add constraint alteration_status_check check (status in
  ('asked', 'agreed', 'in-sheet', 'in-work', 'done', 'checked', 'accepted', 'declined', 'withdrawn'));
-- Seams between gores have more edges than any seam of a bodice.
alter table alteration_box drop constraint alteration_box_edges_check;
alter table alteration_box add constraint alteration_box_edges_check check (edges between 1 and 100);
