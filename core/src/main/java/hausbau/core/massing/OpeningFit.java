package hausbau.core.massing;

import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** How the openings of a massing fit into its walls. */
public final class OpeningFit {

    private final Massing massing;
    private final SiteSettings settings;

    OpeningFit(Massing massing) {
        this.massing = massing;
        this.settings = massing.settings();
    }

    /** An opening that no wall takes as it is, and why. */
    public record Misfit(Opening opening, Fault fault) {}

    /** Openings that are not built: their wall has moved away, has become too short, or is taken. */
    public List<Misfit> misfits() {
        var built = massing.runs().stream()
                .flatMap(r -> r.panels().stream())
                .map(p -> p.opening().id())
                .collect(Collectors.toSet());
        return massing.openings().stream()
                .filter(o -> !built.contains(o.id()))
                .map(o -> new Misfit(o, fault(o)))
                .toList();
    }

    private Fault fault(Opening opening) {
        var what = opening.kind().label();
        var interval = massing.room(opening.roomId()).flatMap(room -> Panels.Interval.of(opening, room));
        if (interval.isEmpty()) {
            return new Fault("edge", "The wall of this " + what + " is gone.");
        }
        var i = interval.get();
        var run = around(i).stream().max(Comparator.comparingLong(r -> overlap(r, i)));
        if (run.isEmpty()) {
            return new Fault("edge", "No wall is left where this " + what + " was: the rooms on both sides are one.");
        }
        return Panels.fault(settings.unit(), run.get(), i).orElseGet(() -> clash(run.get(), i));
    }

    private Fault clash(WallRun run, Panels.Interval interval) {
        var unit = settings.unit();
        var panel = Panels.panel(settings.step(), run, interval);
        var shift = interval.opening().at().minus(panel.from());
        var other = run.panels().stream()
                .filter(p -> p.at().compareTo(panel.end()) < 0 && panel.at().compareTo(p.end()) < 0)
                .findFirst();
        return new Fault(
                "atMm",
                "The " + interval.opening().kind().label() + " at "
                        + unit.format(interval.opening().at())
                        + other.map(o -> " runs into the "
                                        + o.opening().kind().label() + " beside it, whose panel goes from "
                                        + unit.format(o.at().plus(shift)) + " to "
                                        + unit.format(o.end().plus(shift))
                                        + ". It could begin at "
                                        + unit.format(o.end().plus(Panels.JAMB).plus(shift)) + ".")
                                .orElse(" does not fit."));
    }

    private static long overlap(WallRun run, Panels.Interval i) {
        var along = i.along(run).um();
        return Math.min(run.length().um(), along + i.opening().width().um()) - Math.max(0, along);
    }

    /** The runs of the wall that an opening is in, from its own side or else from behind. */
    private List<WallRun> around(Panels.Interval i) {
        var own = massing.walls(i.room(), settings.step()).runs().stream()
                .filter(r -> r.edge() == i.edge().number())
                .toList();
        if (!own.isEmpty()) {
            return own;
        }
        return massing.around(i.room()).stream()
                .flatMap(r -> massing.walls(r, settings.step()).runs().stream())
                .filter(r -> r.side() == i.edge().side().opposite()
                        && Math.abs(back(r) - i.edge().line()) == 0)
                .toList();
    }

    private static long back(WallRun run) {
        var box = run.box();
        return switch (run.side()) {
            case NORTH -> box.max().y();
            case SOUTH -> box.min().y();
            case EAST -> box.max().x();
            case WEST -> box.min().x();
        };
    }

    /** @throws Refused if this opening is one that no wall takes */
    public void refuseMisfit(long opening) {
        misfits().stream().filter(m -> m.opening().id() == opening).findFirst().ifPresent(m -> {
            throw new Refused(List.of(m.fault()));
        });
    }

    /**
     * A door or window of usual size in the first wall with room for it, to be corrected by typing: in the wall's middle,
     * or beside what stands in it.
     *
     * @throws Refused if no wall of the room has room for it
     */
    public Opening usual(long id, Room room, Opening.Kind kind) {
        var edges = new ArrayList<>(room.outline().edges());
        if (kind != Opening.Kind.WINDOW) {
            // A door leads somewhere: into another room, where there is one behind a wall without a door yet.
            edges.sort(Comparator.comparing(e -> !massing.leadsOn(room, e)
                    || facing(room, e).stream().anyMatch(r -> !r.panels().isEmpty())));
        }
        for (var edge : edges) {
            for (var at : places(room, edge, kind)) {
                var opening = new Opening(
                        id,
                        room.id(),
                        kind,
                        edge.number(),
                        at,
                        kind.usualWidth(),
                        kind.usualHeight(),
                        kind.usualSill());
                var all = new ArrayList<>(massing.openings());
                all.add(opening);
                if (massing.next(settings, massing.building().withOpenings(all)).fit().misfits().stream()
                        .noneMatch(m -> m.opening().id() == id)) {
                    return opening;
                }
            }
        }
        throw new Refused(
                "roomId",
                "No wall of “" + room.name() + "” has room for a usual " + kind.label() + ", "
                        + settings.unit().format(kind.usualWidth()) + " wide and up to "
                        + settings.unit().format(kind.usualSill().plus(kind.usualHeight()))
                        + " high, beside what stands in it.");
    }

    /** The runs of the wall behind an edge, of this room or of the one that builds it from behind. */
    private List<WallRun> facing(Room room, Outline.Edge edge) {
        var own = massing.walls(room, settings.step()).runs().stream()
                .filter(r -> r.edge() == edge.number() && r.tier() == WallRun.Tier.WALL);
        var behind = massing.around(room).stream()
                .filter(room::sharesHeightWith)
                .flatMap(r -> massing.walls(r, settings.step()).runs().stream())
                .filter(r ->
                        r.side() == edge.side().opposite() && r.tier() == WallRun.Tier.WALL && back(r) == edge.line());
        return Stream.concat(own, behind).toList();
    }

    /** Seen from the edge's left end: the middle of each of its runs, and beside each panel. */
    private List<Length> places(Room room, Outline.Edge edge, Opening.Kind kind) {
        var places = new ArrayList<Length>();
        var rising = edge.side() == Side.NORTH || edge.side() == Side.WEST;
        for (var run : facing(room, edge)) {
            var box = run.box();
            var from = Math.max(
                    edge.from(),
                    edge.side().runsEastWest() ? box.min().x() : box.min().y());
            var to = Math.min(
                    edge.to(),
                    edge.side().runsEastWest() ? box.max().x() : box.max().y());
            if (from < to) {
                var shift = new Length(rising ? from - edge.from() : edge.to() - to);
                places.add(new Length((to - from - kind.usualWidth().um()) / 2)
                        .roundTo(settings.step())
                        .plus(shift));
                for (var panel : run.panels()) {
                    places.add(panel.end()
                            .plus(Panels.JAMB)
                            .ceilTo(settings.step())
                            .plus(shift));
                    places.add(panel.at()
                            .minus(Panels.JAMB)
                            .minus(kind.usualWidth())
                            .floorTo(settings.step())
                            .plus(shift));
                }
            }
        }
        return places;
    }
}
