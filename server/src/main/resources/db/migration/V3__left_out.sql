-- Places of the massing that a hand has emptied: deriving again leaves them empty.
create table omission (
    id      bigint primary key,
    site_id bigint       not null references site on delete cascade,
    source  varchar(200) not null,
    unique (site_id, source) deferrable initially deferred
);
