package hausbau.core.massing;

import hausbau.core.kit.Recipe;
import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** The panels of a run: openings of either room that fit into it. */
final class Panels {

    /** Least wall beside and above a clear opening: room for the frame and a leg of wall. Common practice, no source. */
    static final Length JAMB = Recipe.OpeningPanel.FRAME.plus(Length.ofMillimetres(60));

    static final Length LEAST_OPENING = Length.ofMillimetres(100);

    private Panels() {}

    /** Where an opening goes through a wall: along the axis of its edge, in the site. */
    record Interval(Opening opening, Room room, Outline.Edge edge, long from, long to) {

        /** Empty where the room has no such edge any more. */
        static Optional<Interval> of(Opening opening, Room room) {
            return room.outline().edge(opening.edge()).map(edge -> {
                var rising = edge.side() == Side.NORTH || edge.side() == Side.WEST;
                var from = rising
                        ? edge.from() + opening.at().um()
                        : edge.to() - opening.end().um();
                return new Interval(
                        opening, room, edge, from, from + opening.width().um());
            });
        }

        /** How far from a run's start the clear opening begins. */
        Length along(WallRun run) {
            var start =
                    run.side().runsEastWest() ? run.start().x() : run.start().y();
            return new Length(run.isRising() ? from - start : start - to);
        }
    }

    /** Of two that clash the older one stays. */
    static List<WallRun.Panel> of(
            SiteSettings settings,
            Length step,
            WallRun run,
            Predicate<Interval> goesThrough,
            List<Room> rooms,
            List<Opening> openings) {
        var panels = new ArrayList<WallRun.Panel>();
        openings.stream().sorted(Comparator.comparingLong(Opening::id)).forEach(opening -> rooms.stream()
                .filter(r -> r.id() == opening.roomId())
                .findFirst()
                .flatMap(room -> Interval.of(opening, room))
                .filter(i -> i.edge().side().runsEastWest() == run.side().runsEastWest() && goesThrough.test(i))
                .ifPresent(interval -> {
                    var panel = panel(step, run, interval);
                    if (fault(settings.unit(), run, interval).isEmpty()
                            && panels.stream().noneMatch(p -> clash(p, panel))) {
                        panels.add(panel);
                    }
                }));
        panels.sort(Comparator.comparing(WallRun.Panel::at));
        return List.copyOf(panels);
    }

    private static boolean clash(WallRun.Panel a, WallRun.Panel b) {
        return a.at().compareTo(b.end()) < 0 && b.at().compareTo(a.end()) < 0;
    }

    static WallRun.Panel panel(Length step, WallRun run, Interval interval) {
        var along = interval.along(run);
        var from = Length.max(run.laps().start(), along.minus(JAMB).floorTo(step));
        var to = Length.min(
                run.length().minus(run.laps().end()),
                along.plus(interval.opening().width()).plus(JAMB).ceilTo(step));
        var sill = new Length(interval.room().floor() - run.start().z())
                .plus(interval.opening().sill());
        return new WallRun.Panel(interval.opening(), along, sill, from, to.minus(from));
    }

    /** Why an opening does not fit into a run, and what would; empty where it does. */
    static Optional<Fault> fault(Unit unit, WallRun run, Interval interval) {
        var opening = interval.opening();
        var what = opening.kind().label();
        var clear = run.length().minus(run.laps().start()).minus(run.laps().end());
        var widest = clear.minus(JAMB.times(2));
        if (opening.width().compareTo(LEAST_OPENING) < 0 || opening.height().compareTo(LEAST_OPENING) < 0) {
            return fault(
                    opening.width().compareTo(LEAST_OPENING) < 0 ? "widthMm" : "heightMm",
                    "A " + what + " must be at least " + unit.format(LEAST_OPENING) + " wide and high.");
        }
        if (opening.width().compareTo(widest) > 0) {
            return fault(
                    "widthMm",
                    "The " + run.side().label() + " wall is " + unit.format(clear) + " long, so a " + what
                            + (widest.compareTo(LEAST_OPENING) < 0
                                    ? " does not fit into it."
                                    : " in it can be at most " + unit.format(widest) + " wide."));
        }
        var along = interval.along(run).minus(run.laps().start());
        var last = clear.minus(JAMB).minus(opening.width());
        if (along.compareTo(JAMB) < 0 || along.compareTo(last) > 0) {
            var shift = opening.at().minus(along);
            return fault(
                    "atMm",
                    "A " + what + " " + unit.format(opening.width()) + " wide needs " + unit.format(JAMB)
                            + " of wall on both sides: it can begin from " + unit.format(JAMB.plus(shift)) + " to "
                            + unit.format(last.plus(shift)) + ".");
        }
        if (opening.kind() != Opening.Kind.WINDOW && opening.sill().um() != 0) {
            return fault("sillMm", "A " + what + " has no sill: it begins at the floor.");
        }
        if (opening.kind() == Opening.Kind.WINDOW && opening.sill().compareTo(JAMB) < 0) {
            return fault("sillMm", "A window's sill must be at least " + unit.format(JAMB) + " high.");
        }
        var head = new Length(interval.room().floor() - run.start().z()).plus(opening.head());
        var highest = run.height().minus(JAMB);
        if (head.compareTo(highest) > 0) {
            return fault(
                    "heightMm",
                    "The head would be at " + unit.format(head) + "; under the ceiling at " + unit.format(run.height())
                            + " it can be at most at " + unit.format(highest) + ", so the " + what + " at most "
                            + unit.format(opening.height().minus(head.minus(highest))) + " high.");
        }
        return Optional.empty();
    }

    private static Optional<Fault> fault(String field, String message) {
        return Optional.of(new Fault(field, message));
    }
}
