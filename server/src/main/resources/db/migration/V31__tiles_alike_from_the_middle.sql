-- Tiles may be laid alike from both sides of a floor's middle.
alter table site add column tiles_mirrored boolean not null default false;
