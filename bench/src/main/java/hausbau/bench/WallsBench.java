package hausbau.bench;

import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.SiteSettings;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.locationtech.jts.operation.union.UnaryUnionOp;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * A building of rooms of 4 to 12 edges, a wall apart, on four levels: its walls, posts and runs from the outlines, against
 * union, buffer and difference of the same outlines by JTS; and one edge dragged in it.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 5, time = 2)
public class WallsBench {

    private static final int LEVELS = 4;
    private static final GeometryFactory PLANE = new GeometryFactory();

    @Param({"10", "200"})
    public int pieces;

    private List<Room> rooms;
    private Massing massing;
    private List<List<Geometry>> outlines;
    private long next;

    @Setup
    public void build() {
        var random = new Random(1);
        rooms = new ArrayList<>();
        var onLevel = (pieces + LEVELS - 1) / LEVELS;
        var wide = (int) Math.ceil(Math.sqrt(onLevel));
        for (var i = 0; i < pieces; i++) {
            var at = i / LEVELS;
            var corner = Vec.ofMillimetres(6200L * (at % wide), 5200L * (at / wide), 3200L * (i % LEVELS));
            var room = new Room(
                    i + 1,
                    "Room " + i,
                    corner,
                    Length.ofMillimetres(6000),
                    Length.ofMillimetres(5000),
                    Length.ofMillimetres(3000));
            for (var cuts = random.nextInt(3); cuts > 0; cuts--) {
                // Corners cut off, so that an outline has two edges more each time.
                var x = corner.x() + (cuts == 1 ? 4_000_000 : 0);
                var y = corner.y() + (random.nextBoolean() ? 3_500_000 : 0);
                room = room.over(room.outline()
                        .without(new Rect(x, y, x + 1_000_000 + 1_000_000 * (cuts == 1 ? 1 : 0), y + 1_500_000)));
            }
            rooms.add(room);
        }
        massing = new Massing(SiteSettings.USUAL, rooms, List.of());
        massing.runs();
        outlines = new ArrayList<>();
        for (var level = 0; level < LEVELS; level++) {
            var of = new ArrayList<Geometry>();
            for (var i = level; i < pieces; i += LEVELS) {
                of.add(polygon(rooms.get(i)));
            }
            outlines.add(of);
        }
    }

    private static Polygon polygon(Room room) {
        var rings = room.outline().loops().stream()
                .map(loop -> {
                    var ring = new Coordinate[loop.size() + 1];
                    for (var i = 0; i <= loop.size(); i++) {
                        ring[i] = new Coordinate(
                                loop.get(i % loop.size()).x(),
                                loop.get(i % loop.size()).y());
                    }
                    return PLANE.createLinearRing(ring);
                })
                .toList();
        return PLANE.createPolygon(rings.get(0), rings.subList(1, rings.size()).toArray(LinearRing[]::new));
    }

    /** Walls, posts and runs of all rooms. */
    @Benchmark
    public List<WallRun> walls() {
        var fresh = new Massing(SiteSettings.USUAL, rooms, List.of());
        fresh.posts();
        return fresh.runs();
    }

    /** The reference: of each level the union of its outlines, grown by the wall, less the union. */
    @Benchmark
    public List<Geometry> unionAndDifferenceByJts() {
        var square = new BufferParameters(1, BufferParameters.CAP_FLAT, BufferParameters.JOIN_MITRE, 5);
        return outlines.stream()
                .map(of -> {
                    var union = UnaryUnionOp.union(of);
                    return new BufferOp(union, square)
                            .getResultGeometry(SiteSettings.USUAL.wall().um())
                            .difference(union);
                })
                .toList();
    }

    /** One wall of one room, out and in by a step. */
    @Benchmark
    public List<WallRun> dragged() {
        var some = rooms.get((int) (next / 2 % rooms.size()));
        var edge = some.outline().edges().get(0).number();
        var changed = new ArrayList<>(rooms);
        changed.set(rooms.indexOf(some), some.over(some.outline().moved(edge, next++ % 2 == 0 ? -100_000 : -200_000)));
        return massing.next(massing.settings(), massing.building().withRooms(changed))
                .runs();
    }
}
