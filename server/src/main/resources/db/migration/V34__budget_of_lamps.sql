-- How many lamps may be lit in all, and how many may light one place; 0 is no limit.
alter table brief add lamps bigint not null default 0;
alter table brief add lamps_at_once bigint not null default 0;
