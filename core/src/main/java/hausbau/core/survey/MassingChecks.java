package hausbau.core.survey;

import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Box;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What is wrong with the rooms themselves, whatever is built from them: a kit of another step, doors onto walls. */
final class MassingChecks {

    private MassingChecks() {
    }

    static List<Finding> of(Site site) {
        var found = new ArrayList<Finding>();
        var massing = site.massing();
        site.set().decisions().kit().filter(kit -> !kit.fits(massing)).ifPresent(kit -> {
            var heading = "The kit belongs to another step";
            found.add(new Finding("kit:step", Finding.about(kit.step(), massing.settings().step()), Finding.Check.KIT, heading,
                    "It was worked out on a step of " + site.unit().format(kit.step()) + ", and the set is built from it still; the site's step is "
                    + site.unit().format(massing.settings().step()) + " now. Work out the kit again. " + Finding.Check.KIT.why(),
                    new Finding.Card(Finding.Check.KIT, heading, ""), List.of(), extent(massing), Optional.empty()));
        });
        massing.runs().forEach(run -> run.panels().forEach(panel -> blindDoor(site, run, panel.opening()).ifPresent(found::add)));
        return found;
    }

    private static Box extent(Massing massing) {
        return massing.rooms().stream().map(Room::clear).reduce(Box::union).orElseThrow();
    }

    /** A door behind which another room's wall stands closed. */
    private static Optional<Finding> blindDoor(Site site, WallRun run, Opening opening) {
        if (opening.kind() != Opening.Kind.DOOR) {
            return Optional.empty();
        }
        var wall = site.massing().settings().wall().um();
        var beyond = run.box(opening.at().um(), wall, 0, opening.end().um(), 2 * wall, opening.head().um());
        return site.massing().rooms().stream().filter(o -> o.id() != run.room().id() && o.outer(site.massing().settings().wall()).overlaps(beyond))
                .filter(o -> !opensThere(site, o, beyond)).findFirst().map(other -> {
                    var heading = "A door of “" + run.room().name() + "” opens onto the wall of “" + other.name() + "”";
                    return new Finding("blind:" + opening.id() + ":" + other.id(), Finding.about(opening, run.room().corner(), other.corner(), other.width(), other.depth()),
                            Finding.Check.BLIND_DOOR, heading, "Behind the door in the " + run.side().label() + " wall, “" + other.name()
                            + "” has no opening as wide and as high. Give it one there, or move the door. " + Finding.Check.BLIND_DOOR.why(),
                            new Finding.Card(Finding.Check.BLIND_DOOR, heading, run.room().name()), List.of(), beyond, Optional.empty());
                });
    }

    /** Whether an opening of the room leaves all of the box that lies in its walls free. */
    private static boolean opensThere(Site site, Room room, Box box) {
        var wall = site.massing().settings().wall().um();
        var inWalls = room.outer(site.massing().settings().wall()).intersection(box);
        if (room.clear().contains(inWalls)) {
            return true;
        }
        var openings = site.massing().openings().stream().filter(o -> o.roomId() == room.id()).toList();
        return Massing.runs(room, openings, site.massing().settings().step()).stream().flatMap(run -> run.panels().stream().map(panel -> {
            var o = panel.opening();
            return run.box(o.at().um(), 0, o.sill().um(), o.end().um(), wall, o.head().um());
        })).anyMatch(gap -> covers(gap, inWalls, room));
    }

    /** Whether what of the box is not in the room's void lies in the gap. */
    private static boolean covers(Box gap, Box box, Room room) {
        if (!gap.overlaps(box)) {
            return false;
        }
        var shared = gap.intersection(box);
        var outside = volume(box) - (room.clear().overlaps(box) ? volume(room.clear().intersection(box)) : 0);
        return volume(shared) >= outside;
    }

    private static double volume(Box box) {
        var s = box.size();
        return (double) s.x() * s.y() * s.z();
    }
}
