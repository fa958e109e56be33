-- A site's materials are rows, in an order: eight that it begins with, and any number of its own. Before this there was a row
-- only where something was told of one, of eight and six that every site had.
alter table material add column place int not null default 0;
-- So that no material gets the code of one that was taken away, which a step back may bring in again.
alter table site add column own_materials int not null default 6;

insert into material (id, site_id, swatch, pixels, name)
select nextval('hausbau_id') * 100, s.id, known.swatch, 1024, ''
from site s cross join (values ('PLASTER'), ('STONE'), ('TIMBER'), ('METAL'), ('OPAL'), ('TILE'), ('TERRAZZO'), ('PAINT')) known (swatch)
where not exists (select 1 from material m where m.site_id = s.id and m.swatch = known.swatch);

-- Of the six that were free to be used, those that something is made of.
insert into material (id, site_id, swatch, pixels, name)
select nextval('hausbau_id') * 100, s.id, own.swatch, 1024, ''
from site s cross join (values ('OWN1'), ('OWN2'), ('OWN3'), ('OWN4'), ('OWN5'), ('OWN6')) own (swatch)
where not exists (select 1 from material m where m.site_id = s.id and m.swatch = own.swatch)
  and (exists (select 1 from piece p where p.site_id = s.id and (p.model like '%"' || own.swatch || '"%' or p.recipe::text like '%"' || own.swatch || '"%'))
    or exists (select 1 from pattern p where p.site_id = s.id and p.words like '%"' || own.swatch || '"%'));

update material set place = numbered.place
from (select id, row_number() over (partition by site_id order by
        array_position(array['PLASTER', 'STONE', 'TIMBER', 'METAL', 'OPAL', 'TILE', 'TERRAZZO', 'PAINT'], swatch) nulls last, length(swatch), swatch) - 1 as place from material) numbered
where numbered.id = material.id;
alter table site alter column own_materials set default 0;
