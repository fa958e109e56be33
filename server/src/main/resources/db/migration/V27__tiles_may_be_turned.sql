-- Tiles may be turned by quarters, by where they lie, so that neighbours differ.
alter table site add column tiles_turned boolean not null default false;
