-- What a person made of a piece, as JSON of its parts; empty where it is as its recipe has it. And whether it is kept at hand
-- though nothing of it stands.
alter table piece alter column recipe type text using recipe::text;
alter table piece add column model text not null default '', add column kept boolean not null default false;
