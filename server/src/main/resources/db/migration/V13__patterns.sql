-- How pieces look at any size, as JSON; at most one of a site's is in use.
create table pattern (
    id      bigint primary key,
    site_id bigint      not null references site on delete cascade,
    name    varchar(80) not null,
    words   text        not null,
    used    boolean     not null
);
create index pattern_site on pattern (site_id);

-- A pivot that a person told; empty where it is the first. And codes: an undone renaming may bring one back that was given
-- meanwhile to a piece which that same way back puts away. Edits see to it that no two at hand are alike.
alter table piece add column told_pivot varchar(20) not null default '';
alter table piece drop constraint piece_site_id_code_key;
create index piece_site on piece (site_id);
