package hausbau.core.build;

import hausbau.core.kit.Kind;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.measure.Vec;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What stands somewhere, once more across an upright plane; it follows its original.
 *
 * @param hands   the ids of its originals that hands set down
 * @param uses    those that are uses of assemblies
 * @param repeats those that are repeats
 * @param plane where it was told
 * @param room  the room whose middle the plane keeps to; 0 for none
 */
public record Twin(long id, String name, List<Long> hands, List<Long> uses, List<Long> repeats, Plane plane, long room) {

    /** Of what hands set down alone. */
    public Twin(long id, String name, List<Long> hands, Plane plane, long room) {
        this(id, name, hands, List.of(), List.of(), plane, room);
    }


    /**
     * @param eastWest whether east and west are exchanged, and not north and south
     * @param at       X of the plane, else Y, µm
     */
    public record Plane(boolean eastWest, long at) {

        /** The same piece on its other side. */
        Stance mirrored(Kind kind, Stance stance) {
            var box = kind.box();
            if (eastWest) {
                return Arrangement.mirrored(stance, box, 2 * at);
            }
            // North for south is east for west, turned by half.
            return new Arrangement(new Vec(0, 2 * at, 0), 2, false).about(Arrangement.mirrored(stance, box, 0), Vec.ZERO);
        }
    }

    public Twin {
        hands = List.copyOf(hands);
        uses = List.copyOf(uses);
        repeats = List.copyOf(repeats);
    }

    /** What a twin follows, by ids. */
    public record Originals(Set<Long> hands, Set<Long> uses, Set<Long> repeats) {

        private boolean isFollowedBy(Twin twin) {
            return twin.hands.stream().anyMatch(hands::contains) || twin.uses.stream().anyMatch(uses::contains) || twin.repeats.stream().anyMatch(repeats::contains);
        }
    }

    /** The same twin, following others in place of some; itself where it follows none of these. */
    public Twin following(Originals gone, Originals instead) {
        return gone.isFollowedBy(this) ? new Twin(id, name, replaced(hands, gone.hands, instead.hands), replaced(uses, gone.uses, instead.uses), replaced(repeats, gone.repeats, instead.repeats), plane, room) : this;
    }

    private static List<Long> replaced(List<Long> all, Set<Long> gone, Set<Long> instead) {
        return Stream.concat(all.stream().filter(i -> !gone.contains(i)), instead.stream().sorted()).distinct().toList();
    }

    /** The plane as its room lies now; as it was told where that is gone. */
    public Plane plane(Massing massing) {
        return massing.room(room).map(r -> middle(r, plane.eastWest())).orElse(plane);
    }

    /** The upright plane through the middle of a room. */
    public static Plane middle(Room room, boolean eastWest) {
        var e = room.outline().extent();
        return new Plane(eastWest, eastWest ? Math.floorDiv(e.x0() + e.x1(), 2) : Math.floorDiv(e.y0() + e.y1(), 2));
    }
}
