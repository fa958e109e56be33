-- A wall may be dressed on both sides, by what lies there; what looks outside has a pattern of its own, 0 the site's.
alter table site add column both_sides boolean not null default false;
alter table site add column outside_look bigint not null default 0;
-- The patterns on both sides of each of kit_tiers, -1 where the back is not dressed; empty: the site's, on one side.
alter table site add column kit_sides bigint[] not null default '{}';
-- The pattern of a piece's back, 0 the site's, where it is dressed.
alter table piece add column back_dressed boolean not null default false;
alter table piece add column back bigint not null default 0;
