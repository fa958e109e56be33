-- Settings of light, as JSON. A site has none of its own until one is changed or put to use: then all that it came with are kept, each under its number.
create table mood (
    id      bigint primary key,
    site_id bigint      not null references site on delete cascade,
    name    varchar(80) not null,
    words   text        not null,
    used    boolean     not null,
    given   integer     not null
);
create index mood_site on mood (site_id);
