-- A site says more of a material than the pixels of its sheet: what it is called, in all colourways; empty is as its swatch.
alter table sheet_size rename to material;
alter index sheet_size_pkey rename to material_pkey;
alter index sheet_size_swatch rename to material_swatch;
alter table material rename constraint sheet_size_site_id_fkey to material_site_id_fkey;
alter table material add column name text not null default '';
