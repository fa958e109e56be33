package hausbau.core.survey;

import hausbau.core.kit.Held;
import hausbau.core.kit.Role;
import hausbau.core.massing.Room;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.place.Standing;
import hausbau.core.standing.Chunk;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** How one piece stands: in another, off the grid, on nothing, outside every room, in the middle of another one. */
final class PieceChecks {

    private final Site site;
    private final Overlaps overlaps;

    PieceChecks(Site site) {
        this.site = site;
        this.overlaps = new Overlaps(site);
    }

    /** What is further from what should hold it is held by nothing. Our own choice. */
    static final long HELD_REACH = 100_000;

    List<Finding> check(Chunk chunk, int row) {
        var found = new ArrayList<Finding>(0);
        var box = chunk.box(row);
        overlaps.check(chunk, row, box, found);
        if (site.ground().isAnyReachedInto()) {
            checkIntrusion(chunk, row, box, found);
        }
        var standing = chunk.standing(row);
        // What stands as derived stands on its own floor, on the step, in its room.
        if (standing.isAnswerable()) {
            checkGrid(standing, box, found);
            checkRoom(standing, box, found);
            checkLost(standing, box, found);
            checkSupport(standing, box, found);
        }
        return found;
    }

    private void add(
            List<Finding> found,
            Finding.Check check,
            Standing s,
            Box box,
            String heading,
            String reason,
            Optional<Finding.Fix> fix) {
        found.add(new Finding(
                check.label().replace(' ', '-') + ":" + s.place(),
                Finding.about(check, s.kind(), s.stance(), box),
                check,
                heading,
                reason + " " + check.why(),
                new Finding.Card(check, heading, site.roomName(box)),
                List.of(s.place()),
                box,
                fix));
    }

    /** It should have its pivot or an edge on the step, both ways, unless snapping was off. */
    private void checkGrid(Standing s, Box box, List<Finding> found) {
        if (s.free()) {
            return;
        }
        var at = s.stance().at();
        var x = offGrid(at.x(), box.min().x(), box.max().x());
        var y = offGrid(at.y(), box.min().y(), box.max().y());
        if (x != 0 || y != 0) {
            add(
                    found,
                    Finding.Check.OFF_GRID,
                    s,
                    box,
                    site.code(s.kind()) + " is off the grid",
                    "Its pivot is " + site.format(Math.abs(x)) + " (X) and " + site.format(Math.abs(y))
                            + " (Y) from the nearest step.",
                    Optional.of(new Finding.Fix.Move("Move it to the step", s.place(), new Vec(x, y, 0))));
        }
    }

    /** 0 if any of the three is on the step, else how far the first is from the nearest one. */
    private long offGrid(long pivot, long low, long high) {
        var step = site.massing().settings().step();
        if (pivot % step.um() == 0 || low % step.um() == 0 || high % step.um() == 0) {
            return 0;
        }
        return new Length(pivot).roundTo(step).um() - pivot;
    }

    /** Something stands if its base is on the floor's level, or on the top of a solid under it. Ceilings hang. */
    private void checkSupport(Standing s, Box box, List<Finding> found) {
        var held = site.set().decisions().traits().held(s.kind());
        if (held != Held.STANDS) {
            checkHold(held, s, box, found);
            return;
        }
        var floor = site.floorUnder(Site.foot(box));
        var role = s.kind().role();
        if (role == Role.CEILING || role == Role.FLOOR || box.min().z() <= floor) {
            return;
        }
        var feet = s.solids().stream()
                .filter(solid -> solid.min().z() == box.min().z())
                .toList();
        var highest = new long[] {floor};
        var under = new Box(box.min().withZ(floor), box.max().withZ(box.min().z()));
        site.set().touching(under, (chunk, row) -> {
            if (chunk.place(row).equals(s.place())) {
                return;
            }
            for (var solid : chunk.standing(row).solids()) {
                if (solid.max().z() <= box.min().z() && feet.stream().anyMatch(solid::overlapsInPlan)) {
                    highest[0] = Math.max(highest[0], solid.max().z());
                }
            }
        });
        var drop = box.min().z() - highest[0];
        if (drop > 0) {
            add(
                    found,
                    Finding.Check.FLOATING,
                    s,
                    box,
                    site.code(s.kind()) + " floats",
                    "Its base is " + site.format(drop) + " above what is under it.",
                    Optional.of(
                            new Finding.Fix.Move("Let it drop " + site.format(drop), s.place(), new Vec(0, 0, -drop))));
        }
    }

    /** What is fixed needs a body close behind its back, what hangs one close above it. */
    private void checkHold(Held held, Standing s, Box box, List<Finding> found) {
        var behind = s.kind().box();
        var back = s.stance()
                .block(
                        new Box(
                                new Vec(
                                        behind.min().x(),
                                        behind.max().y(),
                                        behind.min().z()),
                                new Vec(
                                        behind.max().x(),
                                        behind.max().y() + HELD_REACH,
                                        behind.max().z())),
                        s.kind())
                .bounds();
        var where = held == Held.FIXED
                ? back
                : new Box(
                        box.min().withZ(box.max().z()),
                        box.max().withZ(box.max().z() + HELD_REACH));
        var isHeld = new boolean[1];
        site.set().touching(where, (chunk, row) -> {
            if (!isHeld[0] && !chunk.place(row).equals(s.place())) {
                isHeld[0] = chunk.standing(row).solids().stream().anyMatch(where::overlaps);
            }
        });
        if (!isHeld[0]) {
            add(
                    found,
                    Finding.Check.FLOATING,
                    s,
                    box,
                    site.code(s.kind()) + (held == Held.FIXED ? " is fixed to nothing" : " hangs from nothing"),
                    "There is nothing within " + site.format(HELD_REACH)
                            + (held == Held.FIXED ? " behind its back." : " above it."),
                    Optional.empty());
        }
    }

    private void checkRoom(Standing s, Box box, List<Finding> found) {
        if (site.roomAt(Site.foot(box)).isEmpty()) {
            add(
                    found,
                    Finding.Check.OUTSIDE,
                    s,
                    box,
                    site.code(s.kind()) + " stands outside every room",
                    "Its middle lies in no room and in no wall of one.",
                    Optional.empty());
        }
    }

    private void checkLost(Standing s, Box box, List<Finding> found) {
        if (s.lost()) {
            add(
                    found,
                    Finding.Check.LOST_PLACE,
                    s,
                    box,
                    site.code(s.kind()) + " has lost its place",
                    "The rooms or the kit have changed around it: let it go, or set it down by hand.",
                    Optional.of(new Finding.Fix.Remove("Let it go", s.place())));
        }
    }

    /** A wall, a floor or a ceiling of one room in the void of another. */
    private void checkIntrusion(Chunk chunk, int row, Box box, List<Finding> found) {
        var place = chunk.place(row);
        var room = place.room();
        for (var other : site.ground().reachedInto(room)) {
            if (other.overlaps(box)) {
                var own = site.massing().rooms().stream()
                        .filter(r -> r.id() == room)
                        .findFirst()
                        .map(Room::name)
                        .orElse("");
                var s = chunk.standing(row);
                var heading = "“" + own + "” reaches into “" + other.name() + "”";
                var deep = other.clear().intersection(box).size();
                found.add(new Finding(
                        "intrusion:" + place + ":" + other.id(),
                        Finding.about(s.kind(), s.stance(), other.clear()),
                        Finding.Check.INTRUSION,
                        site.code(s.kind()) + " of " + heading,
                        "It shares " + site.format(Math.min(deep.x(), Math.min(deep.y(), deep.z())))
                                + " with the void of “" + other.name()
                                + "”. Move one of the rooms apart by at least that. " + Finding.Check.INTRUSION.why(),
                        new Finding.Card(Finding.Check.INTRUSION, heading, other.name()),
                        List.of(place),
                        box,
                        Optional.empty()));
            }
        }
    }
}
