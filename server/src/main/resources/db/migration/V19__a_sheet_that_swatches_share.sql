-- One sheet that several swatches share, put together of pictures on a grid; at most one a site. Its words are JSON.
create table shared_sheet (
    id      bigint primary key,
    site_id bigint not null references site on delete cascade,
    words   text   not null
);
create unique index shared_sheet_site on shared_sheet (site_id);
