-- Sets of finishes for the kit, as JSON of a coat for each swatch; at most one of a site's is in use.
create table colourway (
    id      bigint primary key,
    site_id bigint      not null references site on delete cascade,
    name    varchar(80) not null,
    words   text        not null,
    used    boolean     not null
);
create index colourway_site on colourway (site_id);
