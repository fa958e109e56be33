-- All lengths are whole micrometres. Row ids come from one sequence, handed out in blocks of 100.
create sequence hausbau_id increment by 100;

create table site (
    id               bigint primary key,
    name             varchar(200) not null,
    unit             varchar(20)  not null,
    step_um          bigint       not null,
    wall_um          bigint       not null,
    storey_um        bigint       not null,
    pixels_per_metre integer      not null,
    tiles_by_centre  boolean      not null,
    kit_kinds        bigint[]     not null,
    kit_min_um       bigint       not null,
    kit_max_um       bigint       not null,
    revision         bigint       not null,
    journal_end      bigint       not null,
    changed_at       timestamptz  not null
);

create table room (
    id        bigint primary key,
    site_id   bigint       not null references site on delete cascade,
    name      varchar(200) not null,
    x_um      bigint       not null,
    y_um      bigint       not null,
    z_um      bigint       not null,
    width_um  bigint       not null,
    depth_um  bigint       not null,
    height_um bigint       not null
);
create index room_site on room (site_id);

create table opening (
    id        bigint primary key,
    site_id   bigint      not null references site on delete cascade,
    room_id   bigint      not null references room on delete cascade deferrable initially deferred,
    kind      varchar(20) not null,
    side      varchar(20) not null,
    at_um     bigint      not null,
    width_um  bigint      not null,
    height_um bigint      not null,
    sill_um   bigint      not null
);
create index opening_site on opening (site_id);

create table piece (
    id       bigint primary key,
    site_id  bigint       not null references site on delete cascade,
    code     varchar(200) not null,
    name     varchar(200) not null,
    role     varchar(20)  not null,
    recipe   varchar(20)  not null,
    pivot    varchar(20)  not null,
    x_size   bigint       not null,
    y_size   bigint       not null,
    z_size   bigint       not null,
    x_clear  bigint       not null,
    z_clear  bigint       not null,
    x_clear_to bigint     not null,
    z_clear_to bigint     not null,
    unique (site_id, code) deferrable initially deferred
);

create table placement (
    id            bigint primary key,
    site_id       bigint           not null references site on delete cascade,
    piece_id      bigint           not null references piece on delete cascade deferrable initially deferred,
    x_um          bigint           not null,
    y_um          bigint           not null,
    z_um          bigint           not null,
    quarter_turns smallint         not null,
    mirrored      boolean          not null,
    free_degrees  double precision not null,
    free          boolean          not null,
    origin        varchar(20)      not null,
    pinned        boolean          not null,
    stray         boolean          not null,
    source        varchar(200)     not null,
    x_min         bigint           not null,
    y_min         bigint           not null,
    x_max         bigint           not null,
    y_max         bigint           not null
);
create index placement_site on placement (site_id, piece_id);
create index placement_extent on placement using gist (box(point(x_min, y_min), point(x_max, y_max)));

-- One row an edit, with what it changed and how it was before. Entries above the site's journal_end are undone ones.
create table journal (
    site_id bigint       not null references site on delete cascade,
    seq     bigint       not null,
    label   varchar(300) not null,
    changes text         not null,
    made_at timestamptz  not null,
    primary key (site_id, seq)
);

-- One row a revision: what a browser that has an older one must fetch again.
create table revision (
    site_id    bigint   not null references site on delete cascade,
    revision   bigint   not null,
    rooms      boolean  not null,
    pieces     boolean  not null,
    placements bigint[] not null,
    primary key (site_id, revision)
);
