package hausbau.core.survey;

import hausbau.core.build.PlacedPiece;
import hausbau.core.build.Placement.Origin;
import hausbau.core.kit.Role;
import hausbau.core.massing.Room;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** How each placement stands by itself: off the grid, on nothing, outside every room, or pinned to a place now gone. */
final class Standing {

    private final SurveyedSet set;
    private final List<Finding> found = new ArrayList<>();

    private Standing(SurveyedSet set) {
        this.set = set;
    }

    static List<Finding> in(SurveyedSet set) {
        var standing = new Standing(set);
        for (var i = 0; i < set.placed().size(); i++) {
            var placed = set.placed().get(i);
            var box = set.boxes().get(i);
            standing.checkGrid(placed, box);
            standing.checkSupport(placed, box);
            standing.checkRoom(placed, box);
            standing.checkStray(placed, box);
        }
        return standing.found;
    }

    private void add(Finding.Kind kind, PlacedPiece placed, Box box, String title, String reason, Optional<Finding.Fix> fix) {
        found.add(new Finding(kind.label().replace(' ', '-') + "-" + placed.id(), kind, title, reason + " " + kind.why(),
                List.of(placed.id()), box, fix));
    }

    private String format(long um) {
        return set.massing().settings().unit().format(new Length(um));
    }

    /** A hand-set placement should have its pivot or an edge on the step, both ways, unless snapping was off. */
    private void checkGrid(PlacedPiece placed, Box box) {
        var placement = placed.placement();
        if (placement.origin() == Origin.MASSING && !placement.pinned() || placement.free()) {
            return;
        }
        var at = placement.stance().at();
        var x = offGrid(at.x(), box.min().x(), box.max().x());
        var y = offGrid(at.y(), box.min().y(), box.max().y());
        if (x != 0 || y != 0) {
            add(Finding.Kind.OFF_GRID, placed, box, placed.piece().code() + " is off the grid",
                    "Its pivot is " + format(Math.abs(x)) + " (X) and " + format(Math.abs(y)) + " (Y) from the nearest step.",
                    Optional.of(new Finding.Fix.Move("Move it to the step", placed.id(), new Vec(x, y, 0))));
        }
    }

    /** 0 if any of the three is on the step, else how far the first is from the nearest one. */
    private long offGrid(long pivot, long low, long high) {
        var step = set.massing().settings().step().um();
        if (pivot % step == 0 || low % step == 0 || high % step == 0) {
            return 0;
        }
        return new Length(pivot).roundTo(set.massing().settings().step()).um() - pivot;
    }

    /** Something stands if its base is on the floor's level, or on the top of a solid under it. Ceilings hang. */
    private void checkSupport(PlacedPiece placed, Box box) {
        var floor = floorUnder(box);
        if (placed.piece().role() == Role.CEILING || placed.piece().role() == Role.FLOOR || box.min().z() <= floor) {
            return;
        }
        var feet = placed.solids().stream().filter(s -> s.min().z() == box.min().z()).toList();
        var highest = new long[] {floor};
        var under = new Box(new Vec(box.min().x(), box.min().y(), floor), new Vec(box.max().x(), box.max().y(), box.min().z()));
        set.index().touching(under, i -> {
            var other = set.placed().get(i);
            if (other.id() != placed.id()) {
                for (var solid : other.solids()) {
                    if (solid.max().z() <= box.min().z() && feet.stream().anyMatch(solid::overlapsInPlan)) {
                        highest[0] = Math.max(highest[0], solid.max().z());
                    }
                }
            }
        });
        var drop = box.min().z() - highest[0];
        if (drop > 0) {
            add(Finding.Kind.FLOATING, placed, box, placed.piece().code() + " floats",
                    "Its base is " + format(drop) + " above what is under it.",
                    Optional.of(new Finding.Fix.Move("Let it drop " + format(drop), placed.id(), new Vec(0, 0, -drop))));
        }
    }

    private long floorUnder(Box box) {
        return roomAt(box).map(r -> r.corner().z()).orElse(0L);
    }

    private Optional<Room> roomAt(Box box) {
        var x = (box.min().x() + box.max().x()) / 2;
        var y = (box.min().y() + box.max().y()) / 2;
        return set.roomAt(new Vec(x, y, box.min().z()));
    }

    private void checkRoom(PlacedPiece placed, Box box) {
        if (roomAt(box).isEmpty()) {
            add(Finding.Kind.OUTSIDE, placed, box, placed.piece().code() + " stands outside every room",
                    "Its middle lies in no room and in no wall of one.", Optional.empty());
        }
    }

    private void checkStray(PlacedPiece placed, Box box) {
        if (set.strays().contains(placed.id())) {
            add(Finding.Kind.STRAY, placed, box, placed.piece().code() + " has lost its place",
                    "The rooms or the kit have changed around it.",
                    Optional.of(new Finding.Fix.Remove("Take it away", placed.id())));
        }
    }
}
