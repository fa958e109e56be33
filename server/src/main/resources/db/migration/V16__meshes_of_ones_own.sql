-- Surfaces that were made elsewhere, by what they are; never changed, so that an edit that is undone finds its own again.
create table shell (
    site_id bigint   not null references site on delete cascade,
    digest  char(64) not null,
    bytes   bytea    not null,
    primary key (site_id, digest)
);
alter table shell alter column bytes set storage external;

-- How a piece's mesh was brought in last, as JSON, to begin from when it is brought in again.
alter table piece add column brought text not null default '';

-- The levels of detail of a piece, whole percentages with commas between them; empty where it has the usual ones.
alter table piece add column details varchar(40) not null default '';

-- Files that were handed over and are looked at before they are brought in; gone after that, or after a day.
create table bundle (
    id      uuid primary key,
    site_id bigint      not null references site on delete cascade,
    made_at timestamptz not null default now()
);
create table bundle_file (
    bundle_id uuid         not null references bundle on delete cascade,
    name      varchar(300) not null,
    bytes     bytea        not null,
    primary key (bundle_id, name)
);
alter table bundle_file alter column bytes set storage external;

-- Each model among them is looked at by itself.
create table delivery (
    id        uuid primary key,
    bundle_id uuid         not null references bundle on delete cascade,
    model     varchar(300) not null
);
create index delivery_bundle on delivery (bundle_id);
