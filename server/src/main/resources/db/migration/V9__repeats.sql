-- Living repeats: what is repeated and the rule that says where; what stands follows from it.
create table repeat (
    id          bigint primary key,
    site_id     bigint       not null references site on delete cascade,
    name        varchar(200) not null,
    rule        text         not null,
    bodies      text         not null,
    host_room   bigint       not null default 0,
    host_hold   varchar(10)  not null default 'ROOM',
    host_edge   integer      not null default 0,
    x_anchor_um bigint       not null default 0,
    y_anchor_um bigint       not null default 0,
    z_anchor_um bigint       not null default 0,
    host_off_um bigint       not null default 0
);
create index repeat_site on repeat (site_id);

-- Named groups, and where they are used.
create table assembly (
    id      bigint primary key,
    site_id bigint       not null references site on delete cascade,
    name    varchar(200) not null,
    parts   text         not null
);
create index assembly_site on assembly (site_id);

create table assembly_use (
    id            bigint primary key,
    site_id       bigint           not null references site on delete cascade,
    assembly_id   bigint           not null,
    x_um          bigint           not null,
    y_um          bigint           not null,
    z_um          bigint           not null,
    quarter_turns smallint         not null,
    mirrored      boolean          not null,
    free_degrees  double precision not null
);
create index assembly_use_site on assembly_use (site_id);

-- What follows its original across a plane.
create table twin (
    id        bigint primary key,
    site_id   bigint       not null references site on delete cascade,
    name      varchar(200) not null,
    hands     text         not null,
    east_west boolean      not null,
    at_um     bigint       not null,
    room      bigint       not null default 0
);
create index twin_site on twin (site_id);
