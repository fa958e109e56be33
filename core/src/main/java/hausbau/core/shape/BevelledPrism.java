package hausbau.core.shape;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * An outline in the XZ plane, with or without holes, pushed along Y; the edges of its front (least Y) and back are
 * bevelled, those along Y are as the outline has them.
 *
 * <p>The bevel is the outline set inwards along mitres; it is halved until it fits, and left out where it does not.
 * Cost: that of triangulating the outline.
 */
public final class BevelledPrism {

    private static final int TRIES = 6;

    private BevelledPrism() {}

    /**
     * @param rings the outline, then its holes; simple, and apart from one another
     * @param y0    front, @param y1 back
     */
    public static void add(Faces faces, Bevel bevel, List<Ring> rings, double y0, double y1) {
        var fitting = fitting(bevel.atMost((y1 - y0) / 4), rings);
        var layers = new ArrayList<List<Ring>>();
        var steps = fitting.width() == 0 ? 0 : fitting.segments();
        for (var k = 0; k <= steps; k++) {
            var by = steps == 0 ? 0 : fitting.width() * (1 - fitting.sin(k));
            layers.add(rings.stream().map(ring -> ring.inset(by)).toList());
        }
        var cap = Cap.of(layers.get(0));
        cap.add(faces, at -> new Point(at.x(), y0, at.y()), false);
        cap.add(faces, at -> new Point(at.x(), y1, at.y()), true);
        for (var r = 0; r < rings.size(); r++) {
            for (var i = 0; i < rings.get(r).size(); i++) {
                side(faces, fitting, steps, layers, r, i, y0, y1);
            }
        }
    }

    private static Bevel fitting(Bevel bevel, List<Ring> rings) {
        var tried = bevel;
        for (var i = 0; i < TRIES; i++) {
            var width = tried.width();
            var inset = rings.stream().map(ring -> ring.inset(width)).toList();
            if (IntStream.range(0, rings.size()).allMatch(r -> inset.get(r).runsAlong(rings.get(r)))
                    && (isPlain(rings) || Cap.isSound(inset))) {
                return tried;
            }
            tried = new Bevel(width / 2, bevel.segments());
        }
        return new Bevel(0, 1);
    }

    /** Of few corners, which come apart before they cross. */
    private static boolean isPlain(List<Ring> rings) {
        return rings.size() == 1 && rings.get(0).size() <= 12;
    }

    /** What goes from front to back along the edge after a point: the bevel, the side, the bevel. */
    private static void side(
            Faces faces, Bevel bevel, int steps, List<List<Ring>> layers, int r, int i, double y0, double y1) {
        var outward = layers.get(steps).get(r).normals(i);
        for (var k = 0; k < steps; k++) {
            var outer = layers.get(k).get(r);
            var inner = layers.get(k + 1).get(r);
            var near = bevel.width() * (1 - bevel.cos(k));
            var far = bevel.width() * (1 - bevel.cos(k + 1));
            faces.face(
                    new Point[] {
                        at(outer, i, y0 + near),
                        at(inner, i, y0 + far),
                        at(inner, i + 1, y0 + far),
                        at(outer, i + 1, y0 + near)
                    },
                    new Point[] {
                        normal(outward[0], -bevel.cos(k), bevel.sin(k)),
                        normal(outward[0], -bevel.cos(k + 1), bevel.sin(k + 1)),
                        normal(outward[1], -bevel.cos(k + 1), bevel.sin(k + 1)),
                        normal(outward[1], -bevel.cos(k), bevel.sin(k))
                    });
            faces.face(
                    new Point[] {
                        at(inner, i, y1 - far),
                        at(outer, i, y1 - near),
                        at(outer, i + 1, y1 - near),
                        at(inner, i + 1, y1 - far)
                    },
                    new Point[] {
                        normal(outward[0], bevel.cos(k + 1), bevel.sin(k + 1)),
                        normal(outward[0], bevel.cos(k), bevel.sin(k)),
                        normal(outward[1], bevel.cos(k), bevel.sin(k)),
                        normal(outward[1], bevel.cos(k + 1), bevel.sin(k + 1))
                    });
        }
        var ring = layers.get(steps).get(r);
        var width = steps == 0 ? 0 : bevel.width();
        faces.face(
                new Point[] {
                    at(ring, i, y0 + width),
                    at(ring, i, y1 - width),
                    at(ring, i + 1, y1 - width),
                    at(ring, i + 1, y0 + width)
                },
                new Point[] {
                    normal(outward[0], 0, 1),
                    normal(outward[0], 0, 1),
                    normal(outward[1], 0, 1),
                    normal(outward[1], 0, 1)
                });
    }

    private static Point at(Ring ring, int i, double y) {
        var p = ring.point(i);
        return new Point(p.x(), y, p.y());
    }

    private static Point normal(Ring.At outward, double y, double share) {
        return new Point(outward.x() * share, y, outward.y() * share);
    }
}
