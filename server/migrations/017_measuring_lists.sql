-- Up Migration

-- A standing list of what is measured, in the house's own order, for a measuring that hangs on no order.
create table measuring_list (
  id bigint generated always as identity primary key,
  name text not null,
  -- folded, so that no two read alike
  name_key text not null unique,
  -- measure ids in the order in which the tape goes: {"version": 1, "measures": […]}
  made jsonb not null,
  version int not null default 1
);
insert into measuring_list (name, name_key, made) values
  ('basic eight', 'basic eight', '{"version": 1, "measures": ["bust", "waist", "hip", "waist-to-hip", "nape-to-waist", "across-shoulder", "arm-length", "waist-to-knee"]}'),
  ('twelve points', 'twelve points', '{"version": 1, "measures": ["neck-base", "across-shoulder", "high-bust", "bust", "underbust", "waist", "hip", "waist-to-hip", "neck-to-waist-front", "nape-to-waist", "upper-arm", "arm-length"]}');
