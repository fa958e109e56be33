package hausbau.core.massing;

import hausbau.core.measure.Length;
import hausbau.core.plane.Region;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/** How high the void is over the steps of stairs, up to {@link Stair#HEADROOM}. */
public final class Headroom {

    private final Massing massing;

    Headroom(Massing massing) {
        this.massing = massing;
    }

    /**
     * A step with less void above it than is needed.
     *
     * @param clear what there is
     */
    public record Tight(Stair.Tread tread, Length clear) {}

    /** Where the stairs are tightest; empty where there is headroom all the way. */
    public Optional<Tight> least(Stair stair) {
        var around = massing.rooms().stream()
                .filter(r -> r.outline().extent().overlaps(stair.ground().extent()))
                .toList();
        return stair.treads().stream()
                .map(t -> new Tight(t, clear(stair, t, around)))
                .filter(t -> t.clear().compareTo(Stair.HEADROOM) < 0)
                .min(Comparator.comparing(Tight::clear));
    }

    private Length clear(Stair stair, Stair.Tread tread, List<Room> around) {
        var top = tread.z() + Stair.HEADROOM.um();
        var ground = Region.of(tread.ground());
        var cuts = new TreeSet<>(List.of(tread.z(), top));
        around.forEach(r -> cuts.addAll(List.of(r.floor(), r.ceiling())));
        var heights = cuts.subSet(tread.z(), true, top, true).stream().toList();
        for (var i = 0; i + 1 < heights.size(); i++) {
            var low = heights.get(i);
            var high = heights.get(i + 1);
            var free = Region.union(around.stream()
                            .filter(r -> r.floor() <= low && (r.sky() || r.ceiling() >= high))
                            .map(Room::region)
                            .toList())
                    .plus(stair.well(low, high, massing.settings().step()));
            var solid = Region.of(massing.solids().stream()
                    .filter(s -> s.box().min().z() < high && s.box().max().z() > low)
                    .map(Solid::ground)
                    .toList());
            if (!free.minus(solid).contains(ground)) {
                return new Length(low - tread.z());
            }
        }
        return Stair.HEADROOM;
    }
}
