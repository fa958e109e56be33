package hausbau.core.survey;

import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import hausbau.core.place.Block;
import hausbau.core.place.Place;
import hausbau.core.place.Standing;
import hausbau.core.standing.Chunk;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Pairs of pieces whose solids share volume. Cost for a set: O(n log n) and the pairs whose boxes touch. */
final class Overlaps {

    private static final int MOST = 12;

    private final Site site;

    Overlaps(Site site) {
        this.site = site;
    }

    /** Another piece whose box overlaps, by its place in words. */
    private record Near(String place, Standing standing) {}

    /**
     * Adds those overlaps of a piece that are kept under its place: a pair is kept under the lesser of its two, and of more
     * than {@link #MOST} the first by their places, since a heap of thousands has millions of pairs.
     */
    void check(Chunk chunk, int row, Box box, List<Finding> found) {
        var near = new ArrayList<Near>(0);
        var place = new String[1];
        site.set().touching(box, (other, otherRow) -> {
            if ((other != chunk || otherRow != row) && box.overlaps(other.box(otherRow))) {
                place[0] = place[0] == null ? chunk.place(row).toString() : place[0];
                var theirs = other.place(otherRow).toString();
                if (place[0].compareTo(theirs) < 0) {
                    near.add(new Near(theirs, other.standing(otherRow)));
                }
            }
        });
        if (near.isEmpty()) {
            return;
        }
        near.sort(Comparator.comparing(Near::place));
        var own = chunk.standing(row);
        var before = found.size();
        for (var other : near) {
            compare(own, other.standing(), found);
            if (found.size() - before >= MOST) {
                return;
            }
        }
    }

    /** Parts of the same stairs are made to meet, and what runs along a wall goes behind what stands against it. */
    private static boolean mayMeet(Standing a, Standing b) {
        return isMoulding(a) != isMoulding(b)
                || a.place() instanceof Place.OfStairs s
                        && b.place() instanceof Place.OfStairs t
                        && s.stair() == t.stair();
    }

    private static boolean isMoulding(Standing s) {
        return s.place() instanceof Place.OfMoulding;
    }

    private void compare(Standing a, Standing b, List<Finding> found) {
        if (mayMeet(a, b)) {
            return;
        }
        var exact = a.stance().isExact() && b.stance().isExact();
        var meeting = exact ? meetExactly(a, b) : meetFreely(a, b);
        if (meeting == null) {
            return;
        }
        var shared = meeting.shared();
        var same = a.kind().equals(b.kind()) && a.stance().equals(b.stance());
        var codes = List.of(site.code(a.kind()), site.code(b.kind())).stream()
                .sorted()
                .toList();
        var title =
                same ? codes.get(0) + " stands twice in one place" : codes.get(0) + " and " + codes.get(1) + " overlap";
        var reason = (same
                        ? "Both stand exactly alike."
                        : "They share " + site.format(meeting.deep()) + " where they meet"
                                + (exact ? "." : ", by their freely turned outlines."))
                + " " + Finding.Check.OVERLAP.why();
        found.add(new Finding(
                "overlap:" + a.place() + ":" + b.place(),
                Finding.about(a.kind(), a.stance(), b.kind(), b.stance()),
                Finding.Check.OVERLAP,
                title,
                reason,
                new Finding.Card(Finding.Check.OVERLAP, title, site.roomName(shared)),
                List.of(a.place(), b.place()),
                shared,
                fix(a, b, same)));
    }

    /** @param deep how far two solids reach into one another where that is least, µm */
    private record Meeting(Box shared, long deep) {}

    /** The first pair of solids that share volume decides. */
    private static @Nullable Meeting meetExactly(Standing a, Standing b) {
        var others = b.solids();
        for (var mine : a.solids()) {
            for (var theirs : others) {
                if (mine.overlaps(theirs)) {
                    var shared = mine.intersection(theirs);
                    var size = shared.size();
                    return new Meeting(shared, Math.min(size.x(), Math.min(size.y(), size.z())));
                }
            }
        }
        return null;
    }

    private static @Nullable Meeting meetFreely(Standing a, Standing b) {
        var ownA = a.kind().solids();
        var ownB = b.kind().solids();
        var solidsA = a.solids();
        var solidsB = b.solids();
        for (var i = 0; i < solidsA.size(); i++) {
            for (var j = 0; j < solidsB.size(); j++) {
                if (solidsA.get(i).overlaps(solidsB.get(j))) {
                    var deep = Block.shared(
                            a.stance().block(ownA.get(i).box(), a.kind()),
                            b.stance().block(ownB.get(j).box(), b.kind()));
                    if (deep > 0) {
                        return new Meeting(solidsA.get(i).intersection(solidsB.get(j)), Math.round(deep));
                    }
                }
            }
        }
        return null;
    }

    /** Of two alike the second goes; what a hand set down is moved clear, and a copy is left out of its repeat. */
    private Optional<Finding.Fix> fix(Standing a, Standing b, boolean same) {
        var movable = b.isByHand() ? b : a;
        var other = movable == b ? a : b;
        if (!movable.isByHand()) {
            return Stream.of(b, a)
                    .filter(s -> s.place() instanceof Place.InRepeat)
                    .findFirst()
                    .map(s -> new Finding.Fix.Remove("Leave " + site.code(s.kind()) + " out of its repeat", s.place()));
        }
        if (same) {
            return Optional.of(new Finding.Fix.Remove("Take the second one away", movable.place()));
        }
        var by = wayOut(movable.box(), other.box());
        var label = "Move " + site.code(movable.kind()) + " clear of it";
        return Optional.of(
                Math.abs(by.x()) + Math.abs(by.y())
                                <= site.massing().settings().step().um()
                        ? new Finding.Fix.Move(label, movable.place(), by)
                        : new Finding.Fix.MoveClear(label, movable.place(), other.place()));
    }

    private static Vec wayOut(Box box, Box from) {
        long[] ways = {
            from.min().x() - box.max().x(),
            from.max().x() - box.min().x(),
            from.min().y() - box.max().y(),
            from.max().y() - box.min().y()
        };
        var best = 0;
        for (var i = 1; i < 4; i++) {
            if (Math.abs(ways[i]) < Math.abs(ways[best])) {
                best = i;
            }
        }
        return best < 2 ? new Vec(ways[best], 0, 0) : new Vec(0, ways[best], 0);
    }
}
