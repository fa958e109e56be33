package hausbau.core.kit;

import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import hausbau.core.shape.BevelledBox;
import hausbau.core.shape.BevelledPrism;
import hausbau.core.shape.BevelledPrism.Corner;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Lathe;
import hausbau.core.shape.MeshBuilder;
import hausbau.core.shape.Point;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.List;

/** One closed body of a piece. */
sealed interface Part {

    /** Boxes in whole micrometres that hold the body; what the survey and snapping reckon with. */
    List<Box> solids();

    void addTo(MeshBuilder mesh, Finish finish);

    /** Whether the body is round in plan. */
    default boolean isRound() {
        return false;
    }

    private static Point millimetres(Vec v) {
        return new Point(v.x() / 1000.0, v.y() / 1000.0, v.z() / 1000.0);
    }

    /** A plain block. */
    record Block(Swatch swatch, Box box) implements Part {

        static Block ofMillimetres(Swatch swatch, long x0, long y0, long z0, long x1, long y1, long z1) {
            return new Block(swatch, new Box(Vec.ofMillimetres(x0, y0, z0), Vec.ofMillimetres(x1, y1, z1)));
        }

        @Override
        public List<Box> solids() {
            return List.of(box);
        }

        @Override
        public void addTo(MeshBuilder mesh, Finish finish) {
            BevelledBox.add(mesh, finish, swatch, millimetres(box.min()), millimetres(box.max()));
        }
    }

    /**
     * A slab with a hole right through along Y. A hole that reaches the slab's base leaves two legs and a lintel.
     *
     * @param hole as deep as the slab; inside it in X, and below its top
     */
    record Holed(Swatch swatch, Box slab, Box hole) implements Part {

        @Override
        public List<Box> solids() {
            var s = slab;
            var solids = new ArrayList<>(List.of(
                    new Box(s.min(), new Vec(hole.min().x(), s.max().y(), s.max().z())),
                    new Box(new Vec(hole.max().x(), s.min().y(), s.min().z()), s.max()),
                    Box.of(hole.min().x(), s.min().y(), hole.max().z(), hole.max().x(), s.max().y(), s.max().z())));
            if (hole.min().z() > s.min().z()) {
                solids.add(Box.of(hole.min().x(), s.min().y(), s.min().z(), hole.max().x(), s.max().y(), hole.min().z()));
            }
            return solids;
        }

        @Override
        public void addTo(MeshBuilder mesh, Finish finish) {
            var lo = millimetres(slab.min());
            var hi = millimetres(slab.max());
            var holeLo = millimetres(hole.min());
            var holeHi = millimetres(hole.max());
            if (hole.min().z() > slab.min().z()) {
                BevelledPrism.add(mesh, finish, swatch, rectangle(lo, hi), List.of(rectangle(holeLo, holeHi)), lo.y(), hi.y());
                return;
            }
            var outline = List.of(
                    new Corner(lo.x(), lo.z()), new Corner(holeLo.x(), lo.z()), new Corner(holeLo.x(), holeHi.z()),
                    new Corner(holeHi.x(), holeHi.z()), new Corner(holeHi.x(), lo.z()), new Corner(hi.x(), lo.z()),
                    new Corner(hi.x(), hi.z()), new Corner(lo.x(), hi.z()));
            BevelledPrism.add(mesh, finish, swatch, outline, List.of(), lo.y(), hi.y());
        }

        private static List<Corner> rectangle(Point lo, Point hi) {
            return List.of(new Corner(lo.x(), lo.z()), new Corner(hi.x(), lo.z()), new Corner(hi.x(), hi.z()),
                    new Corner(lo.x(), hi.z()));
        }
    }

    /**
     * An upright body, bent square: one arm along X, one along Y, both from the origin.
     *
     * @param acrossY how thick the arm along Y is, @param acrossX how thick the arm along X is; less than the size that way
     */
    record Angled(Swatch swatch, Vec size, long acrossY, long acrossX) implements Part {

        @Override
        public List<Box> solids() {
            return List.of(Box.of(0, 0, 0, size.x(), acrossX, size.z()), Box.of(0, acrossX, 0, acrossY, size.y(), size.z()));
        }

        @Override
        public void addTo(MeshBuilder mesh, Finish finish) {
            var x = size.x() / 1000.0;
            var y = size.y() / 1000.0;
            var a = acrossY / 1000.0;
            var b = acrossX / 1000.0;
            BevelledPrism.addUpright(mesh, finish, swatch, List.of(new Corner(0, 0), new Corner(x, 0), new Corner(x, b), new Corner(a, b), new Corner(a, y), new Corner(0, y)),
                    0, size.z() / 1000.0);
        }
    }

    /**
     * A flight of steps along X with a sloped soffit.
     *
     * @param foot  how much of its height hangs below the first riser
     * @param waist upright, from the inner corner of a step to the soffit
     */
    record Stepped(Swatch swatch, Vec size, int treads, long foot, long waist) implements Part {

        private long top(int tread) {
            return foot + (size.z() - foot) * tread / treads;
        }

        /** Of the soffit right under the inner corner of this step. */
        private long soffit(int tread) {
            return Math.max(0, top(tread) - Math.max(waist, foot));
        }

        @Override
        public List<Box> solids() {
            var solids = new ArrayList<Box>();
            for (var i = 0; i < treads; i++) {
                solids.add(Box.of(size.x() * i / treads, 0, soffit(i), size.x() * (i + 1) / treads, size.y(), top(i + 1)));
            }
            return solids;
        }

        @Override
        public void addTo(MeshBuilder mesh, Finish finish) {
            var outline = new ArrayList<Corner>();
            for (var i = 0; i < treads; i++) {
                var x = size.x() / 1000.0 * i / treads;
                outline.add(new Corner(x, top(i) / 1000.0));
                outline.add(new Corner(x, top(i + 1) / 1000.0));
            }
            outline.add(new Corner(size.x() / 1000.0, size.z() / 1000.0));
            var under = size.z() - Math.max(waist, foot);
            if (under <= 0) {
                outline.add(new Corner(size.x() / 1000.0, 0));
            } else {
                outline.add(new Corner(size.x() / 1000.0, under / 1000.0));
                if (waist > foot) {
                    outline.add(new Corner(size.x() / 1000.0 * (waist - foot) / (size.z() - foot), 0));
                }
            }
            if (foot > 0) {
                outline.add(new Corner(0, 0));
            }
            BevelledPrism.add(mesh, finish, swatch, outline, List.of(), 0, size.y() / 1000.0);
        }
    }

    /**
     * A body along X between two slopes: its lower face goes from one height to another, and so does its upper one.
     *
     * @param isWedge whether it begins in an edge
     */
    record Sloped(Swatch swatch, long length, long y0, long y1, long lowFrom, long highFrom, long lowTo, long highTo, boolean isWedge) implements Part {

        /** Slices that hold it. */
        private static final int SLICES = 12;

        @Override
        public List<Box> solids() {
            if (lowFrom == lowTo && highFrom == highTo) {
                return List.of(Box.of(0, y0, lowFrom, length, y1, highFrom));
            }
            var solids = new ArrayList<Box>();
            for (var i = 0; i < SLICES; i++) {
                solids.add(Box.of(length * i / SLICES, y0, lowFrom + (lowTo - lowFrom) * i / SLICES, length * (i + 1) / SLICES, y1,
                        highFrom + (highTo - highFrom) * (i + 1) / SLICES));
            }
            return solids;
        }

        @Override
        public void addTo(MeshBuilder mesh, Finish finish) {
            var outline = new ArrayList<>(List.of(new Corner(0, lowFrom / 1000.0), new Corner(length / 1000.0, lowTo / 1000.0), new Corner(length / 1000.0, highTo / 1000.0)));
            if (!isWedge) {
                outline.add(new Corner(0, highFrom / 1000.0));
            }
            BevelledPrism.add(mesh, finish, swatch, outline, List.of(), y0 / 1000.0, y1 / 1000.0);
        }
    }

    /** A body turned about an upright axis, with 24 sides. */
    record Turned(Swatch swatch, Vec foot, List<Lathe.Station> profile) implements Part {

        static final int SIDES = 24;

        @Override
        public boolean isRound() {
            return true;
        }

        @Override
        public List<Box> solids() {
            var radius = Math.round(profile.stream().mapToDouble(Lathe.Station::radius).max().orElse(0) * 1000);
            var low = Math.round(profile.get(0).z() * 1000);
            var high = Math.round(profile.get(profile.size() - 1).z() * 1000);
            return List.of(new Box(foot.plus(new Vec(-radius, -radius, low)), foot.plus(new Vec(radius, radius, high))));
        }

        @Override
        public void addTo(MeshBuilder mesh, Finish finish) {
            Lathe.add(mesh, swatch, millimetres(foot), profile, SIDES);
        }
    }
}
