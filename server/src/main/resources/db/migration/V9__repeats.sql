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
