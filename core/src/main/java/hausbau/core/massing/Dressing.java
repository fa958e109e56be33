package hausbau.core.massing;

import hausbau.core.kit.Sides;
import java.util.List;

/**
 * What a wall sees on each of its sides, by which it is dressed.
 *
 * @param look     of the room whose face it is
 * @param settings whether its back is dressed too
 * @param before   what lies before it, by height
 * @param behind   what lies behind it; where there is nothing, it looks outside
 */
public record Dressing(long look, SiteSettings.Facing settings, List<Seen> before, List<Seen> behind) {

    /** A room beside a wall. @param look the pattern that it is under @param foot µm above the site's zero */
    public record Seen(long look, long foot, long top) {

        private long shares(long from, long to) {
            return Math.min(top, to) - Math.max(foot, from);
        }
    }

    /** A wall that is dressed on its room's side alone. */
    public static Dressing of(long look) {
        return new Dressing(look, SiteSettings.Facing.ROOMS, List.of(), List.of());
    }

    public Dressing {
        before = List.copyOf(before);
        behind = List.copyOf(behind);
    }

    /** Of what of it lies between two heights, µm above the site's zero: on each side the room that has most of it. */
    public Sides between(long foot, long top) {
        return settings.bothSides() ? new Sides(most(before, foot, top), most(behind, foot, top)) : Sides.of(look);
    }

    private long most(List<Seen> rooms, long foot, long top) {
        var most = settings.outside();
        var shared = 0L;
        for (var room : rooms) {
            var shares = room.shares(foot, top);
            if (shares > shared) {
                most = room.look();
                shared = shares;
            }
        }
        return most;
    }
}
