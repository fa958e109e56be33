-- A room's walls may be in one piece from floor to ceiling, whatever joints the kit has.
alter table room add column whole boolean not null default false;
