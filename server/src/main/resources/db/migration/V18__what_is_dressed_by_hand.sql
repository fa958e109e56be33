-- How placements and rooms are dressed by hand; what is dressed alike is one row. Wear of -1 is not told, colourway 0 is the site's.
create table dress (
    id        bigint primary key,
    site_id   bigint     not null references site on delete cascade,
    tint      varchar(7) not null,
    wear      integer    not null,
    colourway bigint     not null,
    places    text       not null
);
create index dress_site on dress (site_id);
