package hausbau.core.survey;

import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.OpeningFit;
import hausbau.core.massing.Outline;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.Stair;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** What is wrong with the rooms themselves, whatever is built from them. */
final class MassingChecks {

    private final Site site;
    private final Massing massing;
    private final long wall;

    private MassingChecks(Site site) {
        this.site = site;
        this.massing = site.massing();
        this.wall = massing.settings().wall().um();
    }

    static List<Finding> of(Site site) {
        var checks = new MassingChecks(site);
        var found = new ArrayList<Finding>();
        checks.otherStep().ifPresent(found::add);
        site.massing().runs().forEach(run -> run.panels()
                .forEach(panel -> checks.blindDoor(run, panel).ifPresent(found::add)));
        site.massing().fit().misfits().forEach(misfit -> found.add(checks.unbuilt(misfit)));
        site.massing().runs().forEach(run -> checks.oddWall(run).ifPresent(found::add));
        site.massing().stairs().forEach(stair -> checks.tight(stair).ifPresent(found::add));
        return found;
    }

    /** Stairs without headroom, or that run into the mass. */
    private Optional<Finding> tight(Stair stair) {
        return massing.headroom().least(stair).map(tight -> {
            var at = tight.tread();
            var heading = tight.clear().isPositive()
                    ? "Headroom of " + site.unit().format(tight.clear()) + " on the stairs"
                    : "The stairs run into the wall";
            var g = at.ground();
            return new Finding(
                    "headroom:" + stair.id(),
                    Finding.about(stair, tight),
                    Finding.Check.HEADROOM,
                    heading,
                    "At " + site.format(at.z() - stair.foot().z())
                            + " above their foot there is " + site.unit().format(tight.clear())
                            + " of free height, and it takes " + site.unit().format(Stair.HEADROOM)
                            + ". Move the stairs, or make the room higher or larger there. "
                            + Finding.Check.HEADROOM.why(),
                    new Finding.Card(Finding.Check.HEADROOM, heading, ""),
                    List.of(),
                    Box.of(g.x0(), g.y0(), at.z(), g.x1(), g.y1(), at.z() + Stair.HEADROOM.um()),
                    Optional.empty());
        });
    }

    private Optional<Finding> otherStep() {
        return site.set()
                .decisions()
                .kit()
                .filter(kit -> !kit.fits(massing) && !massing.rooms().isEmpty())
                .map(kit -> {
                    var heading = "The kit belongs to another step";
                    return new Finding(
                            "kit:step",
                            Finding.about(kit.step(), massing.settings().step()),
                            Finding.Check.KIT,
                            heading,
                            "It was worked out on a step of " + site.unit().format(kit.step())
                                    + ", and the set is built from it still; the site's step is "
                                    + site.unit().format(massing.settings().step()) + " now. Work out the kit again. "
                                    + Finding.Check.KIT.why(),
                            new Finding.Card(Finding.Check.KIT, heading, ""),
                            List.of(),
                            massing.rooms().stream()
                                    .map(Room::clear)
                                    .reduce(Box::union)
                                    .orElseThrow(),
                            Optional.empty());
                });
    }

    private Finding unbuilt(OpeningFit.Misfit misfit) {
        var opening = misfit.opening();
        var room = massing.room(opening.roomId());
        var heading =
                "A " + opening.kind().label() + " of “" + room.map(Room::name).orElse("") + "” is not built";
        return new Finding(
                "unbuilt:" + opening.id(),
                Finding.about(opening, room),
                Finding.Check.UNBUILT_OPENING,
                heading,
                misfit.fault().message() + " " + Finding.Check.UNBUILT_OPENING.why(),
                new Finding.Card(
                        Finding.Check.UNBUILT_OPENING,
                        heading,
                        room.map(Room::name).orElse("")),
                List.of(),
                room.map(r -> where(r, opening)).orElse(new Box(Vec.ZERO, Vec.ZERO)),
                Optional.empty());
    }

    private Box where(Room room, Opening opening) {
        return room.outline()
                .edge(opening.edge())
                .map(e -> Box.of(
                        Math.min(e.x0(), e.x1()),
                        Math.min(e.y0(), e.y1()),
                        room.floor(),
                        Math.max(e.x0(), e.x1()),
                        Math.max(e.y0(), e.y1()),
                        room.ceiling()))
                .orElse(room.clear());
    }

    /** A wall between two rooms that is neither as thick as the site's walls nor twice that, told once. */
    private Optional<Finding> oddWall(WallRun run) {
        var room = massing.room(run.room()).orElseThrow();
        var edge = room.outline().edge(run.edge()).orElseThrow();
        return massing.rooms().stream()
                .filter(o -> o.id() > room.id())
                .flatMap(o -> o.outline().edges().stream()
                        .filter(e -> isBehind(run, edge, e, o))
                        .map(e -> odd(run, edge, room, o, e)))
                .flatMap(Optional::stream)
                .findFirst();
    }

    private boolean isBehind(WallRun run, Outline.Edge edge, Outline.Edge other, Room o) {
        var box = run.box();
        var apart = edge.side() == Side.NORTH || edge.side() == Side.EAST
                ? other.line() - edge.line()
                : edge.line() - other.line();
        var low = edge.side().runsEastWest() ? box.min().x() : box.min().y();
        var high = edge.side().runsEastWest() ? box.max().x() : box.max().y();
        return run.tier() == WallRun.Tier.WALL
                && other.side() == edge.side().opposite()
                && apart > 0
                && apart <= edge.wall(wall) + other.wall(wall)
                && other.from() < high
                && other.to() > low
                && o.floor() < box.max().z()
                && o.ceiling() > box.min().z();
    }

    private Optional<Finding> odd(WallRun run, Outline.Edge edge, Room room, Room other, Outline.Edge theirs) {
        var thick = Math.abs(theirs.line() - edge.line());
        var single = edge.wall() == 0 && theirs.wall() == 0 ? wall : Math.max(edge.wall(), theirs.wall());
        var twice = edge.wall(wall) + theirs.wall(wall);
        if (thick == single || thick == twice) {
            return Optional.empty();
        }
        var wanted = thick < (single + twice) / 2 ? single : twice;
        var heading = "A wall of " + site.format(thick) + " between “" + room.name() + "” and “" + other.name() + "”";
        var by = thick - wanted;
        var fix = new Finding.Fix.MoveEdge(
                "Move the " + theirs.side().label() + " wall of “" + other.name() + "” by " + site.format(Math.abs(by)),
                other.id(),
                theirs.number(),
                by);
        return Optional.of(new Finding(
                "odd:" + room.id() + ":" + Finding.edge(run.edge()) + ":" + other.id() + ":"
                        + Finding.edge(theirs.number()),
                Finding.about(edge, theirs),
                Finding.Check.ODD_WALL,
                heading,
                (single == wall
                                ? "Walls are " + site.format(wall) + " on this site. "
                                : "Its rooms want it " + site.format(single) + " thick. ")
                        + Finding.Check.ODD_WALL.why(),
                new Finding.Card(Finding.Check.ODD_WALL, heading, room.name()),
                List.of(),
                run.box(),
                Optional.of(fix)));
    }

    /** A door behind which another room's wall stands closed. */
    private Optional<Finding> blindDoor(WallRun run, WallRun.Panel panel) {
        var opening = panel.opening();
        if (opening.kind() == Opening.Kind.WINDOW || opening.roomId() != run.room()) {
            return Optional.empty();
        }
        var beyond = run.box(
                panel.from().um(),
                run.depth().um(),
                panel.sill().um(),
                panel.to().um(),
                run.depth().um() + wall,
                panel.head().um());
        var ground = Region.of(new Rect(
                beyond.min().x(),
                beyond.min().y(),
                beyond.max().x(),
                beyond.max().y()));
        var room = massing.room(run.room()).orElseThrow();
        return massing.rooms().stream()
                .filter(o -> o.id() != room.id()
                        && o.floor() < beyond.max().z()
                        && beyond.min().z() < o.ceiling())
                .filter(o -> o.outer(new Length(wall)).overlapsInPlan(beyond))
                .filter(o -> isClosed(o, ground, beyond))
                .min(Comparator.comparingLong(Room::id))
                .map(other -> {
                    var heading = "A " + opening.kind().label() + " of “" + room.name() + "” opens onto the wall of “"
                            + other.name() + "”";
                    return new Finding(
                            "blind:" + opening.id() + ":" + other.id(),
                            Finding.about(opening, room.corner(), other.outline()),
                            Finding.Check.BLIND_DOOR,
                            heading,
                            "Behind the " + opening.kind().label() + " in the "
                                    + run.side().label() + " wall, “" + other.name()
                                    + "” has no opening as wide and as high. Give it one there, or move this one. "
                                    + Finding.Check.BLIND_DOOR.why(),
                            new Finding.Card(Finding.Check.BLIND_DOOR, heading, room.name()),
                            List.of(),
                            beyond,
                            Optional.empty());
                });
    }

    /** Whether some of the ground lies in the room's wall, and no opening of it leaves that free. */
    private boolean isClosed(Room room, Region ground, Box box) {
        var inWall = ground.shared(room.region().grown(wall)).minus(room.region());
        if (inWall.isEmpty()) {
            return false;
        }
        var free = massing.walls(room, massing.settings().step()).runs().stream()
                .flatMap(run -> run.panels().stream().map(run::gap))
                .filter(gap -> gap.min().z() <= box.min().z()
                        && gap.max().z() >= box.max().z())
                .map(gap -> Region.of(new Rect(
                        gap.min().x(), gap.min().y(), gap.max().x(), gap.max().y())))
                .toList();
        return !Region.union(free).contains(inWall);
    }
}
