package hausbau.core.massing;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.function.LongSupplier;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * A door, a window or a passage in a room's wall; it goes through the whole wall, whatever lies behind.
 *
 * @param edge   the number of the outline's edge whose wall it is in
 * @param at     where its clear opening begins, from the left end of the edge seen from inside
 * @param width  clear width
 * @param height clear height
 * @param sill   height of its lower edge above the room's floor; 0 for a door or a passage
 * @param hold   what it keeps its distance from while the wall grows or shrinks
 */
public record Opening(
        long id, long roomId, Kind kind, int edge, Length at, Length width, Length height, Length sill, Hold hold) {

    private static final int MOST_ALIKE = 50;

    /** An end of its wall, seen from inside, or its middle. */
    public enum Hold {
        LEFT,
        MIDDLE,
        RIGHT
    }

    /** Kept from the left. */
    public Opening(long id, long roomId, Kind kind, int edge, Length at, Length width, Length height, Length sill) {
        this(id, roomId, kind, edge, at, width, height, sill, Hold.LEFT);
    }

    /** In a wall of a rectangular room. */
    public Opening(long id, long roomId, Kind kind, Side side, Length at, Length width, Length height, Length sill) {
        this(id, roomId, kind, side.ordinal(), at, width, height, sill);
    }

    /** The usual sizes are where typing begins. Common practice, no source. */
    public enum Kind {
        DOOR(1000, 2100, 0),
        WINDOW(1200, 1300, 900),
        PASSAGE(1500, 2200, 0);

        private final Length usualWidth;
        private final Length usualHeight;
        private final Length usualSill;

        Kind(long width, long height, long sill) {
            usualWidth = Length.ofMillimetres(width);
            usualHeight = Length.ofMillimetres(height);
            usualSill = Length.ofMillimetres(sill);
        }

        Length usualWidth() {
            return usualWidth;
        }

        Length usualHeight() {
            return usualHeight;
        }

        Length usualSill() {
            return usualSill;
        }

        public String label() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** In the same wall of another room, or of the same room mirrored. */
    public Opening in(long newId, long room, Length newAt) {
        return new Opening(newId, room, kind, edge, newAt, width, height, sill, hold);
    }

    /** The same opening elsewhere in its wall. */
    public Opening at(Length newAt) {
        return in(id, roomId, newAt);
    }

    /** Where it is once its room has another outline: it keeps its distance from what it holds to. */
    public Opening following(Outline was, Outline is) {
        var before = was.edge(edge);
        var after = is.edge(edge);
        if (before.isEmpty() || after.isEmpty() || hold == Hold.LEFT) {
            return this;
        }
        var grown = after.get().length() - before.get().length();
        return at(at.plus(new Length(hold == Hold.RIGHT ? grown : grown / 2)));
    }

    /** The same in a mirrored wall. */
    public Opening mirrored(long newId, long room, Length newAt) {
        var other = hold == Hold.LEFT ? Hold.RIGHT : hold == Hold.RIGHT ? Hold.LEFT : hold;
        return new Opening(newId, room, kind, edge, newAt, width, height, sill, other);
    }

    /** The same opening this far from the right end of its wall. */
    public Opening fromRight(Outline.Edge wall, Length distance) {
        return at(new Length(wall.length()).minus(width).minus(distance));
    }

    /** The same opening in the middle of its wall. */
    public Opening centred(Outline.Edge wall) {
        return at(new Length((wall.length() - width.um()) / 2));
    }

    /** Openings of one wall with as much of it between them as beside the first and the last, to the nearest step. */
    public static List<Opening> spread(Outline.Edge wall, List<Opening> openings, Length step) {
        var free =
                wall.length() - openings.stream().mapToLong(o -> o.width().um()).sum();
        var spread = new ArrayList<Opening>();
        var taken = 0L;
        for (var o : openings.stream().sorted(Comparator.comparing(Opening::at)).toList()) {
            var gaps = free * (spread.size() + 1) / (openings.size() + 1);
            spread.add(o.at(new Length(gaps + taken).roundTo(step)));
            taken += o.width().um();
        }
        return spread;
    }

    /** Whether it is of the same kind, size and sill in the same wall. */
    public boolean isAlike(Opening other) {
        return roomId == other.roomId
                && edge == other.edge
                && kind == other.kind
                && width.equals(other.width)
                && height.equals(other.height)
                && sill.equals(other.sill);
    }

    /** How many of these are alike, itself included where it is among them. */
    public int countAlike(Collection<Opening> openings) {
        return Math.toIntExact(openings.stream().filter(this::isAlike).count());
    }

    /**
     * So many alike in its wall, and all openings of that wall spread evenly.
     *
     * @param onWall all openings of the wall, this one among them
     * @param count  1 to 50, this one included
     * @param ids    for those that are new
     */
    public List<Opening> times(Outline.Edge wall, List<Opening> onWall, int count, LongSupplier ids, Length step) {
        if (count < 1 || count > MOST_ALIKE) {
            throw new Refused("count", "1 to " + MOST_ALIKE + " openings alike stand in a wall.");
        }
        var others = onWall.stream().filter(o -> !isAlike(o));
        var kept = Stream.concat(Stream.of(this), onWall.stream().filter(o -> isAlike(o) && o.id != id))
                .limit(count)
                .toList();
        var fresh = IntStream.range(kept.size(), count)
                .mapToObj(i -> new Opening(ids.getAsLong(), roomId, kind, edge, at, width, height, sill, hold));
        return spread(
                wall,
                Stream.of(others, kept.stream(), fresh)
                        .flatMap(Function.identity())
                        .toList(),
                step);
    }

    public Length end() {
        return at.plus(width);
    }

    public Length head() {
        return sill.plus(height);
    }
}
