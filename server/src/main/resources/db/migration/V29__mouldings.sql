-- What runs along the walls of rooms: rules of the whole building, and what single rooms have in their place.
create table moulding (
    id      bigint primary key,
    site_id bigint      not null references site on delete cascade,
    rule_id bigint      not null,
    room_id bigint      not null,
    name    varchar(60) not null,
    place   integer     not null,
    words   text        not null
);
create index moulding_site on moulding (site_id);
