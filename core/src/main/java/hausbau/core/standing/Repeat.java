package hausbau.core.standing;

import hausbau.core.massing.Massing;
import hausbau.core.massing.Outline;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.place.Standing;
import hausbau.core.repeat.Course;
import hausbau.core.repeat.Field;
import hausbau.core.repeat.Rule;
import hausbau.core.repeat.Scatter;
import hausbau.core.repeat.Trail;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A living repeat: what is repeated, and the rule that says where.
 *
 * @param bodies what may stand at a spot; one or more
 * @param host   the room that it goes along with
 */
public record Repeat(long id, String name, List<Body> bodies, Rule rule, Optional<Host> host) {

    /**
     * What a repeat follows.
     *
     * @param room   or stairs, where it follows those
     * @param hold   the room as it moves; one of its walls from end to end; all of its ground; round its outline; or up stairs
     * @param edge   the wall, where it follows one
     * @param anchor the room's anchor when the rule was told, on its floor
     * @param off    how far inside the wall's face the course runs; how high above the treads a trail runs
     */
    public record Host(long room, Hold hold, int edge, Vec anchor, Length off) {}

    public enum Hold {
        ROOM,
        WALL,
        GROUND,
        OUTLINE,
        STAIR
    }

    public Repeat {
        bodies = List.copyOf(bodies);
    }

    /** What may stand at a spot, with the pieces that assemblies have now. */
    public List<Body> bodies(Assemblies all) {
        return bodies.stream().map(b -> b.resolved(all)).toList();
    }

    /** What a body takes about its spot, with the pieces that its assembly has now. */
    public static Box box(Body body, Assemblies all) {
        return body.resolved(all).box();
    }

    /** Whether an assembly is among what it repeats. */
    public boolean repeats(long assembly) {
        return bodies.stream().anyMatch(b -> b.assembly() == assembly);
    }

    public Repeat with(Rule other) {
        return new Repeat(id, name, bodies, other, host);
    }

    /** What a room's anchor is for those that follow it. */
    public static Vec anchor(Room room) {
        return room.anchor().withZ(room.floor());
    }

    /** The rule where its host is now; as it was told where that is gone. */
    public Rule rule(Massing massing) {
        if (host.isPresent() && host.get().hold() == Hold.STAIR && rule instanceof Trail trail) {
            var up = new Vec(0, 0, host.get().off().um());
            return massing.stairs().stream()
                    .filter(s -> s.id() == host.get().room())
                    .findFirst()
                    .<Rule>map(s ->
                            trail.along(s.line().stream().map(p -> p.plus(up)).toList(), false))
                    .orElse(rule);
        }
        return host.flatMap(h -> massing.room(h.room()).map(room -> follow(h, room)))
                .orElse(rule);
    }

    /** What it sets down among what stands in a set, as if no hand had changed anything. */
    public List<Standing> standing(StandingSet set) {
        var made = new Generator.Repeated(id, bodies(set.decisions().assemblies()), set.laid(this), List.of()).run();
        return made.chunks().stream()
                .flatMap(c -> IntStream.range(0, c.size()).mapToObj(c::standing))
                .toList();
    }

    private Rule follow(Host h, Room room) {
        var by = anchor(room).minus(h.anchor());
        if (h.hold() == Hold.WALL && rule instanceof Course course) {
            return room.outline()
                    .edge(h.edge())
                    .<Rule>map(e -> course.between(
                            end(e, true, h, course.from().z() + by.z()),
                            end(e, false, h, course.from().z() + by.z())))
                    .orElseGet(() -> rule.movedBy(by));
        }
        var moved = rule.movedBy(by);
        if (h.hold() == Hold.OUTLINE && moved instanceof Trail trail) {
            var z = trail.path().get(0).z();
            // Outlines run clockwise; to the right of a trail is outside.
            var path = new ArrayList<>(room.outline().loops().get(0).stream()
                    .map(c -> new Vec(c.x(), c.y(), z))
                    .toList());
            Collections.reverse(path);
            return trail.along(path, true);
        }
        if (h.hold() == Hold.GROUND) {
            var ground = room.region();
            return moved instanceof Field field
                    ? field.over(ground)
                    : moved instanceof Scatter scatter ? scatter.over(ground) : moved;
        }
        return moved;
    }

    private static Vec end(Outline.Edge e, boolean left, Host h, long z) {
        var off = h.off().um();
        var inX = e.side() == Side.EAST ? -off : e.side() == Side.WEST ? off : 0;
        var inY = e.side() == Side.NORTH ? -off : e.side() == Side.SOUTH ? off : 0;
        return new Vec((left ? e.x0() : e.x1()) + inX, (left ? e.y0() : e.y1()) + inY, z);
    }
}
