package hausbau.core.kit;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Bevel;
import hausbau.core.shape.Faces;
import hausbau.core.shape.Facet;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Laying;
import hausbau.core.shape.MeshBuilder;
import hausbau.core.shape.Patch;
import hausbau.core.shape.Point;
import hausbau.core.shape.Pose;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A closed body of a piece, or several alike.
 *
 * @param name   at most 60 characters; empty where nobody named it
 * @param edge   empty takes the usual bevel
 * @param at     where its form's origin lies in the piece
 * @param turn   about that
 * @param hidden whether it is kept, but is not there
 * @param cuts   whether it is not there itself, but is taken out of all parts that come before it
 * @param laying how it lies on its sheet
 */
public record Part(
        String name,
        Swatch swatch,
        Optional<Edge> edge,
        Form form,
        Vec at,
        Turning turn,
        Copies copies,
        Taper taper,
        boolean hidden,
        boolean cuts,
        Laying laying) {

    /** @param width of the bevel, 0 to 1 m, @param segments 1 to 8; 1 is a chamfer */
    public record Edge(Length width, int segments) {

        public Edge {
            if (width.um() < 0 || width.um() > 1_000_000 || segments < 1 || segments > 8) {
                throw new Refused("bevel", "A bevel is 0 to 1000 mm wide, of 1 to 8 segments.");
            }
        }

        Bevel bevel() {
            return new Bevel(width.um() / 1000.0, segments);
        }
    }

    /** Degrees about X, then Y, then Z. */
    public record Turning(double x, double y, double z) {

        public static final Turning NONE = new Turning(0, 0, 0);

        public Turning {
            if (!(Math.abs(x) <= 360 && Math.abs(y) <= 360 && Math.abs(z) <= 360)) {
                throw new Refused("turnDegrees", "A part is turned by at most 360 degrees.");
            }
        }

        boolean isSquare() {
            return x % 90 == 0 && y % 90 == 0 && z % 90 == 0;
        }

        Pose pose() {
            return Pose.turned(x, y, z);
        }
    }

    /** How wide it is above, in percent of what it is below, about its middle: 1 to 1000; straight up between. */
    public record Taper(double x, double y) {

        public static final Taper NONE = new Taper(100, 100);

        public Taper {
            if (!(x >= 1 && x <= 1000 && y >= 1 && y <= 1000)) {
                throw new Refused("taper", "A part is tapered to 1 to 1000 percent.");
            }
        }
    }

    /** As it lies on its sheet by itself. */
    public Part(
            String name,
            Swatch swatch,
            Optional<Edge> edge,
            Form form,
            Vec at,
            Turning turn,
            Copies copies,
            Taper taper,
            boolean hidden,
            boolean cuts) {
        this(name, swatch, edge, form, at, turn, copies, taper, hidden, cuts, Laying.AS_IT_LIES);
    }

    public Part {
        if (name.length() > 60) {
            throw new Refused("name", "A part's name has at most 60 characters.");
        }
    }

    /** A plain part with the usual bevel. */
    public static Part of(Swatch swatch, Form form, Vec at) {
        return new Part(
                "",
                swatch,
                Optional.empty(),
                form,
                at,
                Turning.NONE,
                Copies.ONE,
                Taper.NONE,
                false,
                false,
                Laying.AS_IT_LIES);
    }

    static Part block(Swatch swatch, Box box) {
        return of(swatch, new Form.Block(box.size()), box.min());
    }

    static Part blockOfMillimetres(Swatch swatch, long x0, long y0, long z0, long x1, long y1, long z1) {
        return block(swatch, new Box(Vec.ofMillimetres(x0, y0, z0), Vec.ofMillimetres(x1, y1, z1)));
    }

    /** The same in a piece of a size that is turned by half about its upright middle; it is not turned about X or Y itself. */
    Part turnedEndForEnd(Vec size) {
        var there = new Vec(size.x() - at.x(), size.y() - at.y(), at.z());
        var half = new Turning(turn.x(), turn.y(), turn.z() > 0 ? turn.z() - 180 : turn.z() + 180);
        return new Part(name, swatch, edge, form, there, half, copies, taper, hidden, cuts, laying);
    }

    public Part named(String to) {
        return new Part(to, swatch, edge, form, at, turn, copies, taper, hidden, cuts, laying);
    }

    /** The same, taken out of what comes before it. */
    public Part cutting() {
        return new Part(name, swatch, edge, form, at, turn, copies, taper, hidden, true, laying);
    }

    /** The same of another swatch. */
    public Part of(Swatch other) {
        return new Part(name, other, edge, form, at, turn, copies, taper, hidden, cuts, laying);
    }

    /** The same of another form. */
    public Part of(Form other) {
        return new Part(name, swatch, edge, other, at, turn, copies, taper, hidden, cuts, laying);
    }

    /** Whether it is round in plan. */
    public boolean isRound() {
        return form.isRound() && turn.x() == 0 && turn.y() == 0;
    }

    private List<Pose> poses() {
        var own = turn.pose().then(Pose.at(new Point(at.x() / 1000.0, at.y() / 1000.0, at.z() / 1000.0)));
        return copies.poses().stream().map(own::then).toList();
    }

    /** Boxes in whole micrometres that hold it; none where it is hidden. */
    public List<Box> solids() {
        return solidsOfCopies().flatMap(List::stream).toList();
    }

    /** What each of its copies takes in all; none where it is hidden. */
    public List<Box> extents() {
        return solidsOfCopies()
                .flatMap(solids -> solids.stream().reduce(Box::union).stream())
                .toList();
    }

    private Stream<List<Box>> solidsOfCopies() {
        if (hidden) {
            return Stream.empty();
        }
        var solids =
                taper.equals(Taper.NONE) ? form.solids() : Tapering.of(this).solids();
        return poses().stream().map(pose -> solids.stream()
                .map(box -> Extent.of(Extent.corners(box).map(pose::place)))
                .toList());
    }

    /** Whether its boxes hold it and nothing else. */
    boolean fillsItsSolids() {
        return form.fillsItsSolids()
                && taper.equals(Taper.NONE)
                && turn.isSquare()
                && poses().stream().allMatch(Pose::isSquare);
    }

    /** A sharp edge is cut where none is told: a bevel of what cuts would be a ridge in what is left. */
    private Bevel bevel(Finish finish) {
        return edge.map(Edge::bevel).orElse(Bevel.chamfer(cuts ? 0 : finish.bevel()));
    }

    private void addTo(Faces faces, Pose pose, int copy, Finish finish) {
        Patch.lay(
                swatch,
                finish,
                laying,
                copy,
                pose,
                faces,
                laid -> form.addTo(
                        taper.equals(Taper.NONE) ? laid : Tapering.of(this).into(laid),
                        bevel(finish),
                        finish.sheetWidth(swatch)));
    }

    void addTo(MeshBuilder mesh, Finish finish) {
        if (!hidden) {
            var poses = poses();
            for (var copy = 0; copy < poses.size(); copy++) {
                addTo(mesh.of(swatch, poses.get(copy)), poses.get(copy), copy, finish);
            }
        }
    }

    /** The faces of each body that it is. */
    List<List<Facet>> bodies(Finish finish) {
        var bodies = new ArrayList<List<Facet>>();
        var poses = hidden ? List.<Pose>of() : poses();
        for (var copy = 0; copy < poses.size(); copy++) {
            var facets = new ArrayList<Facet>();
            addTo(Facet.into(facets, swatch, poses.get(copy)), poses.get(copy), copy, finish);
            bodies.add(facets);
        }
        return bodies;
    }
}
