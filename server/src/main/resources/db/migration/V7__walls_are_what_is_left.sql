-- Rooms of any right-angled outline, openings in edges of it, and walls as skins or through.
alter table site add column skins boolean not null default false;

-- Empty for a rectangle whose edges are numbered north, east, south, west.
alter table room add column outline text not null default '';

-- 0 is the ground level, which every site has.
create table level (
    id        bigint primary key,
    site_id   bigint       not null references site on delete cascade,
    name      varchar(200) not null,
    floor_um  bigint       not null,
    storey_um bigint       not null
);
create index level_site on level (site_id);
alter table room add column level_id bigint not null default 0, add column sky boolean not null default false;

alter table opening add column edge integer;
update opening set edge = array_position(array['NORTH', 'EAST', 'SOUTH', 'WEST'], side::text) - 1;
alter table opening alter column edge set not null, drop column side;
