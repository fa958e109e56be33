-- What is stored is what persons decided; what stands follows from it. V6 carries over what needs more than SQL.

-- Piece recipes as JSON with the version they are written in. A kind is entered once and keeps its code.
alter table piece add column recipe_json jsonb;
update piece set recipe_json = jsonb_strip_nulls(jsonb_build_object('version', 1,
    'made', case recipe when 'STAND_IN' then 'stand-in' else lower(recipe) end,
    'size', jsonb_build_array(x_size, y_size, z_size),
    'clearFrom', case recipe when 'OPENING' then jsonb_build_array(x_clear, 0, z_clear) end,
    'clearTo', case recipe when 'OPENING' then jsonb_build_array(x_clear_to, y_size, z_clear_to) end));
alter table piece drop column recipe, drop column x_size, drop column y_size, drop column z_size,
    drop column x_clear, drop column z_clear, drop column x_clear_to, drop column z_clear_to;
alter table piece rename column recipe_json to recipe;
alter table piece alter column recipe set not null;

-- Places of a room are counted from its anchor, which stays where it is when the room grows.
alter table room add column x_anchor_um bigint, add column y_anchor_um bigint;
update room set x_anchor_um = x_um, y_anchor_um = y_um;
alter table room alter column x_anchor_um set not null, alter column y_anchor_um set not null;

-- A kit choice keeps all that the planner found.
alter table site add column kit_tiles bigint[] not null default '{}', add column kit_step_um bigint not null default 0, drop column frame_revision;
update site set kit_step_um = step_um;

create table departure (
    id            bigint primary key,
    site_id       bigint           not null references site on delete cascade,
    place         varchar(120)     not null,
    piece_id      bigint           not null,
    x_um          bigint           not null,
    y_um          bigint           not null,
    z_um          bigint           not null,
    quarter_turns smallint         not null,
    mirrored      boolean          not null,
    free_degrees  double precision not null,
    free          boolean          not null,
    unique (site_id, place) deferrable initially deferred
);

create table accepted (
    id      bigint primary key,
    site_id bigint       not null references site on delete cascade,
    finding varchar(400) not null,
    about   bigint       not null,
    reason  varchar(500) not null,
    unique (site_id, finding) deferrable initially deferred
);

create table declined (
    id      bigint primary key,
    site_id bigint   not null references site on delete cascade,
    tag_ids bigint[] not null
);
create index declined_site on declined (site_id);

-- Each entry says how it is written, and by which word of its maker it is known if it comes twice.
alter table journal add column format smallint not null default 1, add column token varchar(80) not null default '';
create unique index journal_token on journal (site_id, token) where token <> '';

-- The ids of the rows that a revision touched, and what a browser fetches again for it.
drop table revision;
create table revision (
    site_id  bigint        not null references site on delete cascade,
    revision bigint        not null,
    touched  bigint[]      not null,
    parts    varchar(20)[] not null,
    primary key (site_id, revision)
);
