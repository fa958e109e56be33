-- One index answers "what of this site is near", whatever the planner knows of the table.
create extension if not exists btree_gist;
drop index placement_extent;
drop index placement_site;
create index placement_piece on placement (piece_id);
create index placement_extent on placement using gist (site_id, box(point(x_min, y_min), point(x_max, y_max)));

-- The journal's last entry, so that an edit need not look for undone ones; and the last revision of all but placements.
alter table site add column journal_top bigint not null default 0, add column frame_revision bigint not null default 0;
update site set frame_revision = revision,
    journal_top = coalesce((select max(seq) from journal where site_id = site.id), 0);
