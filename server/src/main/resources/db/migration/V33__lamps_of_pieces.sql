-- The lamps of a piece, as JSON; empty where it has those that it comes with. Of placements, how bright they are in percent: -1 is not told.
alter table piece_trait add lamps text not null default '';
alter table dress add lamps integer not null default -1;
