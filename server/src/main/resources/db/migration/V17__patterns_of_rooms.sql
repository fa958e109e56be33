-- A room may have a pattern of its own; its pieces are kinds of their own then. 0 is the site's.
alter table room add column look bigint not null default 0;
alter table piece add column look bigint not null default 0;
