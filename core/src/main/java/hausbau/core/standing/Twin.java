package hausbau.core.standing;

import hausbau.core.arrange.Arrangement;
import hausbau.core.kit.Kind;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;
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
public record Twin(
        long id, String name, List<Long> hands, List<Long> uses, List<Long> repeats, Plane plane, long room) {

    public Twin(long id, String name, Originals originals, Plane plane, long room) {
        this(
                id,
                name,
                List.copyOf(originals.hands),
                List.copyOf(originals.uses),
                List.copyOf(originals.repeats),
                plane,
                room);
    }

    /** Of what hands set down alone. */
    public Twin(long id, String name, List<Long> hands, Plane plane, long room) {
        this(id, name, hands, List.of(), List.of(), plane, room);
    }

    /**
     * @param eastWest whether east and west are exchanged, and not north and south
     * @param at       X of the plane, else Y, µm
     */
    public record Plane(boolean eastWest, long at) {

        /** Through the first of two points, to the nearest half step, along the axis that leads nearer to the second. */
        public static Plane through(Vec a, Vec b, Length step) {
            var eastWest = Math.abs(b.y() - a.y()) >= Math.abs(b.x() - a.x());
            // Doubled, so that half steps are whole.
            return new Plane(
                    eastWest,
                    new Length(2 * (eastWest ? a.x() : a.y())).roundTo(step).um() / 2);
        }

        /** The same piece on its other side. */
        Stance mirrored(Kind kind, Stance stance) {
            var box = kind.box();
            if (eastWest) {
                return Arrangement.mirrored(stance, box, 2 * at);
            }
            // North for south is east for west, turned by half.
            return new Arrangement(new Vec(0, 2 * at, 0), 2, false)
                    .about(Arrangement.mirrored(stance, box, 0), Vec.ZERO);
        }
    }

    public Twin {
        hands = List.copyOf(hands);
        uses = List.copyOf(uses);
        repeats = List.copyOf(repeats);
    }

    /** What a twin follows, by ids. */
    public record Originals(Set<Long> hands, Set<Long> uses, Set<Long> repeats) {

        /** All that these places are of, as far as a twin can follow it. */
        public static Originals of(Collection<? extends Place> places) {
            return new Originals(
                    ids(places, p -> p instanceof Place.ByHand h ? h.id() : 0),
                    ids(places, p -> p instanceof Place.InUse u ? u.use() : 0),
                    ids(places, p -> p instanceof Place.InRepeat r ? r.repeat() : 0));
        }

        public static Originals ofUse(long id) {
            return new Originals(Set.of(), Set.of(id), Set.of());
        }

        public static Originals ofRepeat(long id) {
            return new Originals(Set.of(), Set.of(), Set.of(id));
        }

        private static Set<Long> ids(Collection<? extends Place> places, ToLongFunction<Place> id) {
            return places.stream()
                    .mapToLong(id::applyAsLong)
                    .filter(i -> i != 0)
                    .boxed()
                    .collect(Collectors.toCollection(TreeSet::new));
        }

        private boolean isFollowedBy(Twin twin) {
            return twin.hands.stream().anyMatch(hands::contains)
                    || twin.uses.stream().anyMatch(uses::contains)
                    || twin.repeats.stream().anyMatch(repeats::contains);
        }
    }

    /** The same twin, following others in place of some; itself where it follows none of these. */
    public Twin following(Originals gone, Originals instead) {
        return gone.isFollowedBy(this)
                ? new Twin(
                        id,
                        name,
                        replaced(hands, gone.hands, instead.hands),
                        replaced(uses, gone.uses, instead.uses),
                        replaced(repeats, gone.repeats, instead.repeats),
                        plane,
                        room)
                : this;
    }

    private static List<Long> replaced(List<Long> all, Set<Long> gone, Set<Long> instead) {
        return Stream.concat(
                        all.stream().filter(i -> !gone.contains(i)),
                        instead.stream().sorted())
                .distinct()
                .toList();
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
