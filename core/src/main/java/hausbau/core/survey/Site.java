package hausbau.core.survey;

import hausbau.core.build.StandingSet;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Kit;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.Whereabouts;
import hausbau.core.measure.Box;
import hausbau.core.measure.BoxIndex;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What is surveyed: a standing set with the codes of its pieces, and its rooms by where they are. */
final class Site {

    private final StandingSet set;
    private final Kit kit;
    private final Massing massing;
    /** The rooms with their walls, as high as anything. */
    private final BoxIndex rooms;

    Site(StandingSet set, Kit kit) {
        this.set = set;
        this.kit = kit;
        this.massing = set.decisions().massing();
        this.rooms = new BoxIndex(massing.rooms().stream().map(room -> {
            var outer = room.outer(massing.settings().wall());
            return new Box(outer.min().withZ(-Length.LIMIT_UM), outer.max().withZ(Length.LIMIT_UM));
        }).toList());
    }

    StandingSet set() {
        return set;
    }

    Massing massing() {
        return massing;
    }

    Unit unit() {
        return massing.settings().unit();
    }

    String format(long um) {
        return unit().format(new Length(um));
    }

    String code(Kind kind) {
        return kit.code(kind);
    }

    /** The rooms, with their walls, that a point lies over, in or under. */
    private List<Room> roomsAt(Vec point) {
        var found = new ArrayList<Room>();
        rooms.touching(new Box(point, point), i -> found.add(massing.rooms().get(i)));
        return found;
    }

    /** What {@link Whereabouts#roomAt} tells, found without asking every room. */
    Optional<Room> roomAt(Vec point) {
        return new Whereabouts(massing.settings(), roomsAt(point)).roomAt(point);
    }

    /** What {@link Whereabouts#floorUnder} tells. */
    long floorUnder(Vec point) {
        return new Whereabouts(massing.settings(), roomsAt(point)).floorUnder(point);
    }

    static Vec foot(Box box) {
        return new Vec((box.min().x() + box.max().x()) / 2, (box.min().y() + box.max().y()) / 2, box.min().z());
    }

    String roomName(Box box) {
        return roomAt(foot(box)).map(Room::name).orElse("");
    }
}
