-- How walls are stacked: where they are cut in height, and what pieces of each tier may be long. Until a kit is chosen by its tiers,
-- every piece reaches from floor to ceiling, as before.
alter table site add column kit_joints bigint[] not null default '{}';
alter table site add column kit_tiers bigint[] not null default '{}';
