-- Up Migration

-- An underlining is a layer of its own: it bears seams as cloth and lining do.
alter table alteration_box drop constraint alteration_box_layer_check;
alter table alteration_box add constraint alteration_box_layer_check
  check (layer in ('outer', 'underlining', 'lining', 'interfacing'));
