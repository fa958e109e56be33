-- Ways between floors, masses that stay, and which end of their wall openings keep their place from.
create table stair (
    id        bigint primary key,
    site_id   bigint      not null references site on delete cascade,
    level_id  bigint      not null,
    shape     varchar(20) not null,
    turns_right boolean   not null,
    x_um      bigint      not null,
    y_um      bigint      not null,
    z_um      bigint      not null,
    quarters  integer     not null,
    width_um  bigint      not null,
    rise_um   bigint      not null,
    risers    integer     not null,
    going_um  bigint      not null
);
create index stair_site on stair (site_id);

create table solid (
    id        bigint primary key,
    site_id   bigint       not null references site on delete cascade,
    level_id  bigint       not null,
    name      varchar(200) not null,
    x_um      bigint       not null,
    y_um      bigint       not null,
    z_um      bigint       not null,
    width_um  bigint       not null,
    depth_um  bigint       not null,
    height_um bigint       not null
);
create index solid_site on solid (site_id);

alter table site add column guard_drop_um bigint not null default 750000;
alter table opening add column hold varchar(10) not null default 'LEFT';

-- The ground level has no row of its own.
alter table site add column ground_name varchar(200) not null default 'Ground';

-- How the corners of walls are built.
alter table site add column corners varchar(10) not null default 'POST';
alter table site add column corner_leg_um bigint not null default 100000;
