-- What persons have decided about pieces themselves: how they are held, and the looks that are given out among them.
create table piece_trait (
    id       bigint primary key,
    site_id  bigint      not null references site on delete cascade,
    piece_id bigint      not null,
    held     varchar(10) not null,
    looks    text        not null,
    seed     bigint      not null
);
create index piece_trait_site on piece_trait (site_id);
