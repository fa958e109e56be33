package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What closes the wall where stretches of it meet: at a corner, where one wall ends on another, where two cross.
 *
 * @param room whose shell it is built with: of those that touch it the one with the least id
 * @param edge the number of that room's edge that begins here; −1 where none does
 * @param look the pattern that it is under: of a room that it is seen from, or of sides that look outside
 * @param whole whether it is one piece, whatever joints the kit has
 * @param legs what it takes of the walls that meet in it, where it is a corner piece
 */
public record Post(long room, int edge, Box box, long look, boolean whole, Optional<Legs> legs) {

    /**
     * @param turn    of a piece whose legs go along X and Y
     * @param length  how far they reach from the post, µm
     * @param lying   the one along X
     * @param upright the one along Y
     */
    public record Legs(Turn turn, long length, Box lying, Box upright) {}

    /** What it takes. */
    public List<Box> boxes() {
        return Stream.concat(Stream.of(box), legs.stream().flatMap(l -> Stream.of(l.lying(), l.upright())))
                .toList();
    }

    /** What of it lies between two heights, µm above the site's zero. */
    public Post between(long foot, long top) {
        return new Post(
                room,
                edge,
                between(box, foot, top),
                look,
                whole,
                legs.map(l -> new Legs(
                        l.turn(), l.length(), between(l.lying(), foot, top), between(l.upright(), foot, top))));
    }

    private static Box between(Box b, long foot, long top) {
        return new Box(
                new Vec(b.min().x(), b.min().y(), foot),
                new Vec(b.max().x(), b.max().y(), top));
    }
}
