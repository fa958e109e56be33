-- Undo takes back one's own last step. An entry says whose it is, the rows that it touched, and whether it is undone,
-- since which revision. Before this, entries beyond the site's journal_end were the undone ones.
alter table journal
    add column maker      varchar(80) not null default '',
    add column touched    bigint[]    not null default '{}',
    add column undone_at  bigint;
update journal j set undone_at = s.revision from site s where s.id = j.site_id and j.seq > s.journal_end;
update journal set touched = array(select distinct (change ->> 'id')::bigint from jsonb_array_elements(changes::jsonb) change);
alter table site drop column journal_end;
create index journal_maker on journal (site_id, maker, seq) where undone_at is null;
create index journal_undone on journal (site_id, maker, undone_at) where undone_at is not null;

-- One's own earlier edits are no reason to refuse a later one.
alter table revision add column maker varchar(80) not null default '';

-- Words under which ways back were made are kept for some days.
alter table walked add column made_at timestamptz not null default now();

-- How much stands, so that a list of sites need not work it out; null until it is known.
alter table site add column standing bigint;

-- Rows go with what they refer to.
create index if not exists opening_room on opening (room_id);
create index if not exists mark_picture on mark (picture_id);
create index if not exists mark_tag on mark (tag_id);
create index if not exists plane_picture on plane (picture_id);
