package hausbau.core.place;

import hausbau.core.massing.Side;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Refused;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The lasting identity of one standing piece: what made it stand, and where in that. It stays while the same thing stands
 * there, whatever the room is called and wherever it is moved; it does not say what stands there.
 *
 * <p>Positions are whole micrometres from the room's anchor. Written, a place is a word without a space or slash, such as
 * {@code room.7.north.2000000.1000000}; {@link #parse} reads it back.
 */
public sealed interface Place {

    /** What makes something stand at a place. */
    enum Origin {
        MASSING,
        HAND,
        REPEAT,
        ASSEMBLY,
        TWIN
    }

    default Origin origin() {
        return Origin.MASSING;
    }

    /** The generator that fills this place. */
    Source source();

    /** The room that it belongs to; 0 for what belongs to none. */
    default long room() {
        return 0;
    }

    /** Whether what stands there stands on nothing but an opening's head. */
    default boolean isOverOpening() {
        return false;
    }

    private static String above(long up) {
        return up == 0 ? "" : ".up." + up;
    }

    /** What a hand set down. */
    record ByHand(long id) implements Place {

        @Override
        public Origin origin() {
            return Origin.HAND;
        }

        @Override
        public Source source() {
            return Source.Hands.of(id);
        }

        @Override
        public String toString() {
            return "hand." + id;
        }
    }

    /**
     * A wall piece in a room's run.
     *
     * @param edge   the number of the edge of the room's outline
     * @param at     where its left end stands seen from inside, along the wall's axis
     * @param length how much of the run it takes
     */
    record InRun(long room, int edge, WallRun.Tier tier, long at, long length) implements Place {

        /** In a wall of a rectangular room. */
        public InRun(long room, Side side, long at, long length) {
            this(room, side.ordinal(), WallRun.Tier.WALL, at, length);
        }

        @Override
        public boolean isOverOpening() {
            return tier == WallRun.Tier.ABOVE;
        }

        @Override
        public Source source() {
            return new Source.Shell(room);
        }

        @Override
        public String toString() {
            var tier =
                    this.tier == WallRun.Tier.WALL ? "" : "-" + this.tier.name().toLowerCase(Locale.ROOT);
            return "room." + room + "." + (edge < 4 ? Side.values()[edge].label() : "edge" + edge) + tier + "." + at
                    + "." + length;
        }
    }

    /**
     * A wall piece in a room's run that stands on other tiers of it.
     *
     * @param edge the number of the edge of the room's outline
     * @param at   where its left end stands seen from inside, along the wall's axis
     * @param up   its foot above the wall's
     */
    record InTier(long room, int edge, WallRun.Tier tier, long at, long up) implements Place {

        @Override
        public boolean isOverOpening() {
            return tier == WallRun.Tier.ABOVE;
        }

        @Override
        public Source source() {
            return new Source.Shell(room);
        }

        @Override
        public String toString() {
            return new InRun(room, edge, tier, at, 0).toString().replaceFirst("\\.0$", ".up." + up);
        }
    }

    /** The panel of an opening. */
    record OfOpening(long room, long opening) implements Place {

        @Override
        public Source source() {
            return new Source.Shell(room);
        }

        @Override
        public String toString() {
            return "room." + room + ".opening." + opening;
        }
    }

    /**
     * The post in a corner.
     *
     * @param edge the number of the edge that begins there
     * @param up   the foot of a piece of it above the post's
     */
    record AtCorner(long room, int edge, long up) implements Place {

        public AtCorner(long room, Corner corner) {
            this(room, corner.ordinal(), 0);
        }

        @Override
        public Source source() {
            return new Source.Shell(room);
        }

        @Override
        public String toString() {
            return "room." + room + ".post." + (edge < 4 ? Corner.values()[edge].label() : "edge" + edge) + above(up);
        }
    }

    /** A post where no edge of its room begins, by its least corner. @param up the foot of a piece of it above the post's */
    record Between(long room, long x, long y, long up) implements Place {

        @Override
        public Source source() {
            return new Source.Shell(room);
        }

        @Override
        public String toString() {
            return "room." + room + ".post.at." + x + "." + y + above(up);
        }
    }

    /** A guard at the edge of a room's floor, by its least corner. */
    record AtDrop(long room, long x, long y) implements Place {

        @Override
        public Source source() {
            return new Source.Guards(room);
        }

        @Override
        public String toString() {
            return "room." + room + ".guard." + x + "." + y;
        }
    }

    /**
     * A part of stairs.
     *
     * @param part its number from below; guards come after flights and landings
     */
    record OfStairs(long stair, int part) implements Place {

        @Override
        public Source source() {
            return new Source.Stairs(stair);
        }

        @Override
        public String toString() {
            return "stairs." + stair + "." + part;
        }
    }

    /** A mass that stays. */
    record OfSolid(long solid) implements Place {

        @Override
        public Source source() {
            return new Source.Solids(solid);
        }

        @Override
        public String toString() {
            return "solid." + solid;
        }
    }

    /**
     * A piece of a repeat.
     *
     * @param spot   the rule's key of the copy
     * @param member how many copies lie under it, and which of the copy's pieces it is
     */
    record InRepeat(long repeat, long spot, long member) implements Place {

        @Override
        public Origin origin() {
            return Origin.REPEAT;
        }

        @Override
        public Source source() {
            return new Source.Repeats(repeat);
        }

        @Override
        public String toString() {
            return "repeat." + repeat + "." + spot + "." + member;
        }
    }

    /**
     * A piece of an assembly where it is used.
     *
     * @param path the numbers of the parts that lead to it
     */
    record InUse(long use, long path) implements Place {

        @Override
        public Origin origin() {
            return Origin.ASSEMBLY;
        }

        @Override
        public Source source() {
            return new Source.Uses(use);
        }

        @Override
        public String toString() {
            return "use." + use + "." + path;
        }
    }

    /**
     * The twin of one piece.
     *
     * @param original the id of what a hand set down, of the use of an assembly, or of the repeat that it is of
     * @param part     0 of what a hand set down; of a use 1 more than the path; of a repeat below 0, see {@link #ofRepeat}
     */
    record InTwin(long twin, long original, long part) implements Place {

        @Override
        public Origin origin() {
            return Origin.TWIN;
        }

        /** Keys of what stands at bends begin here; below it is room for all others. */
        private static final long BENDS = 1L << 38;

        private static final long SHIFTED = 1L << 35;
        private static final long MEMBERS = 1L << 16;

        public static InTwin ofHand(long twin, long hand) {
            return new InTwin(twin, hand, 0);
        }

        public static InTwin ofUse(long twin, InUse of) {
            return new InTwin(twin, of.use(), of.path() + 1);
        }

        /** @throws Refused if it stands too high in a stack for its place to be written in 53 bits */
        public static InTwin ofRepeat(long twin, InRepeat of) {
            var spot = of.spot() < BENDS ? of.spot() : of.spot() - BENDS + SHIFTED;
            if (of.member() >= MEMBERS || spot >= 2 * SHIFTED) {
                throw new Refused(
                        "placementIds", "A repeat that is stacked 64 high or more has no twin. Dissolve it first.");
            }
            return new InTwin(twin, of.repeat(), -1 - (spot * MEMBERS + of.member()));
        }

        @Override
        public Source source() {
            return new Source.Twins(twin);
        }

        @Override
        public String toString() {
            return "twin." + twin
                    + (part == 0
                            ? ".hand." + original
                            : part > 0
                                    ? ".use." + original + "." + (part - 1)
                                    : ".repeat." + original + "." + (-1 - part));
        }
    }

    /** The corners of a rectangular room, clockwise. */
    enum Corner {
        NORTH_WEST,
        NORTH_EAST,
        SOUTH_EAST,
        SOUTH_WEST;

        public String label() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** A floor or ceiling tile, by its least corner. */
    record Tile(long room, Layer layer, long x, long y) implements Place {

        @Override
        public Source source() {
            return new Source.Tiles(room);
        }

        @Override
        public String toString() {
            return "room." + room + "." + layer.label() + "." + x + "." + y;
        }
    }

    /** What a tile is part of. */
    enum Layer {
        FLOOR,
        CEILING;

        public String label() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * A piece of a moulding along a room's wall.
     *
     * @param rule the moulding of the whole building that it belongs to, or stands in for
     * @param edge the number of the edge of the room's outline
     * @param at   where its left end stands seen from inside, along the wall's axis; of a corner piece at the edge's right end 0
     */
    record OfMoulding(long room, long rule, int edge, boolean corner, long at) implements Place {

        @Override
        public Source source() {
            return new Source.Mouldings(room);
        }

        @Override
        public String toString() {
            return "room." + room + ".moulding." + rule + (corner ? ".corner" : ".edge") + edge + "." + at;
        }
    }

    Pattern HAND = Pattern.compile("hand\\.(\\d{1,18})");
    Pattern STAIRS = Pattern.compile("stairs\\.(\\d{1,18})\\.(\\d{1,4})");
    Pattern REPEAT = Pattern.compile("repeat\\.(\\d{1,18})\\.(\\d{1,15})\\.(\\d{1,15})");
    Pattern USE = Pattern.compile("use\\.(\\d{1,18})\\.(\\d{1,16})");
    Pattern TWIN =
            Pattern.compile("twin\\.(\\d{1,18})\\.(?:hand\\.(\\d{1,18})|(use|repeat)\\.(\\d{1,18})\\.(\\d{1,16}))");
    Pattern SOLID = Pattern.compile("solid\\.(\\d{1,18})");
    Pattern RUN = Pattern.compile(
            "room\\.(\\d{1,18})\\.(?:(north|east|south|west)|edge(\\d{1,6}))(-above|-below)?\\.(-?\\d{1,15})\\.(\\d{1,15})");
    Pattern TIER = Pattern.compile(
            "room\\.(\\d{1,18})\\.(?:(north|east|south|west)|edge(\\d{1,6}))(-above|-below)?\\.(-?\\d{1,15})\\.up\\.(\\d{1,10})");
    Pattern MOULDING =
            Pattern.compile("room\\.(\\d{1,18})\\.moulding\\.(\\d{1,12})\\.(edge|corner)(\\d{1,4})\\.(-?\\d{1,15})");
    Pattern ROOM = Pattern.compile(
            "room\\.(\\d{1,18})\\.(?:opening\\.(\\d{1,18})|post\\.(?:(north-west|north-east|south-east|south-west)|edge(\\d{1,6})"
                    + "|at\\.(-?\\d{1,15})\\.(-?\\d{1,15}))(?:\\.up\\.(\\d{1,10}))?"
                    + "|(floor|ceiling|guard)\\.(-?\\d{1,15})\\.(-?\\d{1,15}))");

    /** @throws Refused if the text names no place */
    static Place parse(String text) {
        return read(text)
                .orElseThrow(() -> new Refused(
                        "id",
                        "“" + (text.length() > 100 ? text.substring(0, 100) + "…" : text) + "” is no placement's id."));
    }

    private static Optional<Place> read(String text) {
        var hand = HAND.matcher(text);
        if (hand.matches()) {
            return Optional.of(new ByHand(Long.parseLong(hand.group(1))));
        }
        var stairs = STAIRS.matcher(text);
        if (stairs.matches()) {
            return Optional.of(new OfStairs(Long.parseLong(stairs.group(1)), Integer.parseInt(stairs.group(2))));
        }
        var repeat = REPEAT.matcher(text);
        if (repeat.matches()) {
            return Optional.of(new InRepeat(
                    Long.parseLong(repeat.group(1)), Long.parseLong(repeat.group(2)), Long.parseLong(repeat.group(3))));
        }
        var use = USE.matcher(text);
        if (use.matches()) {
            return Optional.of(new InUse(Long.parseLong(use.group(1)), Long.parseLong(use.group(2))));
        }
        var twin = TWIN.matcher(text);
        if (twin.matches()) {
            var id = Long.parseLong(twin.group(1));
            if (twin.group(2) != null) {
                return Optional.of(InTwin.ofHand(id, Long.parseLong(twin.group(2))));
            }
            var part = Long.parseLong(twin.group(5));
            return Optional.of(
                    new InTwin(id, Long.parseLong(twin.group(4)), twin.group(3).equals("use") ? part + 1 : -1 - part));
        }
        var solid = SOLID.matcher(text);
        if (solid.matches()) {
            return Optional.of(new OfSolid(Long.parseLong(solid.group(1))));
        }
        var run = RUN.matcher(text);
        if (run.matches()) {
            return Optional.of(new InRun(
                    Long.parseLong(run.group(1)),
                    edge(run),
                    tier(run),
                    Long.parseLong(run.group(5)),
                    Long.parseLong(run.group(6))));
        }
        var above = TIER.matcher(text);
        if (above.matches()) {
            return Optional.of(new InTier(
                    Long.parseLong(above.group(1)),
                    edge(above),
                    tier(above),
                    Long.parseLong(above.group(5)),
                    Long.parseLong(above.group(6))));
        }
        var moulding = MOULDING.matcher(text);
        if (moulding.matches()) {
            return Optional.of(new OfMoulding(
                    Long.parseLong(moulding.group(1)),
                    Long.parseLong(moulding.group(2)),
                    Integer.parseInt(moulding.group(4)),
                    moulding.group(3).equals("corner"),
                    Long.parseLong(moulding.group(5))));
        }
        var m = ROOM.matcher(text);
        if (!m.matches()) {
            return Optional.empty();
        }
        var room = Long.parseLong(m.group(1));
        if (m.group(2) != null) {
            return Optional.of(new OfOpening(room, Long.parseLong(m.group(2))));
        }
        var up = m.group(7) == null ? 0 : Long.parseLong(m.group(7));
        if (m.group(3) != null) {
            return Optional.of(
                    new AtCorner(room, Corner.valueOf(upper(m.group(3))).ordinal(), up));
        }
        if (m.group(4) != null) {
            return Optional.of(new AtCorner(room, Integer.parseInt(m.group(4)), up));
        }
        if (m.group(5) != null) {
            return Optional.of(new Between(room, Long.parseLong(m.group(5)), Long.parseLong(m.group(6)), up));
        }
        if (m.group(8).equals("guard")) {
            return Optional.of(new AtDrop(room, Long.parseLong(m.group(9)), Long.parseLong(m.group(10))));
        }
        return Optional.of(new Tile(
                room, Layer.valueOf(upper(m.group(8))), Long.parseLong(m.group(9)), Long.parseLong(m.group(10))));
    }

    private static int edge(Matcher run) {
        return run.group(2) != null ? Side.valueOf(upper(run.group(2))).ordinal() : Integer.parseInt(run.group(3));
    }

    private static WallRun.Tier tier(Matcher run) {
        return run.group(4) == null
                ? WallRun.Tier.WALL
                : WallRun.Tier.valueOf(upper(run.group(4).substring(1)));
    }

    private static String upper(String word) {
        return word.toUpperCase(Locale.ROOT).replace('-', '_');
    }
}
