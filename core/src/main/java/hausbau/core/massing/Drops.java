package hausbau.core.massing;

import hausbau.core.measure.Box;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Where one could fall farther than the site allows: the edges of floors that end at lower ones or at the well of stairs,
 * of landings, and the open sides of flights. Along each a guard stands on the side one would fall from.
 */
final class Drops {

    private static final long DEPTH = Guard.DEPTH.um();

    private final Massing massing;
    private final long drop;

    Drops(Massing massing) {
        this.massing = massing;
        this.drop = massing.settings().guardDrop().um();
    }

    /** Round a room's floor. */
    List<Guard> of(Room room) {
        var z = room.floor();
        var wall = massing.settings().wall().um();
        var low = Region.union(massing.around(room).stream()
                .filter(r -> r.floor() < z - drop && r.ceiling() >= z)
                .map(Room::region)
                .toList());
        var across = acrossOpenings(room, low);
        var free = massing.floor(room);
        for (var stair : massing.stairs()) {
            if (stair.foot().z() < z - drop) {
                low = low.plus(stair.well(z - wall, z, massing.settings().step()));
            }
        }
        if (low.isEmpty()) {
            return List.of();
        }
        for (var stair : massing.stairs()) {
            if (stair.top() == z) {
                free = free.minus(Region.of(stair.arrival(DEPTH, DEPTH)));
            }
            if (stair.foot().z() == z) {
                free = free.minus(stair.ground());
            }
        }
        return Stream.concat(along(free, low.minus(free), z).stream(), across.stream())
                .toList();
    }

    /** In the openings of a room's walls that have no sill and lead to low ground. */
    private List<Guard> acrossOpenings(Room room, Region low) {
        if (low.isEmpty()) {
            return List.of();
        }
        var guards = new ArrayList<Guard>();
        var near = room.region().grown(DEPTH).minus(room.region());
        Stream.concat(Stream.of(room), massing.around(room).stream())
                .flatMap(r -> massing.walls(r, massing.settings().step()).runs().stream())
                .forEach(run -> run.panels().stream()
                        .filter(p -> p.opening().kind() != Opening.Kind.WINDOW)
                        .map(run::gap)
                        .filter(gap -> gap.min().z() == room.floor())
                        .forEach(gap -> {
                            var ground = new Rect(
                                    gap.min().x(),
                                    gap.min().y(),
                                    gap.max().x(),
                                    gap.max().y());
                            var strip = Region.of(ground).shared(near);
                            var stairsCome = massing.stairs().stream()
                                    .anyMatch(s -> s.top() == room.floor()
                                            && Region.of(s.arrival(DEPTH)).overlaps(Region.of(ground.grown(1))));
                            if (!strip.isEmpty() && !stairsCome && low.overlaps(Region.of(ground.grown(1)))) {
                                guards.add(level(
                                        strip.extent(),
                                        room.floor(),
                                        run.side().runsEastWest() ? Turn.NONE : new Turn(1)));
                            }
                        }));
        return guards;
    }

    /** On the landings and flights of stairs. */
    List<Guard> of(Stair stair) {
        var guards = new ArrayList<Guard>();
        for (var part : stair.parts()) {
            var top = part.box().max().z();
            if (top + stair.rise().um() / stair.risers() - stair.foot().z() <= drop) {
                continue;
            }
            if (part.kind() == Stair.Part.Kind.LANDING) {
                var low = voids(stair.ground(), r -> r.floor() < top - drop && r.ceiling() > top)
                        .minus(voids(stair.ground(), r -> r.floor() >= top - drop && r.floor() <= top))
                        // The guards on both flights close what is between them.
                        .minus(
                                stair.shape() == Stair.Shape.HALF_TURN
                                        ? Region.of(stair.ground().extent())
                                        : stair.ground());
                guards.addAll(along(Region.of(part.ground()), low, top));
            } else {
                sides(guards, stair, part);
            }
        }
        return List.copyOf(guards);
    }

    private void sides(List<Guard> guards, Stair stair, Stair.Part part) {
        var across = part.across();
        var beside = voids(
                        stair.ground(),
                        r -> r.floor() < part.box().max().z()
                                && r.ceiling() > part.box().min().z())
                .minus(stair.ground());
        var foot = part.box().min().z()
                + part.foot().um()
                + (part.treads() > 0 ? stair.rise().um() / stair.risers() : 0);
        for (var left : new boolean[] {false, true}) {
            var outside = left
                    ? part.ground(0, across, part.length(), across + DEPTH)
                    : part.ground(0, -DEPTH, part.length(), 0);
            if (beside.overlaps(Region.of(outside))) {
                var on = left
                        ? part.ground(0, across - DEPTH, part.length(), across)
                        : part.ground(0, 0, part.length(), DEPTH);
                var rise = part.treads() > 0
                        ? stair.rise().um() * part.treads() / stair.risers()
                        : stair.rise().um();
                guards.add(new Guard(box(on, foot, foot + rise + Guard.HEIGHT.um()), part.up(), part.treads(), true));
            }
        }
    }

    /** The ground of rooms near some other ground. */
    private Region voids(Region near, Predicate<Room> which) {
        var window = near.extent().grown(2 * DEPTH);
        return Region.union(massing.rooms().stream()
                .filter(which)
                .filter(r -> r.outline().extent().overlaps(window))
                .map(Room::region)
                .toList());
    }

    /** Stretches along where ground ends at lower ground, and posts where they meet. */
    private static List<Guard> along(Region free, Region low, long z) {
        var edge = low.grown(1).minus(low).shared(free);
        var strip = edge.isEmpty() ? edge : edge.grown(DEPTH - 1).shared(free).minus(low);
        var lying = strip.columns().stream()
                .filter(r -> r.depth() == DEPTH && r.width() > DEPTH)
                .toList();
        var upright = strip.rows().stream()
                .filter(r -> r.width() == DEPTH && r.depth() > DEPTH)
                .toList();
        var guards = new ArrayList<Guard>();
        lying.forEach(r -> guards.add(level(r, z, Turn.NONE)));
        upright.forEach(r -> guards.add(level(r, z, new Turn(1))));
        strip.minus(Region.of(lying))
                .minus(Region.of(upright))
                .rects()
                .forEach(r -> guards.add(level(r, z, Turn.NONE)));
        return List.copyOf(guards);
    }

    private static Guard level(Rect r, long z, Turn along) {
        return new Guard(box(r, z, z + Guard.HEIGHT.um()), along, 0, false);
    }

    private static Box box(Rect r, long low, long high) {
        return new Box(new Vec(r.x0(), r.y0(), low), new Vec(r.x1(), r.y1(), high));
    }
}
