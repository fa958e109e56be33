package hausbau.core.cut;

import hausbau.core.measure.Refused;
import hausbau.core.shape.Facet;
import hausbau.core.shape.Point;
import java.util.ArrayList;
import java.util.List;

/**
 * A closed body that others are taken from. What is left closes: faces that were cut are made whole again where they are flat,
 * and every corner on a neighbour's edge becomes a corner of the neighbour.
 */
public final class Body {

    /** Faces of a body that cuts, and of a body where it is cut: it is the time that bounds them. */
    public static final int MOST = 20_000;
    /** Around what both share, millimetres, so that what lies on its surface lies inside. */
    private static final double AROUND = 1;

    /** @param left of it, @param isNear whether a cut came near to it */
    private record Face(Facet of, List<Facet> left, boolean isNear) {}

    private List<Face> faces;

    public Body(List<Facet> facets) {
        faces = facets.stream().map(f -> new Face(f, List.of(f), false)).toList();
    }

    /** @throws Refused if there are too many faces to reckon with */
    public void take(List<Facet> cutter) {
        var body = faces.stream().flatMap(f -> f.left.stream()).toList();
        var reach = body.isEmpty() ? null : Reach.of(cutter).shared(Reach.of(body));
        if (reach == null) {
            return;
        }
        var about = reach.grown(AROUND);
        var near = body.stream().filter(f -> Reach.of(f).shared(about) != null).toList();
        if (cutter.size() > MOST || near.size() > MOST) {
            throw new Refused(
                    "cuts",
                    "A part that cuts, and what it is cut from, has at most " + MOST + " faces where they meet.");
        }
        var inBody =
                new Space(near.stream().flatMap(f -> about.part(f).stream()).toList());
        var inCutter = new Space(cutter);
        var left = new ArrayList<Face>();
        for (var face : faces) {
            var isNear = face.left.stream().anyMatch(f -> Reach.of(f).shared(about) != null);
            left.add(
                    isNear
                            ? new Face(
                                    face.of,
                                    face.left.stream()
                                            .flatMap(f -> inCutter.keep(f, false, true).stream())
                                            .toList(),
                                    true)
                            : face);
        }
        var isWithin = inBody.isBlank() && isInside(about.middle(), body);
        for (var face : cutter) {
            var inside = inBody.isBlank()
                    ? isWithin ? List.of(face) : List.<Facet>of()
                    : about.part(face).stream()
                            .flatMap(f -> inBody.keep(f, true, true).stream())
                            .flatMap(f -> inBody.keep(f, true, false).stream())
                            .toList();
            left.add(new Face(face.turned(), inside.stream().map(Facet::turned).toList(), true));
        }
        faces = left.stream().filter(f -> !f.left.isEmpty()).toList();
    }

    /** By the solid angle that the faces take up, seen from there (van Oosterom and Strackee, 1983, from memory). */
    private static boolean isInside(Point at, List<Facet> body) {
        var sum = 0.0;
        for (var facet : body) {
            var a = facet.corners()[0].minus(at);
            for (var i = 1; i + 1 < facet.corners().length; i++) {
                var b = facet.corners()[i].minus(at);
                var c = facet.corners()[i + 1].minus(at);
                sum += 2
                        * Math.atan2(
                                a.dot(b.cross(c)),
                                a.length() * b.length() * c.length()
                                        + a.dot(b) * c.length()
                                        + b.dot(c) * a.length()
                                        + c.dot(a) * b.length());
            }
        }
        return Math.abs(sum) > 2 * Math.PI;
    }

    /** What is left. */
    public List<Facet> facets() {
        var mending = new Mending();
        // What nothing came near to says where corners lie.
        faces.stream().filter(f -> !f.isNear).forEach(f -> mending.know(f.of));
        faces.stream().filter(Face::isNear).forEach(f -> mending.add(f.of, f.left));
        return mending.facets();
    }
}
