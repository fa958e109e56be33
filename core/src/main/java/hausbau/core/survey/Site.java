package hausbau.core.survey;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Kit;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.Whereabouts;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import hausbau.core.standing.StandingSet;
import java.util.Optional;

/** What is surveyed: a standing set with the codes of its pieces, and its rooms. */
final class Site {

    private final StandingSet set;
    private final Kit kit;
    private final Ground ground;

    Site(StandingSet set, Kit kit) {
        this(set, kit, new Ground(set.decisions().massing()));
    }

    private Site(StandingSet set, Kit kit, Ground ground) {
        this.set = set;
        this.kit = kit;
        this.ground = ground;
    }

    /** The same rooms with other pieces in them. */
    Site next(StandingSet to, Kit newKit) {
        return new Site(to, newKit, ground);
    }

    Ground ground() {
        return ground;
    }

    StandingSet set() {
        return set;
    }

    Massing massing() {
        return ground.massing();
    }

    Unit unit() {
        return massing().settings().unit();
    }

    String format(long um) {
        return unit().format(new Length(um));
    }

    String code(Kind kind) {
        return kit.code(kind);
    }

    /** What {@link Whereabouts#roomAt} tells, found without asking every room. */
    Optional<Room> roomAt(Vec point) {
        return new Whereabouts(massing().settings(), ground.roomsAt(point)).roomAt(point);
    }

    /** What {@link Whereabouts#floorUnder} tells. */
    long floorUnder(Vec point) {
        return new Whereabouts(massing().settings(), ground.roomsAt(point)).floorUnder(point);
    }

    static Vec foot(Box box) {
        return new Vec(
                (box.min().x() + box.max().x()) / 2,
                (box.min().y() + box.max().y()) / 2,
                box.min().z());
    }

    String roomName(Box box) {
        return roomAt(foot(box)).map(Room::name).orElse("");
    }
}
