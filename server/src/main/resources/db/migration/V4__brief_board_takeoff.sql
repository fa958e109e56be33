-- What a revision touched besides rooms, pieces and placements.
alter table revision add column board boolean not null default false;

create table brief (
    id                bigint primary key,
    site_id           bigint        not null unique references site on delete cascade,
    intent            varchar(4000) not null,
    focal             varchar(300)  not null,
    target            varchar(20)   not null,
    triangles         bigint        not null,
    draw_calls        bigint        not null,
    texture_bytes     bigint        not null,
    materials         bigint        not null,
    sheets            bigint        not null,
    planned_minutes   bigint[]      not null,
    corrected_seconds bigint[]      not null
);

-- Seconds a stage was in use, as measured. No part of the journal: time cannot be undone, only corrected.
create table stage_time (
    site_id       bigint   not null references site on delete cascade,
    stage         smallint not null,
    spent_seconds bigint   not null,
    primary key (site_id, stage)
);

-- Pictures as they came, turned upright and freed of metadata, with a preview. Never changed; kept while the site is,
-- so that undo can bring a picture back.
create table media (
    id       bigint primary key,
    site_id  bigint      not null references site on delete cascade,
    type     varchar(40) not null,
    width    integer     not null,
    height   integer     not null,
    original bytea       not null,
    preview  bytea       not null
);
alter table media alter column original set storage external, alter column preview set storage external;
create index media_site on media (site_id);

-- What lies on the board: pictures, notes, frames. Places and sizes are in units of the board's own sheet.
create table board_item (
    id       bigint primary key,
    site_id  bigint             not null references site on delete cascade,
    kind     varchar(20)        not null,
    media_id bigint             not null,
    name     varchar(200)       not null,
    text     varchar(4000)      not null,
    x        double precision   not null,
    y        double precision   not null,
    width    double precision   not null,
    height   double precision   not null,
    turn     double precision   not null,
    flipped  boolean            not null,
    crop     double precision[] not null,
    locked   boolean            not null,
    grey     boolean            not null,
    rank     bigint             not null,
    group_id bigint             not null
);
create index board_item_site on board_item (site_id);

create table plane (
    id         bigint primary key,
    site_id    bigint             not null references site on delete cascade,
    picture_id bigint             not null references board_item on delete cascade deferrable initially deferred,
    name       varchar(200)       not null,
    kind       varchar(20)        not null,
    points     double precision[] not null,
    width_um   bigint             not null,
    height_um  bigint             not null,
    pick_error double precision   not null
);
create index plane_site on plane (site_id);

create table listed_piece (
    id         bigint primary key,
    site_id    bigint             not null references site on delete cascade,
    code       varchar(40)        not null,
    name       varchar(200)       not null,
    role       varchar(20)        not null,
    x_um       bigint             not null,
    y_um       bigint             not null,
    z_um       bigint             not null,
    count      integer            not null,
    source     varchar(20)        not null,
    state      varchar(20)        not null,
    priority   integer            not null,
    hours      double precision   not null,
    hero       boolean            not null,
    notes      varchar(4000)      not null,
    piece_id   bigint             not null,
    picture_id bigint             not null,
    crop       double precision[] not null,
    unique (site_id, code) deferrable initially deferred
);

create table tag (
    id        bigint primary key,
    site_id   bigint       not null references site on delete cascade,
    letter    varchar(8)   not null,
    name      varchar(200) not null,
    role      varchar(20)  not null,
    estimated integer      not null,
    listed_id bigint       not null,
    unique (site_id, letter) deferrable initially deferred
);

create table mark (
    id         bigint primary key,
    site_id    bigint             not null references site on delete cascade,
    picture_id bigint             not null references board_item on delete cascade deferrable initially deferred,
    plane_id   bigint             not null,
    tag_id     bigint             not null references tag on delete cascade deferrable initially deferred,
    kind       varchar(20)        not null,
    points     double precision[] not null,
    mirrored   boolean            not null,
    turned     boolean            not null,
    finish     varchar(100)       not null
);
create index mark_site on mark (site_id);
