package hausbau.core.survey;

import hausbau.core.massing.Dressing;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Post;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Box;
import hausbau.core.measure.BoxIndex;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** What a survey asks of the rooms alone; shared by all surveys of one massing. */
final class Ground {

    /**
     * What must be closed: a run's strip of wall, or a post, looked at as a run as long as it is wide.
     *
     * @param box all of it
     */
    record Strip(WallRun run, Optional<Post> post, Box box) {

        static Strip of(WallRun run) {
            return new Strip(run, Optional.empty(), run.box());
        }

        static Strip of(Post post, String room) {
            var box = post.box();
            return new Strip(
                    new WallRun(
                            post.room(),
                            post.edge(),
                            WallRun.Tier.WALL,
                            room,
                            Side.NORTH,
                            box.min(),
                            new Length(box.size().x()),
                            new Length(box.size().y()),
                            new Length(box.size().z()),
                            WallRun.Laps.NONE,
                            List.of(),
                            Dressing.of(post.look()),
                            post.whole()),
                    Optional.of(post),
                    box);
        }
    }

    private final Massing massing;
    /** The rooms with their walls, as high as anything. */
    private final BoxIndex rooms;
    /** Of each room the others whose void its walls or slabs reach into; usually none. */
    private final Map<Long, List<Room>> reachedInto = new HashMap<>();

    private final List<Strip> strips = new ArrayList<>();
    private final BoxIndex stripBoxes;

    Ground(Massing massing) {
        this.massing = massing;
        var wall = massing.settings().wall();
        rooms = new BoxIndex(massing.rooms().stream()
                .map(room -> {
                    var outer = room.outer(wall);
                    return new Box(
                            outer.min().withZ(-Length.LIMIT_UM), outer.max().withZ(Length.LIMIT_UM));
                })
                .toList());
        for (var room : massing.rooms()) {
            var outer = room.outer(wall);
            var body = new Box(
                    outer.min().withZ(outer.min().z() - wall.um()),
                    outer.max().withZ(outer.max().z() + wall.um()));
            var others = roomsTouching(body).stream()
                    .filter(o -> o != room && o.clear().overlaps(body))
                    .toList();
            if (!others.isEmpty()) {
                reachedInto.put(room.id(), others);
            }
        }
        massing.runs().forEach(run -> strips.add(Strip.of(run)));
        massing.posts()
                .forEach(post -> strips.add(
                        Strip.of(post, massing.room(post.room()).map(Room::name).orElse(""))));
        stripBoxes = new BoxIndex(strips.stream().map(Strip::box).toList());
    }

    Massing massing() {
        return massing;
    }

    private List<Room> roomsTouching(Box box) {
        var found = new ArrayList<Room>();
        rooms.touching(box, i -> found.add(massing.rooms().get(i)));
        return found;
    }

    /** The rooms, with their walls, that a point lies over, in or under. */
    List<Room> roomsAt(Vec point) {
        return roomsTouching(new Box(point, point));
    }

    boolean isAnyReachedInto() {
        return !reachedInto.isEmpty();
    }

    /** The other rooms whose void the walls or slabs of this one reach into. */
    List<Room> reachedInto(long room) {
        return reachedInto.getOrDefault(room, List.of());
    }

    List<Strip> strips() {
        return strips;
    }

    void stripsTouching(Box box, Consumer<Strip> found) {
        stripBoxes.touching(box, i -> found.accept(strips.get(i)));
    }
}
