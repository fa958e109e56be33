package hausbau.core.kit;

import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import hausbau.core.shape.Bevel;
import hausbau.core.shape.BevelledBox;
import hausbau.core.shape.BevelledPrism;
import hausbau.core.shape.Faces;
import hausbau.core.shape.Lathe;
import hausbau.core.shape.Lettering;
import hausbau.core.shape.Point;
import hausbau.core.shape.Ring;
import hausbau.core.shape.Shell;
import hausbau.core.shape.Sweep;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.LongStream;
import java.util.stream.Stream;

/** The form of a body, µm, in a frame of its own; what is made here closes. Sizes are from 0.1 mm to 100 m. */
public sealed interface Form {

    /** Boxes that hold the body; what the survey and snapping reckon with. */
    List<Box> solids();

    void addTo(Faces faces, Bevel bevel);

    /** @param sheet how wide a sheet is, millimetres */
    default void addTo(Faces faces, Bevel bevel, double sheet) {
        addTo(faces, bevel);
    }

    /** Whether the body is round in plan. */
    default boolean isRound() {
        return false;
    }

    /** Whether its boxes hold the body and nothing else. */
    default boolean fillsItsSolids() {
        return false;
    }

    private static Point millimetres(Vec v) {
        return new Point(v.x() / 1000.0, v.y() / 1000.0, v.z() / 1000.0);
    }

    private static void requireSize(Vec size) {
        requireSize("size", size.x(), size.y(), size.z());
    }

    private static void requireSize(String field, long... sizes) {
        if (LongStream.of(sizes).anyMatch(s -> s < 100 || s > 100_000_000)) {
            throw new Refused(field, "Every size of a part is from 0.1 mm to 100 m.");
        }
    }

    /** A block, its least corner at the origin. */
    record Block(Vec size) implements Form {

        public Block {
            requireSize(size);
        }

        @Override
        public List<Box> solids() {
            return List.of(new Box(Vec.ZERO, size));
        }

        @Override
        public boolean fillsItsSolids() {
            return true;
        }

        @Override
        public void addTo(Faces faces, Bevel bevel) {
            BevelledBox.add(faces, bevel, millimetres(Vec.ZERO), millimetres(size));
        }
    }

    /**
     * A slab along X with openings right through along Y. One that reaches the base leaves legs and a lintel; what openings cut
     * apart are bodies of their own.
     *
     * @param openings in X and Z, at most 100
     */
    record Panel(Vec size, List<Rect> openings) implements Form {

        public Panel {
            requireSize(size);
            openings = List.copyOf(openings);
            if (openings.size() > 100) {
                throw new Refused("openings", "A panel has at most 100 openings.");
            }
            if (left(size, openings).isEmpty()) {
                throw new Refused("openings", "The openings leave nothing of the panel.");
            }
        }

        private static Region left(Vec size, List<Rect> openings) {
            return Region.of(new Rect(0, 0, size.x(), size.z())).minus(Region.of(openings));
        }

        /** As wide as the slab's openings leave them: columns between openings, then what is above and below. */
        @Override
        public List<Box> solids() {
            return left(size, openings).columns().stream()
                    .map(r -> Box.of(r.x0(), 0, r.y0(), r.x1(), size.y(), r.y1()))
                    .toList();
        }

        @Override
        public boolean fillsItsSolids() {
            return true;
        }

        @Override
        public void addTo(Faces faces, Bevel bevel) {
            Outline.of(left(size, openings))
                    .forEach(body -> BevelledPrism.add(faces, bevel, rings(body), 0, size.y() / 1000.0));
        }
    }

    private static List<Ring> rings(List<Outline> outlines) {
        var rings = new ArrayList<Ring>();
        for (var i = 0; i < outlines.size(); i++) {
            rings.add(outlines.get(i).ring(i > 0));
        }
        return rings;
    }

    /** An outline in plan, with or without holes, pushed up from the origin's height. */
    record Prism(Outline outline, List<Outline> holes, long height) implements Form {

        public Prism {
            requireSize("height", height);
            holes = List.copyOf(holes);
            outline.requireInside(holes);
        }

        @Override
        public List<Box> solids() {
            return outline.rects().stream()
                    .map(r -> Box.of(r.x0(), r.y0(), 0, r.x1(), r.y1(), height))
                    .toList();
        }

        @Override
        public boolean fillsItsSolids() {
            return holes.isEmpty() && outline.isRightAngled();
        }

        @Override
        public void addTo(Faces faces, Bevel bevel) {
            // Made lying, as if seen from the north, and set up: a quarter turn about X takes Y up and Z to the south.
            var rings = new ArrayList<Ring>();
            rings.add(lying(outline).ring(false));
            holes.forEach(h -> rings.add(lying(h).ring(true)));
            BevelledPrism.add(
                    (corners, normals, laid) -> faces.face(upright(corners), upright(normals), laid),
                    bevel,
                    rings,
                    0,
                    height / 1000.0);
        }

        private static Outline lying(Outline o) {
            return new Outline(o.corners().stream()
                    .map(c -> new Outline.Corner(c.x(), -c.y(), c.radius()))
                    .toList());
        }

        private static Point[] upright(Point[] lying) {
            var upright = new Point[lying.length];
            for (var i = 0; i < lying.length; i++) {
                upright[i] = new Point(lying[i].x(), -lying[i].z(), lying[i].y());
            }
            return upright;
        }
    }

    /**
     * A flight of steps along X with a sloped soffit.
     *
     * @param treads 1 to 100
     * @param foot   how much of its height hangs below the first riser
     * @param waist  upright, from the inner corner of a step to the soffit
     */
    record Steps(Vec size, int treads, long foot, long waist) implements Form {

        public Steps {
            requireSize(size);
            if (treads < 1 || treads > 100) {
                throw new Refused("treads", "A flight has 1 to 100 treads.");
            }
            if (foot < 0 || foot >= size.z() || waist < 0) {
                throw new Refused("foot", "What hangs below a flight's first riser is less than its height.");
            }
        }

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
                solids.add(
                        Box.of(size.x() * i / treads, 0, soffit(i), size.x() * (i + 1) / treads, size.y(), top(i + 1)));
            }
            return solids;
        }

        @Override
        public void addTo(Faces faces, Bevel bevel) {
            var outline = new ArrayList<Ring.Corner>();
            for (var i = 0; i < treads; i++) {
                var x = size.x() / 1000.0 * i / treads;
                outline.add(new Ring.Corner(x, top(i) / 1000.0));
                outline.add(new Ring.Corner(x, top(i + 1) / 1000.0));
            }
            outline.add(new Ring.Corner(size.x() / 1000.0, size.z() / 1000.0));
            var under = size.z() - Math.max(waist, foot);
            if (under <= 0) {
                outline.add(new Ring.Corner(size.x() / 1000.0, 0));
            } else {
                outline.add(new Ring.Corner(size.x() / 1000.0, under / 1000.0));
                if (waist > foot) {
                    outline.add(new Ring.Corner(size.x() / 1000.0 * (waist - foot) / (size.z() - foot), 0));
                }
            }
            if (foot > 0) {
                outline.add(new Ring.Corner(0, 0));
            }
            BevelledPrism.add(
                    faces, bevel, List.of(Ring.of(outline, false, Outline.TOLERANCE_MM)), 0, size.y() / 1000.0);
        }
    }

    /** A body along X whose lower face goes from one height to another, and so does its upper one; a wedge begins in an edge. */
    record Sloped(long length, long width, long lowFrom, long highFrom, long lowTo, long highTo) implements Form {

        /** Slices that hold it. */
        private static final int SLICES = 12;

        public Sloped {
            requireSize("size", length, width);
            if (highFrom < lowFrom || highTo <= lowTo) {
                throw new Refused("heights", "The upper face of a sloped part lies above its lower one.");
            }
        }

        @Override
        public List<Box> solids() {
            if (lowFrom == lowTo && highFrom == highTo) {
                return List.of(Box.of(0, 0, lowFrom, length, width, highFrom));
            }
            var solids = new ArrayList<Box>();
            for (var i = 0; i < SLICES; i++) {
                var lowA = lowFrom + (lowTo - lowFrom) * i / SLICES;
                var lowB = lowFrom + (lowTo - lowFrom) * (i + 1) / SLICES;
                var highA = highFrom + (highTo - highFrom) * i / SLICES;
                var highB = highFrom + (highTo - highFrom) * (i + 1) / SLICES;
                solids.add(Box.of(
                        length * i / SLICES,
                        0,
                        Math.min(lowA, lowB),
                        length * (i + 1) / SLICES,
                        width,
                        Math.max(highA, highB)));
            }
            return solids;
        }

        @Override
        public void addTo(Faces faces, Bevel bevel) {
            var outline = new ArrayList<>(List.of(
                    new Ring.Corner(0, lowFrom / 1000.0),
                    new Ring.Corner(length / 1000.0, lowTo / 1000.0),
                    new Ring.Corner(length / 1000.0, highTo / 1000.0)));
            if (highFrom > lowFrom) {
                outline.add(new Ring.Corner(0, highFrom / 1000.0));
            }
            BevelledPrism.add(faces, bevel, List.of(Ring.of(outline, false, Outline.TOLERANCE_MM)), 0, width / 1000.0);
        }
    }

    /**
     * A body turned about the upright axis through the origin.
     *
     * @param profile 2 to 200 stations, upward on the outer side; it is closed to the axis at both ends
     * @param sides   3 to 96
     */
    record Turned(List<Station> profile, int sides) implements Form {

        /** @param radius 0 or more, @param z height, µm */
        public record Station(long radius, long z) {

            public static Station ofMillimetres(double radius, double z) {
                return new Station(Math.round(radius * 1000), Math.round(z * 1000));
            }

            private Lathe.Station millimetres() {
                return new Lathe.Station(radius / 1000.0, z / 1000.0);
            }
        }

        public static final int SIDES = 24;

        public Turned {
            profile = List.copyOf(profile);
            if (profile.size() < 2 || profile.size() > 200) {
                throw new Refused("profile", "A half profile has 2 to 200 points.");
            }
            if (sides < 3 || sides > 96) {
                throw new Refused("sides", "A turned part has 3 to 96 sides.");
            }
            for (var i = 0; i < profile.size(); i++) {
                var s = profile.get(i);
                if (s.radius() < 0 || s.radius() > 50_000_000 || s.radius() == 0 && i > 0 && i + 1 < profile.size()) {
                    throw new Refused(
                            "profile",
                            "Point " + (i + 1)
                                    + " of the half profile lies off the axis by more than 0, and at most 50 m.");
                }
                if (i > 0 && (s.z() < profile.get(i - 1).z() || s.equals(profile.get(i - 1)))) {
                    throw new Refused(
                            "profile", "Point " + (i + 1) + " of the half profile lies below or on the one before it.");
                }
            }
            if (profile.get(0).z() == profile.get(profile.size() - 1).z()) {
                throw new Refused("profile", "The half profile has no height.");
            }
        }

        @Override
        public boolean isRound() {
            return true;
        }

        @Override
        public List<Box> solids() {
            var radius = profile.stream().mapToLong(Station::radius).max().orElse(0);
            return List.of(Box.of(
                    -radius,
                    -radius,
                    profile.get(0).z(),
                    radius,
                    radius,
                    profile.get(profile.size() - 1).z()));
        }

        /** Closed to the axis. */
        public List<Lathe.Station> closed() {
            var closed = new ArrayList<Lathe.Station>();
            var first = profile.get(0);
            var last = profile.get(profile.size() - 1);
            if (first.radius() > 0) {
                closed.add(new Station(0, first.z()).millimetres());
            }
            profile.forEach(s -> closed.add(s.millimetres()));
            if (last.radius() > 0) {
                closed.add(new Station(0, last.z()).millimetres());
            }
            return closed;
        }

        @Override
        public void addTo(Faces faces, Bevel bevel) {
            Lathe.add(faces, new Point(0, 0, 0), closed(), sides);
        }
    }

    /**
     * The bars of a guard along X, in the middle of its depth.
     *
     * @param size   of the guard, its rise among its height
     * @param rise   from its lower end to its upper one; less than its height
     * @param treads that its bars stand on, each in the middle of its share of a tread; 0 for a floor or a ramp
     * @param pitch  from bar to bar at most
     * @param bar    how thick one is
     */
    record Bars(Vec size, long rise, int treads, long pitch, long bar) implements Form {

        public Bars {
            requireSize(size);
            requireSize("pitch", pitch, bar);
            if (rise < 0 || rise >= size.z() || treads < 0 || treads > 100) {
                throw new Refused("rise", "A guard rises by less than its height, over at most 100 treads.");
            }
            if (bar > size.y() || bar > size.x() || pitch < bar || size.x() / pitch > 2000) {
                throw new Refused("pitch", "The bars of a guard stand apart, within its depth; at most 2000 of them.");
            }
        }

        @Override
        public List<Box> solids() {
            var bars = new ArrayList<Box>();
            var each = Math.max(1, treads);
            var count = (size.x() / each + pitch - 1) / pitch;
            var y = (size.y() - bar) / 2;
            var top = size.z() - rise;
            for (var i = 0L; i < each * count; i++) {
                var x = Math.max(0, size.x() * (2 * i + 1) / (2 * each * count) - bar / 2);
                var foot = treads > 0 ? rise * (i / count) / treads : rise * x / size.x();
                bars.add(new Box(new Vec(x, y, foot), new Vec(x + bar, y + bar, top + rise * x / size.x())));
            }
            return bars;
        }

        @Override
        public void addTo(Faces faces, Bevel bevel) {
            solids().forEach(b -> BevelledBox.add(faces, bevel, millimetres(b.min()), millimetres(b.max())));
        }
    }

    /**
     * A profile pushed along a path, mitred where that bends sharply.
     *
     * @param path     2 to 200 corners, sharp or rounded
     * @param closed   whether it comes back to where it began
     * @param across   which point of the profile lies on the path: −1 its left, 0 its middle, 1 its right
     * @param up       −1 its lower edge, 0 its middle, 1 its upper edge
     * @param mirrored whether its left is on the right
     */
    record Pushed(Profile profile, List<Corner> path, boolean closed, int across, int up, boolean mirrored)
            implements Form {

        /** @param radius that the path is rounded by there, 0 or more */
        public record Corner(Vec at, long radius) {

            private Sweep.Corner millimetres() {
                return new Sweep.Corner(Form.millimetres(at), radius / 1000.0);
            }
        }

        private static final double TOLERANCE_MM = 1;

        /** @throws Refused if the path turns right back, or the profile is too wide for its bends */
        public Pushed {
            path = List.copyOf(path);
            if (path.size() < (closed ? 3 : 2) || path.size() > 200) {
                throw new Refused(
                        "path", closed ? "A closed path has 3 to 200 corners." : "A path has 2 to 200 corners.");
            }
            for (var i = closed ? 0 : 1; i < path.size(); i++) {
                if (path.get(i)
                        .at()
                        .equals(path.get((i + path.size() - 1) % path.size()).at())) {
                    throw new Refused("path", "Corner " + (i + 1) + " of the path lies where the one before it does.");
                }
            }
            if (path.stream().anyMatch(c -> c.radius() < 0)) {
                throw new Refused("path", "A path is rounded by 0 or more.");
            }
            push((corners, normals, laid) -> {}, Bevel.chamfer(0), profile, path, closed, across, up, mirrored);
        }

        private static void push(
                Faces faces,
                Bevel bevel,
                Profile profile,
                List<Corner> path,
                boolean closed,
                int across,
                int up,
                boolean mirrored) {
            try {
                Sweep.add(faces, rings(profile, bevel, across, up, mirrored), line(path, closed), closed);
            } catch (IllegalArgumentException e) {
                var why = String.valueOf(e.getMessage());
                throw new Refused("path", Character.toUpperCase(why.charAt(0)) + why.substring(1) + ".");
            }
        }

        private static List<Point> line(List<Corner> path, boolean closed) {
            return Sweep.line(path.stream().map(Corner::millimetres).toList(), closed, TOLERANCE_MM);
        }

        private static List<Ring> rings(Profile profile, Bevel bevel, int across, int up, boolean mirrored) {
            var x = -profile.width() * (across + 1) / 2000.0;
            var y = -profile.height() * (up + 1) / 2000.0;
            var outlines = profile.outlines();
            var rings = new ArrayList<Ring>();
            for (var i = 0; i < outlines.size(); i++) {
                rings.add(Ring.of(
                        outlines.get(i).millimetres().stream()
                                .map(c -> new Ring.Corner(mirrored ? -(c.x() + x) : c.x() + x, c.y() + y, c.radius()))
                                .toList(),
                        i > 0,
                        bevel,
                        Outline.TOLERANCE_MM));
            }
            return rings;
        }

        /** One box for each stretch of the path. */
        @Override
        public List<Box> solids() {
            var ring = rings(profile, Bevel.chamfer(0), across, up, mirrored).get(0);
            var faces = new ArrayList<Point[]>();
            var line = line(path, closed);
            Sweep.add((corners, normals, laid) -> faces.add(corners), List.of(ring), line, closed);
            var boxes = new ArrayList<Box>();
            for (var s = 0; s < (closed ? line.size() : line.size() - 1); s++) {
                boxes.add(Extent.of(faces.subList(s * ring.size(), (s + 1) * ring.size()).stream()
                        .flatMap(Stream::of)));
            }
            return boxes;
        }

        @Override
        public void addTo(Faces faces, Bevel bevel) {
            push(faces, bevel, profile, path, closed, across, up, mirrored);
        }
    }

    /**
     * Letters that stand upright along X, their foot at the origin's height, pushed along Y.
     *
     * @param text   1 to 60 characters of the typeface that is shipped
     * @param height of a capital
     * @param depth  how thick they are
     */
    record Letters(String text, long height, long depth) implements Form {

        public Letters {
            requireSize("height", height, depth);
            if (text.isBlank() || text.length() > 60) {
                throw new Refused("text", "Lettering is 1 to 60 characters.");
            }
            Lettering.missing(text).ifPresent(c -> {
                throw new Refused("text", "The typeface has no “" + c + "”.");
            });
        }

        private List<List<Ring>> bodies() {
            return Lettering.bodies(text, height / 1000.0, Math.min(Outline.TOLERANCE_MM, height / 200_000.0));
        }

        /** One for each body of a letter. */
        @Override
        public List<Box> solids() {
            return bodies().stream()
                    .map(rings -> Extent.of(rings.get(0).points().stream()
                            .flatMap(p ->
                                    Stream.of(new Point(p.x(), 0, p.y()), new Point(p.x(), depth / 1000.0, p.y())))))
                    .toList();
        }

        @Override
        public void addTo(Faces faces, Bevel bevel) {
            bodies().forEach(rings -> BevelledPrism.add(faces, bevel, rings, 0, depth / 1000.0));
        }
    }

    /**
     * A surface of one material that was made elsewhere. It need not close, and has no bevel but its own.
     *
     * @param laidOut whether it lies on its sheet as it was laid out there
     * @param exact   whether just so, one picture being the whole sheet; else as large as makes its density the site's
     */
    record Brought(Shell shell, boolean laidOut, boolean exact) implements Form {

        public Brought(Shell shell, boolean laidOut) {
            this(shell, laidOut, false);
        }

        /** What is flat is as thick as the thinnest that is made here. */
        @Override
        public List<Box> solids() {
            var box = shell.box();
            return List.of(new Box(
                    box.min(),
                    new Vec(
                            Math.max(box.max().x(), box.min().x() + 100),
                            Math.max(box.max().y(), box.min().y() + 100),
                            Math.max(box.max().z(), box.min().z() + 100))));
        }

        @Override
        public void addTo(Faces faces, Bevel bevel) {
            shell.addTo(faces, laidOut);
        }

        @Override
        public void addTo(Faces faces, Bevel bevel, double sheet) {
            if (laidOut && exact) {
                shell.addOnSheet(faces, sheet);
            } else {
                addTo(faces, bevel);
            }
        }
    }
}
