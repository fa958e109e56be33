-- A site has up to four sheets that swatches share, each known by its material; before there was one.
alter table shared_sheet add column material text not null default 'SHARED';
alter table shared_sheet alter column material drop default;
drop index shared_sheet_site;
create unique index shared_sheet_material on shared_sheet (site_id, material);

-- Pixels to a side of the sheet that a swatch has to itself, where that is not the usual; alike in all colourways.
create table sheet_size (
    id      bigint primary key,
    site_id bigint not null references site on delete cascade,
    swatch  text   not null,
    pixels  int    not null
);
create unique index sheet_size_swatch on sheet_size (site_id, swatch);
