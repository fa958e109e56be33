package hausbau.core.massing;

import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Loop;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongUnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The right-angled outline of a room, in µm: one loop around it and one around each court in it, the room at the right hand
 * of each. Every edge has a number that stays with it while the outline is changed elsewhere, so that what hangs on the
 * edge (openings, places, runs) stays with it too.
 */
public final class Outline {

    private static final int MOST_EDGES = 200;

    /**
     * Where an edge begins; it runs to the next corner of its loop.
     *
     * @param edge the edge's lasting number, 0 or more
     * @param wall how thick the wall behind the edge is to be, µm; 0 for as thick as the site's
     */
    public record Corner(int edge, long x, long y, long wall) {

        public Corner(int edge, long x, long y) {
            this(edge, x, y, 0);
        }

        private Corner at(long newX, long newY) {
            return new Corner(edge, newX, newY, wall);
        }
    }

    /**
     * One straight stretch of the outline, from its left end to its right end seen from inside.
     *
     * @param side which way the wall lies
     * @param wall see {@link Corner}
     */
    public record Edge(int number, Side side, long x0, long y0, long x1, long y1, long wall) {

        /** How thick the wall behind it is to be. */
        public long wall(long usual) {
            return wall == 0 ? usual : wall;
        }

        /** The line that it lies on: Y of a north or south edge, X of the others. */
        public long line() {
            return side.runsEastWest() ? y0 : x0;
        }

        /** Its lesser end along its axis. */
        public long from() {
            return side.runsEastWest() ? Math.min(x0, x1) : Math.min(y0, y1);
        }

        /** Its greater end along its axis. */
        public long to() {
            return side.runsEastWest() ? Math.max(x0, x1) : Math.max(y0, y1);
        }

        public long length() {
            return to() - from();
        }

        long shared(Edge other) {
            return Math.min(to(), other.to()) - Math.max(from(), other.from());
        }
    }

    private final List<List<Corner>> loops;
    private final List<Edge> edges;
    private final Region region;
    private final long thickestWall;

    /** @throws Refused if it is no right-angled outline of one piece of ground */
    public Outline(List<List<Corner>> loops) {
        this.loops = loops.stream().map(List::copyOf).toList();
        this.edges = this.loops.stream().flatMap(Outline::edges).toList();
        this.region = Region.inside(this.loops.stream()
                .map(l -> new Loop(
                        l.stream().map(c -> new Loop.Corner(c.x(), c.y())).toList()))
                .toList());
        this.thickestWall = edges.stream().mapToLong(Edge::wall).max().orElse(0);
        check();
    }

    /** Its edges are numbered as {@link Side}s. */
    public static Outline rectangle(Rect r) {
        return new Outline(List.of(List.of(
                new Corner(Side.NORTH.ordinal(), r.x0(), r.y1()),
                new Corner(Side.EAST.ordinal(), r.x1(), r.y1()),
                new Corner(Side.SOUTH.ordinal(), r.x1(), r.y0()),
                new Corner(Side.WEST.ordinal(), r.x0(), r.y0()))));
    }

    /** @throws Refused if it is not one piece of ground */
    public static Outline of(Region region) {
        if (region.isEmpty()) {
            throw refused("There is no ground in it.");
        }
        return region.rects().size() == 1
                ? rectangle(region.extent())
                : rectangle(region.extent()).reshaped(region);
    }

    private static Stream<Edge> edges(List<Corner> loop) {
        var edges = new ArrayList<Edge>();
        for (var i = 0; i < loop.size(); i++) {
            var a = loop.get(i);
            var b = loop.get((i + 1) % loop.size());
            if ((a.x() == b.x()) == (a.y() == b.y())) {
                throw refused("An outline turns by right angles: from every corner it goes on along one axis.");
            }
            var side = a.y() == b.y() ? b.x() > a.x() ? Side.NORTH : Side.SOUTH : b.y() > a.y() ? Side.WEST : Side.EAST;
            edges.add(new Edge(a.edge(), side, a.x(), a.y(), b.x(), b.y(), a.wall()));
        }
        return edges.stream();
    }

    private void check() {
        if (edges.size() > MOST_EDGES) {
            throw refused("An outline may have at most " + MOST_EDGES + " edges.");
        }
        if (edges.stream().map(Edge::number).distinct().count() < edges.size()) {
            throw refused("Two edges of an outline have one number.");
        }
        for (var loop : loops) {
            for (var i = 0; i < loop.size(); i++) {
                if (edge(loop, i).side().runsEastWest()
                        == edge(loop, i + 1).side().runsEastWest()) {
                    throw refused("An outline turns at every corner.");
                }
            }
        }
        var length = edges.stream().map(e -> BigInteger.valueOf(e.length())).reduce(BigInteger.ZERO, BigInteger::add);
        var inside = twiceArea(loops);
        if (region.isEmpty()
                || !region.perimeter().equals(length)
                || !inside.equals(region.area().shiftLeft(1))) {
            throw refused("An outline must not cross or touch itself, and has its room at the right hand.");
        }
        if (parts(region) > 1) {
            throw refused("That would leave the room in " + parts(region) + " parts. A room is of one piece.");
        }
    }

    private Edge edge(List<Corner> loop, int i) {
        var number = loop.get(i % loop.size()).edge();
        return edges.stream().filter(e -> e.number() == number).findFirst().orElseThrow();
    }

    private static Refused refused(String words) {
        return new Refused("outlineMm", words);
    }

    /** How many parts a region has: parts that meet in a corner alone are two. */
    static long parts(Region region) {
        return region.loops().stream().filter(l -> twiceArea(l).signum() > 0).count();
    }

    private static BigInteger twiceArea(List<List<Corner>> loops) {
        return loops.stream()
                .map(l -> twiceArea(new Loop(
                        l.stream().map(c -> new Loop.Corner(c.x(), c.y())).toList())))
                .reduce(BigInteger.ZERO, BigInteger::add);
    }

    /** Above 0 for a loop that runs clockwise. */
    private static BigInteger twiceArea(Loop loop) {
        var sum = BigInteger.ZERO;
        for (var i = 0; i < loop.corners().size(); i++) {
            var a = loop.corners().get(i);
            var b = loop.corners().get((i + 1) % loop.corners().size());
            sum = sum.add(BigInteger.valueOf(b.x()).multiply(BigInteger.valueOf(a.y())))
                    .subtract(BigInteger.valueOf(a.x()).multiply(BigInteger.valueOf(b.y())));
        }
        return sum;
    }

    public List<List<Corner>> loops() {
        return loops;
    }

    /** Loop by loop, in order. */
    public List<Edge> edges() {
        return edges;
    }

    public Optional<Edge> edge(int number) {
        return edges.stream().filter(e -> e.number() == number).findFirst();
    }

    public Region region() {
        return region;
    }

    public Rect extent() {
        return region.extent();
    }

    public boolean isRectangle() {
        return edges.size() == 4;
    }

    public Outline movedBy(long x, long y) {
        return mapped(v -> v + x, v -> v + y);
    }

    private Outline mapped(LongUnaryOperator x, LongUnaryOperator y) {
        return new Outline(loops.stream()
                .map(l -> l.stream()
                        .map(c -> c.at(x.applyAsLong(c.x()), y.applyAsLong(c.y())))
                        .toList())
                .toList());
    }

    /** Turned by quarters, counter-clockwise, about a point; every edge keeps its number. */
    public Outline turned(int quarters, long x, long y) {
        var turn = Turn.of(quarters);
        return new Outline(loops.stream()
                .map(l -> l.stream()
                        .map(c -> {
                            var at = turn.apply(new Vec(c.x() - x, c.y() - y, 0));
                            return c.at(at.x() + x, at.y() + y);
                        })
                        .toList())
                .toList());
    }

    /** Mirrored at an upright line; every edge keeps its number, and runs from what was its other end. */
    public Outline mirrored(long x) {
        var mirrored = new ArrayList<List<Corner>>();
        for (var loop : loops) {
            var corners = new ArrayList<Corner>();
            for (var i = loop.size() - 1; i >= 0; i--) {
                var end = loop.get((i + 1) % loop.size());
                corners.add(loop.get(i).at(2 * x - end.x(), end.y()));
            }
            mirrored.add(corners);
        }
        return new Outline(mirrored);
    }

    /** With its extent at these bounds: the edges that lie farthest out move, the others stay. */
    public Outline within(Rect bounds) {
        var e = extent();
        return mapped(
                x -> x == e.x0() ? bounds.x0() : x == e.x1() ? bounds.x1() : x,
                y -> y == e.y0() ? bounds.y0() : y == e.y1() ? bounds.y1() : y);
    }

    /** With more ground. */
    public Outline joined(Rect ground) {
        return reshaped(region.plus(Region.of(ground)));
    }

    /** With less ground. */
    public Outline without(Rect ground) {
        if (region.minus(Region.of(ground)).isEmpty()) {
            throw refused("That would leave nothing of the room.");
        }
        return reshaped(region.minus(Region.of(ground)));
    }

    /**
     * With one corner moved: the edges that meet there move along.
     *
     * @param edge the number of the edge that begins in the corner
     * @throws Refused if the outline has no such edge, or nothing of one piece would be left
     */
    public Outline cornerMoved(int edge, long x, long y) {
        var begins = edge(edge).orElseThrow(() -> new Refused("edge", "The room has no edge " + edge + "."));
        var ends = edges.stream()
                .filter(e -> e.x1() == begins.x0() && e.y1() == begins.y0())
                .findFirst()
                .orElseThrow();
        return moved(begins.number(), outward(begins, x, y)).moved(ends.number(), outward(ends, x, y));
    }

    private static long outward(Edge edge, long x, long y) {
        return switch (edge.side()) {
            case NORTH -> y;
            case SOUTH -> -y;
            case EAST -> x;
            case WEST -> -x;
        };
    }

    /**
     * With one edge moved outward by so much, or inward.
     *
     * @throws Refused if the outline has no such edge, or nothing of one piece would be left
     */
    public Outline moved(int edge, long outward) {
        var e = edge(edge).orElseThrow(() -> new Refused("edge", "The room has no edge " + edge + "."));
        var by = e.side() == Side.NORTH || e.side() == Side.EAST ? outward : -outward;
        if (by == 0) {
            return this;
        }
        var low = Math.min(e.line(), e.line() + by);
        var high = Math.max(e.line(), e.line() + by);
        var swept =
                e.side().runsEastWest() ? new Rect(e.from(), low, e.to(), high) : new Rect(low, e.from(), high, e.to());
        return outward > 0 ? joined(swept) : without(swept);
    }

    /**
     * With one edge so long: the edge that follows it moves.
     *
     * @throws Refused as {@link #moved}
     */
    public Outline sized(int edge, long length) {
        var e = edge(edge).orElseThrow(() -> new Refused("edge", "The room has no edge " + edge + "."));
        var loop = loops.stream()
                .filter(l -> l.stream().anyMatch(c -> c.edge() == edge))
                .findFirst()
                .orElseThrow();
        var at = loop.stream().map(Corner::edge).toList().indexOf(edge);
        var next = edge(loop.get((at + 1) % loop.size()).edge()).orElseThrow();
        // Where the outline turns right, the next edge looks the way this one goes.
        return moved(next.number(), turnsRight(e, next) ? length - e.length() : e.length() - length);
    }

    /**
     * With this thickness of wall behind an edge; 0 for the site's.
     *
     * @throws Refused if the outline has no such edge
     */
    public Outline walled(int edge, long thickness) {
        if (edge(edge).isEmpty()) {
            throw new Refused("edge", "The room has no edge " + edge + ".");
        }
        return new Outline(loops.stream()
                .map(l -> l.stream()
                        .map(c -> c.edge() == edge ? new Corner(edge, c.x(), c.y(), thickness) : c)
                        .toList())
                .toList());
    }

    /** The thickest wall that an edge of it is to have; 0 where all are the site's. */
    public long thickestWall() {
        return thickestWall;
    }

    /** The ground with the walls around it, where no edge says otherwise this thick. */
    public Region grown(long usual) {
        if (thickestWall == 0) {
            return region.grown(usual);
        }
        var walls = new ArrayList<Region>(List.of(region));
        for (var loop : loops) {
            for (var i = 0; i < loop.size(); i++) {
                var e = edge(loop, i);
                var before = edge(loop, i + loop.size() - 1);
                var after = edge(loop, i + 1);
                var atStart = turnsRight(before, e) ? before.wall(usual) : 0;
                var atEnd = turnsRight(e, after) ? after.wall(usual) : 0;
                walls.add(Region.of(
                        switch (e.side()) {
                            case NORTH ->
                                new Rect(e.from() - atStart, e.line(), e.to() + atEnd, e.line() + e.wall(usual));
                            case SOUTH ->
                                new Rect(e.from() - atEnd, e.line() - e.wall(usual), e.to() + atStart, e.line());
                            case EAST ->
                                new Rect(e.line(), e.from() - atEnd, e.line() + e.wall(usual), e.to() + atStart);
                            case WEST ->
                                new Rect(e.line() - e.wall(usual), e.from() - atStart, e.line(), e.to() + atEnd);
                        }));
            }
        }
        return Region.union(walls);
    }

    /** Whether the outline turns right from an edge to the next: at a corner that stands out of the room. */
    private static boolean turnsRight(Edge e, Edge next) {
        return next.side().ordinal() == (e.side().ordinal() + 1) % 4;
    }

    /** Another outline with the edges of this one as far as they are the same: on one line, or else moved aside. */
    public Outline reshaped(Region to) {
        var numbers = new HashMap<Edge, Integer>();
        var fresh = to.loops().stream().map(Outline::unnumbered).toList();
        var all = fresh.stream().flatMap(Outline::edges).toList();
        var left = new HashSet<>(edges);
        match(
                all,
                left,
                numbers,
                Comparator.comparingLong((Pair p) -> p.was().line() == p.is().line() ? 0 : 1)
                        .thenComparing(p -> -p.was().shared(p.is())),
                true);
        match(all, left, numbers, Comparator.comparingLong(p -> Math.abs(p.was().line() - p.is().line())), false);
        for (var edge : all) {
            if (!numbers.containsKey(edge)) {
                numbers.put(
                        edge,
                        IntStream.iterate(Side.values().length, n -> n + 1)
                                .filter(n -> edge(n).isEmpty() && !numbers.containsValue(n))
                                .findFirst()
                                .orElseThrow());
            }
        }
        var numbered = new ArrayList<List<Corner>>();
        for (var loop : fresh) {
            numbered.add(edges(loop)
                    .map(e -> {
                        int number = numbers.getOrDefault(e, 0);
                        return new Corner(
                                number,
                                e.x0(),
                                e.y0(),
                                edge(number).map(Edge::wall).orElse(0L));
                    })
                    .toList());
        }
        return new Outline(numbered);
    }

    private record Pair(Edge was, Edge is) {}

    private static void match(
            List<Edge> all, HashSet<Edge> left, Map<Edge, Integer> numbers, Comparator<Pair> nearer, boolean onLine) {
        var pairs = all.stream()
                .flatMap(is -> left.stream()
                        .filter(was ->
                                was.side() == is.side() && was.shared(is) > 0 && (!onLine || was.line() == is.line()))
                        .map(was -> new Pair(was, is)))
                .sorted(nearer.thenComparing(p -> p.was().number()).thenComparing(p -> p.is().from()))
                .toList();
        for (var pair : pairs) {
            if (left.contains(pair.was()) && !numbers.containsKey(pair.is())) {
                left.remove(pair.was());
                numbers.put(pair.is(), pair.was().number());
            }
        }
    }

    private static List<Corner> unnumbered(Loop loop) {
        var corners = new ArrayList<Corner>();
        for (var i = 0; i < loop.corners().size(); i++) {
            corners.add(new Corner(
                    i, loop.corners().get(i).x(), loop.corners().get(i).y()));
        }
        return corners;
    }

    /** As a word, such as {@code 0,0,4000000 1,5000000,4000000,300000}, loops parted by {@code ;}, a wall of its own last; {@link #parse} reads it back. */
    @Override
    public String toString() {
        return String.join(
                ";",
                loops.stream()
                        .map(l -> String.join(
                                " ",
                                l.stream()
                                        .map(c -> c.edge() + "," + c.x() + "," + c.y()
                                                + (c.wall() == 0 ? "" : "," + c.wall()))
                                        .toList()))
                        .toList());
    }

    public static Outline parse(String text) {
        return new Outline(Arrays.stream(text.split(";"))
                .map(l -> Arrays.stream(l.split(" "))
                        .map(c -> {
                            var numbers = c.split(",");
                            return new Corner(
                                    Integer.parseInt(numbers[0]),
                                    Long.parseLong(numbers[1]),
                                    Long.parseLong(numbers[2]),
                                    numbers.length > 3 ? Long.parseLong(numbers[3]) : 0);
                        })
                        .toList())
                .toList());
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Outline other && loops.equals(other.loops);
    }

    @Override
    public int hashCode() {
        return loops.hashCode();
    }
}
