package hausbau.core.standing;

import hausbau.core.kit.Kind;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Box;
import hausbau.core.measure.BoxIndex;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import java.util.List;
import java.util.function.IntConsumer;

/**
 * Some of what one generator made, in columns: the unit in which a set is kept, compared and sent. It never changes.
 *
 * <p>Cost: 44 bytes a piece, and 55 for finding what is near.
 */
public final class Chunk {

    static final int MIRRORED = 4;
    static final int FREE = 8;
    static final int DEPARTED = 16;
    static final int LOST = 32;

    /** How a place is written in columns; a room's places take its id from the source, or from the owner column. */
    static final byte HAND = 0;

    static final byte OPENING = 1;
    static final byte RUN = 2;
    static final byte POST = 6;
    static final byte FLOOR = 7;
    static final byte CEILING = 8;
    /** A run of an edge that is no side of a rectangle: the edge and its tier above the length in the last column. */
    static final byte EDGE = 9;

    static final byte BETWEEN = 10;
    static final byte STAIRS = 11;
    static final byte GUARD = 12;
    static final byte SOLID = 13;
    static final byte REPEAT = 14;
    static final byte USE = 15;
    static final byte TWIN = 16;
    /** A run's piece on other tiers: as {@link #EDGE}, with its foot above the wall's in place of the length. */
    static final byte TIER = 17;
    /** A piece of a post between walls, above its lowest: 16 bits of its foot above the post's below each of x and y. */
    static final byte BETWEEN_TIER = 18;

    /** A piece of a moulding: along the wall, and the rule above the edge and whether it is a corner piece. */
    static final byte MOULDING = 19;

    private static final int UP_BITS = 16;
    private static final int LENGTH_BITS = 36;
    private static final int EDGE_BITS = 10;

    private final Source source;
    private final int number;
    private final List<Kind> palette;
    private final Rows rows;
    private final BoxIndex index;
    private final Digest digest;

    Chunk(Source source, int number, Rows rows) {
        this.source = source;
        this.number = number;
        this.palette = rows.palette();
        this.rows = rows;
        this.index = BoxIndex.inOrder(rows.bounds(), rows.size());
        this.digest = rows.digest();
    }

    public Source source() {
        return source;
    }

    /** Names it within its set, such as {@code shell.7.0}. */
    public String name() {
        return source + "." + number;
    }

    public int size() {
        return rows.size();
    }

    /** The kinds that stand in it. */
    public List<Kind> palette() {
        return palette;
    }

    /** Equal for equal content, whenever and wherever it was made. */
    public Digest digest() {
        return digest;
    }

    public Rows rows() {
        return rows;
    }

    public Kind kind(int row) {
        return palette.get(rows.kind(row));
    }

    public Box box(int row) {
        return index.box(row);
    }

    public Box extent() {
        return index.extent();
    }

    public Stance stance(int row) {
        var pose = rows.pose(row);
        return new Stance(
                new Vec(rows.x(row), rows.y(row), rows.z(row)),
                new Turn(pose & 3),
                (pose & MIRRORED) != 0,
                rows.degrees(row),
                rows.lean(row));
    }

    public Standing standing(int row) {
        var pose = rows.pose(row);
        return new Standing(
                place(row), kind(row), stance(row), (pose & FREE) != 0, (pose & DEPARTED) != 0, (pose & LOST) != 0);
    }

    public Place place(int row) {
        return place(rows.code(row), rows.owner(row), rows.a(row), rows.b(row));
    }

    static Place place(byte code, long owner, long a, long b) {
        return switch (code) {
            case HAND -> new Place.ByHand(a);
            case OPENING -> new Place.OfOpening(owner, a);
            case POST -> new Place.AtCorner(owner, (int) a, b);
            case BETWEEN -> new Place.Between(owner, a, b, 0);
            case BETWEEN_TIER ->
                new Place.Between(
                        owner,
                        a >> UP_BITS,
                        b >> UP_BITS,
                        (a & (1L << UP_BITS) - 1) << UP_BITS | b & (1L << UP_BITS) - 1);
            case TIER -> new Place.InTier(owner, edgeOf(b), tierOf(b), a, b & (1L << LENGTH_BITS) - 1);
            case EDGE -> new Place.InRun(owner, edgeOf(b), tierOf(b), a, b & (1L << LENGTH_BITS) - 1);
            case STAIRS -> new Place.OfStairs(owner, (int) a);
            case GUARD -> new Place.AtDrop(owner, a, b);
            case SOLID -> new Place.OfSolid(owner);
            case REPEAT -> new Place.InRepeat(owner, a, b);
            case USE -> new Place.InUse(owner, a);
            case TWIN -> new Place.InTwin(owner, a, b);
            case MOULDING ->
                new Place.OfMoulding(owner, b >> EDGE_BITS + 1, (int) (b >> 1) & (1 << EDGE_BITS) - 1, (b & 1) != 0, a);
            case FLOOR -> new Place.Tile(owner, Place.Layer.FLOOR, a, b);
            case CEILING -> new Place.Tile(owner, Place.Layer.CEILING, a, b);
            default -> new Place.InRun(owner, code - RUN, WallRun.Tier.WALL, a, b);
        };
    }

    private static int edgeOf(long column) {
        return (int) (column >> LENGTH_BITS) & (1 << EDGE_BITS) - 1;
    }

    private static WallRun.Tier tierOf(long column) {
        return WallRun.Tier.values()[(int) (column >> LENGTH_BITS + EDGE_BITS)];
    }

    /** The last column of a run's place above its lowest tier. @param up below 2^30, so that a post's columns hold it too */
    static long tierColumn(int edge, WallRun.Tier tier, long up) {
        return ((long) tier.ordinal() << EDGE_BITS | edge) << LENGTH_BITS | up;
    }

    /** A coordinate of a post between walls, with the upper 16 bits of its foot above the post's. */
    static long highColumn(long x, long up) {
        return x << UP_BITS | up >> UP_BITS;
    }

    /** The other coordinate, with the lower 16 bits. */
    static long lowColumn(long y, long up) {
        return y << UP_BITS | up & (1L << UP_BITS) - 1;
    }

    /** The last column of a moulding's place. @param rule below 2^42, so that all of it is exact as a double */
    static long mouldingColumn(long rule, int edge, boolean corner) {
        return (rule << EDGE_BITS | edge) << 1 | (corner ? 1 : 0);
    }

    /** How a run's places are coded. */
    static byte runCode(int edge, WallRun.Tier tier) {
        return edge < 4 && tier == WallRun.Tier.WALL ? (byte) (RUN + edge) : EDGE;
    }

    /** The last column of a run's place: at most 10 bits of edge and 36 of length, so that all of it is exact as a double. */
    static long runColumn(int edge, WallRun.Tier tier, long length) {
        return runCode(edge, tier) == EDGE
                ? ((long) tier.ordinal() << EDGE_BITS | edge) << LENGTH_BITS | length
                : length;
    }

    /** The row of this place, or -1. */
    int find(Place place) {
        return rows.find(place);
    }

    /** Tells the rows whose extent touches the box. */
    public void touching(Box box, IntConsumer found) {
        index.touching(box, found);
    }
}
