-- How what stands is tipped and sized: degrees about its own X and Y, and a factor.
alter table placement
    add column tilt  double precision not null default 0,
    add column roll  double precision not null default 0,
    add column scale double precision not null default 1;
alter table departure
    add column tilt  double precision not null default 0,
    add column roll  double precision not null default 0,
    add column scale double precision not null default 1;
alter table assembly_use
    add column tilt  double precision not null default 0,
    add column roll  double precision not null default 0,
    add column scale double precision not null default 1;

-- Where what is in disorder stood before, so that it can be put in order again. Rows of one heap were disturbed together.
create table disorder (
    id         bigint primary key,
    site_id    bigint       not null references site on delete cascade,
    heap       bigint       not null,
    place      varchar(120) not null,
    piece_id   bigint       not null,
    stood      text         not null,
    stands     text,
    free       boolean      not null,
    as_derived boolean      not null
);
create index disorder_site on disorder (site_id);

-- Selections under a name.
create table selection (
    id      bigint primary key,
    site_id bigint       not null references site on delete cascade,
    name    varchar(200) not null,
    places  text         not null
);
create index selection_site on selection (site_id);
