package hausbau.core.massing;

import hausbau.core.kit.Profile;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Swatch;
import java.util.Collections;
import java.util.List;

/**
 * What runs along the walls of rooms in pieces of one profile: a skirting, a cornice, a rail. Straight pieces of few lengths stand
 * between corner pieces, which reach as far along both walls.
 *
 * @param name    1 to 60 characters
 * @param instead what it stands in for
 * @param on      whether it is built
 * @param make    what its pieces are made of
 * @param line    where it lies
 * @param lengths of its straight pieces, falling, as they were last planned; empty where no two walls agree on any
 */
public record Moulding(long id, String name, Instead instead, boolean on, Make make, Line line, List<Length> lengths) {

    /**
     * A rule of the whole building stands in for none. Another one is what a single room has in the place of such a rule.
     *
     * @param moulding the id of a rule of the whole building; 0 for such a rule itself
     * @param room     the only room that it goes through; 0 for all
     */
    public record Instead(long moulding, long room) {

        public static final Instead NONE = new Instead(0, 0);
    }

    /**
     * @param profile its left edge lies on the wall; at most 1 m wide and 3 m high
     * @param leg     how far a corner piece reaches along each wall, from the corner; more than the profile is wide
     */
    public record Make(Profile profile, Swatch swatch, Length leg) {

        public Make {
            if (profile.width() > 1_000_000 || profile.height() > 3_000_000) {
                throw new Refused("profile", "What runs along a wall is at most 1 m wide and 3 m high.");
            }
            if (leg.um() <= profile.width() || leg.um() > 5_000_000) {
                throw new Refused(
                        "legMm",
                        "A corner piece reaches farther along the wall than the profile is wide, and at most 5 m.");
            }
        }
    }

    /**
     * @param above its lower edge over the floor, 0 to 100 m; only where it is held to neither floor nor ceiling
     */
    public record Line(At at, Length above) {

        public static final Line FLOOR = new Line(At.FLOOR, Length.ZERO);
        public static final Line CEILING = new Line(At.CEILING, Length.ZERO);

        public Line {
            if (above.um() < 0 || above.um() > 100_000_000) {
                throw new Refused("aboveMm", "A height above the floor is 0 to 100 m.");
            }
            above = at == At.HEIGHT ? above : Length.ZERO;
        }
    }

    /** What the height of a moulding is told from. */
    public enum At {
        FLOOR,
        CEILING,
        HEIGHT
    }

    private static final Length USUAL_LEG = Length.ofMillimetres(200);

    public Moulding {
        if (name.isBlank() || name.length() > 60) {
            throw new Refused("name", "A name has 1 to 60 characters.");
        }
        lengths = lengths.stream().distinct().sorted(Collections.reverseOrder()).toList();
    }

    /**
     * One to begin from: a skirting at the floor, a cornice at the ceiling, anything else a metre above the floor; of the size that is
     * usual for its profile.
     *
     * @param kind any but a drawn one
     */
    public static Moulding usual(long id, String name, Profile.Kind kind, Length step) {
        var profile = Profile.library().stream()
                .filter(p -> p.kind() == kind)
                .findFirst()
                .orElseThrow(() -> new Refused("profile", "Draw the profile of a moulding that there is."));
        var line =
                switch (kind) {
                    case SKIRTING, KERB -> Line.FLOOR;
                    case CORNICE -> Line.CEILING;
                    default -> new Line(At.HEIGHT, Length.ofMillimetres(1000));
                };
        var leg = Length.max(USUAL_LEG, new Length(profile.width() + 1)).ceilTo(step);
        var swatch = kind == Profile.Kind.CORNICE ? Swatch.PLASTER : Swatch.TIMBER;
        return new Moulding(id, name, Instead.NONE, true, new Make(profile, swatch, leg), line, List.of());
    }

    /** What one room has in its place, to begin with alike. */
    public Moulding in(long newId, long room) {
        return new Moulding(newId, name, new Instead(rule(), room), on, make, line, lengths);
    }

    /** Whether it goes through all rooms that have nothing else in its place. */
    public boolean isForAll() {
        return instead.room() == 0;
    }

    /** The id of the rule of the whole building that it is, or stands in for. */
    public long rule() {
        return isForAll() ? id : instead.moulding();
    }

    /** Its lower edge in a room, µm above the site's zero. */
    public long foot(Room room) {
        return switch (line.at()) {
            case FLOOR -> room.floor();
            case CEILING -> room.ceiling() - make.profile().height();
            case HEIGHT -> room.floor() + line.above().um();
        };
    }

    /** The same with straight pieces of these lengths. */
    public Moulding of(List<Length> others) {
        return new Moulding(id, name, instead, on, make, line, others);
    }

    /** The same built, or not. */
    public Moulding switched(boolean isOn) {
        return new Moulding(id, name, instead, isOn, make, line, lengths);
    }

    /** What of some rules runs through a room: of each rule of the whole building itself, or what the room has in its place. */
    static List<Moulding> in(Room room, List<Moulding> all) {
        return all.stream()
                .filter(Moulding::isForAll)
                .map(rule -> all.stream()
                        .filter(m -> m.instead.equals(new Instead(rule.id, room.id())))
                        .findFirst()
                        .orElse(rule))
                .filter(Moulding::on)
                .toList();
    }
}
