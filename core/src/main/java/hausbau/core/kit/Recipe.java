package hausbau.core.kit;

import hausbau.core.kit.Form.Turned.Station;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** How a piece is made, in its natural frame (see the package). Two pieces with equal recipes are the same kind. */
public sealed interface Recipe {

    Vec size();

    List<Part> parts();

    /** The whole extent in the natural frame. */
    default Box box() {
        return new Box(Vec.ZERO, size());
    }

    default List<Solid> solids() {
        return new Cutting(parts()).solids();
    }

    default Mesh mesh(Finish finish) {
        return mesh(parts(), finish);
    }

    /** Of parts in its frame. */
    default Mesh mesh(List<Part> parts, Finish finish) {
        return new Cutting(parts).mesh(finish);
    }

    /** A plain panel. */
    record WallPanel(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(Part.block(Swatch.PLASTER, new Box(Vec.ZERO, size)));
        }
    }

    /**
     * A panel with a framed doorway or window: a true hole, a frame set in the middle of its depth, and the reveals left
     * on both sides of it.
     *
     * @param clear the clear opening inside the frame, as deep as the panel; a doorway's begins at the base
     */
    record OpeningPanel(Vec size, Box clear) implements Recipe {

        /** Thickness of the frame around the clear opening. */
        public static final Length FRAME = Length.ofMillimetres(40);

        private static final long FRAME_DEPTH = Length.ofMillimetres(80).um();

        public boolean isDoorway() {
            return clear.min().z() == 0;
        }

        @Override
        public List<Part> parts() {
            var frame = FRAME.um();
            var c = clear;
            var below = isDoorway() ? 0 : frame;
            var hole = Box.of(
                    c.min().x() - frame,
                    0,
                    c.min().z() - below,
                    c.max().x() + frame,
                    size.y(),
                    c.max().z() + frame);
            var y0 = Math.max(0, (size.y() - FRAME_DEPTH) / 2);
            var y1 = size.y() - y0;
            var parts = new ArrayList<Part>(List.of(
                    holed(size, hole).named("panel"),
                    timber(
                            hole.min().x(),
                            y0,
                            hole.min().z(),
                            c.min().x(),
                            y1,
                            hole.max().z()),
                    timber(
                            c.max().x(),
                            y0,
                            hole.min().z(),
                            hole.max().x(),
                            y1,
                            hole.max().z()),
                    timber(
                            c.min().x(),
                            y0,
                            c.max().z(),
                            c.max().x(),
                            y1,
                            hole.max().z())));
            if (!isDoorway()) {
                parts.add(timber(
                        c.min().x(),
                        y0,
                        hole.min().z(),
                        c.max().x(),
                        y1,
                        c.min().z()));
            }
            return parts;
        }

        private static Part timber(long x0, long y0, long z0, long x1, long y1, long z1) {
            return Part.block(Swatch.TIMBER, Box.of(x0, y0, z0, x1, y1, z1)).named("frame");
        }
    }

    /** A panel with a bare hole from its base. */
    record PassagePanel(Vec size, Box clear) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(holed(size, clear).named("panel"));
        }
    }

    /** A square post that closes a corner. */
    record CornerPost(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(Part.block(Swatch.PLASTER, new Box(Vec.ZERO, size)));
        }
    }

    /**
     * A corner of two walls as one piece, its legs along X and along Y.
     *
     * @param size from the outer corner to the ends of both legs
     * @param leg  how far they reach beyond the square between them
     */
    record CornerPiece(Vec size, Length leg) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(Part.of(
                    Swatch.PLASTER,
                    new Form.Prism(
                            new Outline(List.of(
                                    corner(0, 0),
                                    corner(size.x(), 0),
                                    corner(size.x(), size.y() - leg.um()),
                                    corner(size.x() - leg.um(), size.y() - leg.um()),
                                    corner(size.x() - leg.um(), size.y()),
                                    corner(0, size.y()))),
                            List.of(),
                            size.z()),
                    Vec.ZERO));
        }

        private static Outline.Corner corner(long x, long y) {
            return new Outline.Corner(x, y, 0);
        }
    }

    /** A mass that stays. */
    record Mass(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(Part.block(Swatch.STONE, new Box(Vec.ZERO, size)));
        }
    }

    /** A landing of stairs. */
    record Landing(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(Part.block(Swatch.STONE, new Box(Vec.ZERO, size)));
        }
    }

    /**
     * A flight of steps going up along X, its soffit sloped with it.
     *
     * @param treads surfaces to step on, 1 or more; the last riser belongs to the floor or landing that it leads to
     * @param foot   how much of its height hangs below its first riser
     */
    record Flight(Vec size, int treads, Length foot) implements Recipe {

        /** Upright, from the inner corner of a step to the soffit. Common practice, no source. */
        public static final Length WAIST = Length.ofMillimetres(200);

        @Override
        public List<Part> parts() {
            return List.of(Part.of(Swatch.STONE, new Form.Steps(size, treads, foot.um(), WAIST.um()), Vec.ZERO));
        }
    }

    /** A ramp going up along X from nothing to its whole height. */
    record Ramp(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(Part.of(Swatch.STONE, new Form.Sloped(size.x(), size.y(), 0, 0, 0, size.z()), Vec.ZERO));
        }
    }

    /** A level guard along X: a rail on balusters that no ball of 100 mm passes (IBC 1015.4, from memory: 4 in). */
    record Guard(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return railing(size, 0, 0);
        }
    }

    /**
     * A guard along X that rises with a flight or a ramp.
     *
     * @param rise  from its lower end to its upper one
     * @param treads of the flight; 0 for a ramp
     */
    record SlopedGuard(Vec size, Length rise, int treads) implements Recipe {

        @Override
        public List<Part> parts() {
            return railing(size, rise.um(), treads);
        }
    }

    /** A plain block of the right size, until the piece is modelled. */
    record StandIn(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(Part.block(Swatch.PLASTER, new Box(Vec.ZERO, size)));
        }
    }

    /** A floor or ceiling tile. */
    record Tile(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(Part.block(Swatch.STONE, new Box(Vec.ZERO, size)));
        }
    }

    /** A round pillar on a square base under a square cap; at least 1 m high, and square in plan. */
    record Pillar(Vec size) implements Recipe {

        private static final long BASE = 200_000;
        private static final long CAP = 150_000;

        @Override
        public List<Part> parts() {
            var low = BASE;
            var high = size.z() - CAP;
            var foot = size.x() * 46 / 100;
            var waist = size.x() * 38 / 100;
            var neck = size.x() * 34 / 100;
            return List.of(
                    Part.block(Swatch.STONE, new Box(Vec.ZERO, new Vec(size.x(), size.y(), BASE)))
                            .named("base"),
                    turned(
                                    Swatch.STONE,
                                    new Vec(size.x() / 2, size.y() / 2, 0),
                                    new Station(0, low),
                                    new Station(foot, low),
                                    new Station(foot, low + 40_000),
                                    new Station(waist, low + 70_000),
                                    new Station(waist, low + 600_000),
                                    new Station(neck, high - 90_000),
                                    new Station(foot, high - 60_000),
                                    new Station(foot, high),
                                    new Station(0, high))
                            .named("shaft"),
                    Part.block(Swatch.STONE, new Box(new Vec(0, 0, size.z() - CAP), size))
                            .named("cap"));
        }
    }

    /** A bathhouse bench: a timber seat of 1600 × 450 mm on two stone feet, 450 mm high. */
    record Bench() implements Recipe {

        @Override
        public Vec size() {
            return Vec.ofMillimetres(1600, 450, 450);
        }

        @Override
        public List<Part> parts() {
            return List.of(
                    Part.blockOfMillimetres(Swatch.STONE, 150, 40, 0, 270, 410, 400)
                            .named("foot"),
                    Part.blockOfMillimetres(Swatch.STONE, 1330, 40, 0, 1450, 410, 400)
                            .named("foot"),
                    Part.blockOfMillimetres(Swatch.TIMBER, 0, 0, 400, 1600, 145, 450)
                            .named("slat"),
                    Part.blockOfMillimetres(Swatch.TIMBER, 0, 153, 400, 1600, 297, 450)
                            .named("slat"),
                    Part.blockOfMillimetres(Swatch.TIMBER, 0, 305, 400, 1600, 450, 450)
                            .named("slat"));
        }
    }

    /** A changing cubicle, 1000 × 1200 × 2100 mm: sides, back, door leaf and a seat, open above. */
    record Cubicle() implements Recipe {

        @Override
        public Vec size() {
            return Vec.ofMillimetres(1000, 1200, 2100);
        }

        @Override
        public List<Part> parts() {
            return List.of(
                    Part.blockOfMillimetres(Swatch.TIMBER, 0, 0, 0, 40, 1200, 2100)
                            .named("side"),
                    Part.blockOfMillimetres(Swatch.TIMBER, 960, 0, 0, 1000, 1200, 2100)
                            .named("side"),
                    Part.blockOfMillimetres(Swatch.TIMBER, 40, 1160, 0, 960, 1200, 2100)
                            .named("back"),
                    Part.blockOfMillimetres(Swatch.TIMBER, 40, 10, 2000, 960, 50, 2100)
                            .named("head"),
                    Part.blockOfMillimetres(Swatch.TIMBER, 60, 15, 200, 940, 45, 1960)
                            .named("door leaf"),
                    Part.blockOfMillimetres(Swatch.TIMBER, 40, 800, 420, 960, 1160, 460)
                            .named("seat"));
        }
    }

    /** A standing lamp 2 m high: a metal foot and stem under an opal globe. */
    record Lamp() implements Recipe {

        @Override
        public Vec size() {
            return Vec.ofMillimetres(320, 320, 2000);
        }

        @Override
        public List<Part> parts() {
            var foot = Vec.ofMillimetres(160, 160, 0);
            return List.of(
                    turned(
                                    Swatch.METAL,
                                    foot,
                                    station(0, 0),
                                    station(160, 0),
                                    station(160, 25),
                                    station(60, 60),
                                    station(22, 110),
                                    station(22, 1660),
                                    station(70, 1700),
                                    station(70, 1720),
                                    station(0, 1720))
                            .named("stem"),
                    globe(foot, 140, 1860));
        }
    }

    /** A lamp on a wall: a metal plate at its back (Y up to 260 mm), an arm, and an opal globe of 180 mm. */
    record WallLamp() implements Recipe {

        @Override
        public Vec size() {
            return Vec.ofMillimetres(180, 260, 340);
        }

        @Override
        public List<Part> parts() {
            return List.of(
                    Part.blockOfMillimetres(Swatch.METAL, 40, 240, 60, 140, 260, 260)
                            .named("plate"),
                    Part.blockOfMillimetres(Swatch.METAL, 80, 78, 130, 100, 240, 150)
                            .named("arm"),
                    turned(
                                    Swatch.METAL,
                                    Vec.ofMillimetres(90, 90, 0),
                                    station(0, 110),
                                    station(50, 110),
                                    station(62, 150),
                                    station(62, 162),
                                    station(0, 162))
                            .named("cup"),
                    globe(Vec.ofMillimetres(90, 90, 0), 90, 250));
        }
    }

    /** A lamp that hangs: a metal rose and stem over an opal globe of 360 mm. */
    record HangingLamp() implements Recipe {

        @Override
        public Vec size() {
            return Vec.ofMillimetres(360, 360, 1200);
        }

        @Override
        public List<Part> parts() {
            var middle = Vec.ofMillimetres(180, 180, 0);
            return List.of(
                    turned(
                                    Swatch.METAL,
                                    middle,
                                    station(0, 340),
                                    station(90, 340),
                                    station(90, 365),
                                    station(16, 400),
                                    station(16, 1150),
                                    station(70, 1180),
                                    station(70, 1200),
                                    station(0, 1200))
                            .named("stem"),
                    globe(middle, 180, 180));
        }
    }

    /**
     * A piece of a person's own.
     *
     * @param mark  tells it from others made alike; its id within the site
     * @param parts 1 to 200, one of them not hidden
     * @param first what it was before, if it was something
     */
    record Made(long mark, List<Part> parts, Optional<Recipe> first) implements Recipe {

        private static final int MOST = 200;

        /** @throws Refused if nothing of it is there, or it is larger than 200 m */
        public Made {
            parts = List.copyOf(parts);
            if (parts.size() > MOST || parts.stream().allMatch(p -> p.hidden() || p.cuts())) {
                throw new Refused("parts", "A piece has 1 to 200 parts, and one of them is neither hidden nor cuts.");
            }
            if (new Cutting(parts).solids().isEmpty()) {
                throw new Refused("parts", "What cuts leaves nothing of the piece.");
            }
            var size = extent(parts).size();
            if (Math.max(size.x(), Math.max(size.y(), size.z())) > 200_000_000) {
                throw new Refused("parts", "A piece is at most 200 m in every direction.");
            }
        }

        public Made(long mark, List<Part> parts) {
            this(mark, parts, Optional.empty());
        }

        private static Box extent(List<Part> parts) {
            return new Cutting(parts)
                    .solids().stream().map(Solid::box).reduce(Box::union).orElseThrow();
        }

        @Override
        public Box box() {
            return extent(parts);
        }

        @Override
        public Vec size() {
            return box().size();
        }
    }

    /**
     * A straight piece of what runs along a wall.
     *
     * @param profile its left edge lies on the wall, which is at the far side of the piece
     * @param length  along X; above 0
     */
    record Moulding(Profile profile, Swatch swatch, long length) implements Recipe {

        @Override
        public Vec size() {
            return new Vec(length, profile.width(), profile.height());
        }

        @Override
        public List<Part> parts() {
            return List.of(pushed(profile, swatch, profile.width(), Vec.ZERO, new Vec(length, 0, 0)));
        }
    }

    /**
     * The same round a corner, mitred, the first of its legs along X.
     *
     * @param leg   how far it reaches along both walls, from their corner; more than the profile is wide
     * @param outer whether it goes round a corner that juts into the room, instead of into one
     */
    record MouldingCorner(Profile profile, Swatch swatch, long leg, boolean outer) implements Recipe {

        @Override
        public Vec size() {
            var side = outer ? leg + profile.width() : leg;
            return new Vec(side, side, profile.height());
        }

        /** Where the corner of the walls lies, in the natural frame. */
        public Vec corner() {
            return new Vec(leg, outer ? profile.width() : leg, 0);
        }

        @Override
        public List<Part> parts() {
            return List.of(pushed(
                    profile, swatch, corner().y(), Vec.ZERO, new Vec(leg, 0, 0), new Vec(leg, outer ? leg : -leg, 0)));
        }
    }

    private static Part pushed(Profile profile, Swatch swatch, long y, Vec... path) {
        var corners = Stream.of(path).map(at -> new Form.Pushed.Corner(at, 0)).toList();
        return Part.of(swatch, new Form.Pushed(profile, corners, false, -1, -1, false), new Vec(0, y, 0));
    }

    private static Part holed(Vec size, Box hole) {
        return Part.of(
                Swatch.PLASTER,
                new Form.Panel(
                        size,
                        List.of(new Rect(
                                hole.min().x(),
                                hole.min().z(),
                                hole.max().x(),
                                hole.max().z()))),
                Vec.ZERO);
    }

    /** Bars with a rail on them, as steep as what they stand on. */
    private static List<Part> railing(Vec size, long rise, int treads) {
        var rail = 60_000;
        var bar = 20_000;
        // From bar to bar, so that at most 100 mm stay free.
        var pitch = 120_000;
        var top = size.z() - rise;
        return List.of(
                Part.of(
                                Swatch.METAL,
                                new Form.Bars(
                                        new Vec(size.x(), size.y(), size.z() - rail / 2), rise, treads, pitch, bar),
                                Vec.ZERO)
                        .named("bars"),
                Part.of(
                                Swatch.TIMBER,
                                new Form.Sloped(size.x(), size.y(), top - rail, top, size.z() - rail, size.z()),
                                Vec.ZERO)
                        .named("rail"));
    }

    private static Station station(double radius, double z) {
        return Station.ofMillimetres(radius, z);
    }

    private static Part turned(Swatch swatch, Vec at, Station... profile) {
        return Part.of(swatch, new Form.Turned(List.of(profile), Form.Turned.SIDES), at);
    }

    /** @param radius and @param height of its middle, in millimetres */
    private static Part globe(Vec foot, double radius, double height) {
        var globe = new Station[13];
        for (var i = 0; i <= 12; i++) {
            var angle = Math.PI * i / 12;
            globe[i] = station(i == 0 || i == 12 ? 0 : radius * Math.sin(angle), height - radius * Math.cos(angle));
        }
        return turned(Swatch.OPAL, foot, globe).named("globe");
    }
}
