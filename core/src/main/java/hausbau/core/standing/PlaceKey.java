package hausbau.core.standing;

import hausbau.core.place.Place;

/**
 * A place as columns: {@link Chunk#place} reads it back.
 *
 * @param code  how the columns are to be read
 * @param owner the room, or what else it belongs to
 */
record PlaceKey(byte code, long owner, long a, long b) {

    static PlaceKey of(Place place) {
        if (place instanceof Place.ByHand hand) {
            return new PlaceKey(Chunk.HAND, 0, hand.id(), 0);
        }
        if (place instanceof Place.OfOpening opening) {
            return new PlaceKey(Chunk.OPENING, opening.room(), opening.opening(), 0);
        }
        if (place instanceof Place.AtCorner post) {
            return new PlaceKey(Chunk.POST, post.room(), post.edge(), post.up());
        }
        if (place instanceof Place.Tile tile) {
            return new PlaceKey(
                    tile.layer() == Place.Layer.FLOOR ? Chunk.FLOOR : Chunk.CEILING, tile.room(), tile.x(), tile.y());
        }
        if (place instanceof Place.OfStairs stairs) {
            return new PlaceKey(Chunk.STAIRS, stairs.stair(), stairs.part(), 0);
        }
        if (place instanceof Place.AtDrop guard) {
            return new PlaceKey(Chunk.GUARD, guard.room(), guard.x(), guard.y());
        }
        if (place instanceof Place.OfSolid solid) {
            return new PlaceKey(Chunk.SOLID, solid.solid(), 0, 0);
        }
        if (place instanceof Place.InRepeat in) {
            return new PlaceKey(Chunk.REPEAT, in.repeat(), in.spot(), in.member());
        }
        if (place instanceof Place.InUse in) {
            return new PlaceKey(Chunk.USE, in.use(), in.path(), 0);
        }
        if (place instanceof Place.InTwin in) {
            return new PlaceKey(Chunk.TWIN, in.twin(), in.original(), in.part());
        }
        if (place instanceof Place.Between post) {
            return new PlaceKey(
                    post.up() == 0 ? Chunk.BETWEEN : Chunk.BETWEEN_TIER,
                    post.room(),
                    post.up() == 0 ? post.x() : Chunk.highColumn(post.x(), post.up()),
                    post.up() == 0 ? post.y() : Chunk.lowColumn(post.y(), post.up()));
        }
        if (place instanceof Place.InTier in) {
            return new PlaceKey(Chunk.TIER, in.room(), in.at(), Chunk.tierColumn(in.edge(), in.tier(), in.up()));
        }
        if (place instanceof Place.OfMoulding of) {
            return new PlaceKey(
                    Chunk.MOULDING, of.room(), of.at(), Chunk.mouldingColumn(of.rule(), of.edge(), of.corner()));
        }
        var run = (Place.InRun) place;
        return new PlaceKey(
                Chunk.runCode(run.edge(), run.tier()),
                run.room(),
                run.at(),
                Chunk.runColumn(run.edge(), run.tier(), run.length()));
    }

    /** Spread over all bits, so that a few of them tell most places apart. */
    static int hash(byte code, long owner, long a, long b) {
        var mixed = ((owner * 31 + a) * 31 + b) * 31 + code;
        mixed *= 0x9E37_79B9_7F4A_7C15L;
        return (int) (mixed >>> 32);
    }
}
