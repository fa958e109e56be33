package hausbau.core.hand;

import hausbau.core.arrange.Snapping;
import hausbau.core.measure.Box;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Lets pieces drop straight down, the lowest first, onto what is under them or onto one another. */
public final class Plumbing {

    private Plumbing() {}

    /** Where each comes to stand. */
    public static Map<Standing, Stance> of(StandingSet set, List<Standing> dropped) {
        var step = set.decisions().massing().settings().step();
        var places = new HashSet<Place>();
        dropped.forEach(d -> places.add(d.place()));
        var landed = new LinkedHashMap<Standing, Stance>();
        for (var one : dropped.stream()
                .sorted(Comparator.comparingLong((Standing s) -> s.box().min().z())
                        .thenComparing(s -> s.place().toString()))
                .toList()) {
            var reach = Snapping.reach(one.stance(), one.kind(), step);
            var around = new ArrayList<>(set.near(reach).stream()
                    .filter(s -> !places.contains(s.place()))
                    .toList());
            landed.forEach((before, stance) -> {
                Box box = stance.box(before.kind());
                if (box.touches(reach)) {
                    around.add(new Standing(
                            before.place(), before.kind(), stance, before.free(), before.departed(), before.lost()));
                }
            });
            var floor = set.decisions()
                    .massing()
                    .whereabouts()
                    .floorUnder(one.stance().at());
            landed.put(one, new Snapping(step, floor, around).plumb(one.kind(), one.stance()));
        }
        return landed;
    }
}
