package hausbau.core.kit;

import hausbau.core.kit.Part.Block;
import hausbau.core.kit.Part.Holed;
import hausbau.core.kit.Part.Sloped;
import hausbau.core.kit.Part.Stepped;
import hausbau.core.kit.Part.Turned;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Lathe.Station;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.MeshBuilder;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.List;

/** How a piece is made, in its natural frame (see the package). Two pieces with equal recipes are the same kind. */
public sealed interface Recipe {

    Vec size();

    List<Part> parts();

    default List<Solid> solids() {
        return parts().stream().flatMap(p -> p.solids().stream().map(box -> new Solid(box, p.isRound()))).toList();
    }

    default Mesh mesh(Finish finish) {
        var mesh = new MeshBuilder(finish);
        parts().forEach(p -> p.addTo(mesh, finish));
        return mesh.build();
    }

    /** A plain panel. */
    record WallPanel(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(new Block(Swatch.PLASTER, new Box(Vec.ZERO, size)));
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
            var hole = Box.of(c.min().x() - frame, 0, c.min().z() - below, c.max().x() + frame, size.y(), c.max().z() + frame);
            var y0 = Math.max(0, (size.y() - FRAME_DEPTH) / 2);
            var y1 = size.y() - y0;
            var parts = new ArrayList<Part>(List.of(
                    new Holed(Swatch.PLASTER, new Box(Vec.ZERO, size), hole),
                    timber(hole.min().x(), y0, hole.min().z(), c.min().x(), y1, hole.max().z()),
                    timber(c.max().x(), y0, hole.min().z(), hole.max().x(), y1, hole.max().z()),
                    timber(c.min().x(), y0, c.max().z(), c.max().x(), y1, hole.max().z())));
            if (!isDoorway()) {
                parts.add(timber(c.min().x(), y0, hole.min().z(), c.max().x(), y1, c.min().z()));
            }
            return parts;
        }

        private static Part timber(long x0, long y0, long z0, long x1, long y1, long z1) {
            return new Block(Swatch.TIMBER, Box.of(x0, y0, z0, x1, y1, z1));
        }
    }

    /** A panel with a bare hole from its base. */
    record PassagePanel(Vec size, Box clear) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(new Holed(Swatch.PLASTER, new Box(Vec.ZERO, size), clear));
        }
    }

    /** A square post that closes a corner. */
    record CornerPost(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(new Block(Swatch.PLASTER, new Box(Vec.ZERO, size)));
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
            return List.of(new Part.Angled(Swatch.PLASTER, size, size.x() - leg.um(), size.y() - leg.um()));
        }
    }

    /** A mass that stays. */
    record Mass(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(new Block(Swatch.STONE, new Box(Vec.ZERO, size)));
        }
    }

    /** A landing of stairs. */
    record Landing(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(new Block(Swatch.STONE, new Box(Vec.ZERO, size)));
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
            return List.of(new Stepped(Swatch.STONE, size, treads, foot.um(), WAIST.um()));
        }
    }

    /** A ramp going up along X from nothing to its whole height. */
    record Ramp(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(new Sloped(Swatch.STONE, size.x(), 0, size.y(), 0, 0, 0, size.z(), true));
        }
    }

    /** A level guard along X: a rail on balusters that no ball of 100 mm passes (IBC 1015.4, from memory: 4 in). */
    record Guard(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return Railing.parts(size, 0, 0);
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
            return Railing.parts(size, rise.um(), treads);
        }
    }

    /** A plain block of the right size, until the piece is modelled. */
    record StandIn(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(new Block(Swatch.PLASTER, new Box(Vec.ZERO, size)));
        }
    }

    /** A floor or ceiling tile. */
    record Tile(Vec size) implements Recipe {

        @Override
        public List<Part> parts() {
            return List.of(new Block(Swatch.STONE, new Box(Vec.ZERO, size)));
        }
    }

    /** A round pillar on a square base under a square cap; at least 1 m high, and square in plan. */
    record Pillar(Vec size) implements Recipe {

        private static final long BASE = 200_000;
        private static final long CAP = 150_000;

        @Override
        public List<Part> parts() {
            var low = BASE / 1000.0;
            var high = (size.z() - CAP) / 1000.0;
            var foot = size.x() * 0.46 / 1000;
            var waist = size.x() * 0.38 / 1000;
            var neck = size.x() * 0.34 / 1000;
            return List.of(
                    new Block(Swatch.STONE, new Box(Vec.ZERO, new Vec(size.x(), size.y(), BASE))),
                    new Turned(Swatch.STONE, new Vec(size.x() / 2, size.y() / 2, 0), List.of(
                            new Station(0, low), new Station(foot, low), new Station(foot, low + 40),
                            new Station(waist, low + 70), new Station(waist, low + 600), new Station(neck, high - 90),
                            new Station(foot, high - 60), new Station(foot, high), new Station(0, high))),
                    new Block(Swatch.STONE, new Box(new Vec(0, 0, size.z() - CAP), size)));
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
                    Block.ofMillimetres(Swatch.STONE, 150, 40, 0, 270, 410, 400),
                    Block.ofMillimetres(Swatch.STONE, 1330, 40, 0, 1450, 410, 400),
                    Block.ofMillimetres(Swatch.TIMBER, 0, 0, 400, 1600, 145, 450),
                    Block.ofMillimetres(Swatch.TIMBER, 0, 153, 400, 1600, 297, 450),
                    Block.ofMillimetres(Swatch.TIMBER, 0, 305, 400, 1600, 450, 450));
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
                    Block.ofMillimetres(Swatch.TIMBER, 0, 0, 0, 40, 1200, 2100),
                    Block.ofMillimetres(Swatch.TIMBER, 960, 0, 0, 1000, 1200, 2100),
                    Block.ofMillimetres(Swatch.TIMBER, 40, 1160, 0, 960, 1200, 2100),
                    Block.ofMillimetres(Swatch.TIMBER, 40, 10, 2000, 960, 50, 2100),
                    Block.ofMillimetres(Swatch.TIMBER, 60, 15, 200, 940, 45, 1960),
                    Block.ofMillimetres(Swatch.TIMBER, 40, 800, 420, 960, 1160, 460));
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
                    new Turned(Swatch.METAL, foot, List.of(new Station(0, 0), new Station(160, 0), new Station(160, 25),
                            new Station(60, 60), new Station(22, 110), new Station(22, 1660), new Station(70, 1700),
                            new Station(70, 1720), new Station(0, 1720))),
                    new Turned(Swatch.OPAL, foot, globe(140, 1860)));
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
                    Block.ofMillimetres(Swatch.METAL, 40, 240, 60, 140, 260, 260),
                    Block.ofMillimetres(Swatch.METAL, 80, 78, 130, 100, 240, 150),
                    new Turned(Swatch.METAL, Vec.ofMillimetres(90, 90, 0), List.of(new Station(0, 110), new Station(50, 110), new Station(62, 150), new Station(62, 162), new Station(0, 162))),
                    new Turned(Swatch.OPAL, Vec.ofMillimetres(90, 90, 0), globe(90, 250)));
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
                    new Turned(Swatch.METAL, middle, List.of(new Station(0, 340), new Station(90, 340), new Station(90, 365), new Station(16, 400), new Station(16, 1150),
                            new Station(70, 1180), new Station(70, 1200), new Station(0, 1200))),
                    new Turned(Swatch.OPAL, middle, globe(180, 180)));
        }
    }

    private static List<Station> globe(double radius, double height) {
        var globe = new ArrayList<Station>();
        for (var i = 0; i <= 12; i++) {
            var angle = Math.PI * i / 12;
            globe.add(new Station(i == 0 || i == 12 ? 0 : radius * Math.sin(angle), height - radius * Math.cos(angle)));
        }
        return globe;
    }
}
