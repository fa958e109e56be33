-- The word under which an undo or a redo was made: sent again, since its answer was lost, it is not made twice. An edit's own
-- word is in the journal.
create table walked (
    site_id bigint      not null references site on delete cascade,
    token   varchar(80) not null,
    primary key (site_id, token)
);
