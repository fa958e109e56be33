package hausbau.core.shape;

import java.util.List;
import java.util.stream.Stream;

/**
 * How finely a mesh's pictures lie on it: the fewest and the most pixels a metre, over all faces and directions. Alike, nothing is
 * stretched; unlike its neighbours', it looks blurred beside them.
 */
public record Density(double least, double greatest) {

    /** Faces below this are left out, mm²: nothing is seen of them. */
    private static final double UNSEEN = 1e-3;

    /** Stretched by more than this, it is seen. Common practice, no source. */
    private static final double SEEN = 1.1;

    /** How finely pictures lie against what a site has. Common practice, no source. */
    public enum Band {
        /** Seen to be blurred beside its neighbours. */
        BLURRED(0.5),
        BELOW(1 / SEEN),
        AS_THE_SITE(SEEN),
        ABOVE(2),
        TWICE(Double.POSITIVE_INFINITY);

        private final double below;

        Band(double below) {
            this.below = below;
        }

        /** Shares of the site's density at which each band gives way to the next. */
        public static List<Double> bounds() {
            return Stream.of(values())
                    .map(b -> b.below)
                    .filter(Double::isFinite)
                    .toList();
        }
    }

    /** Whether pictures lie on it with a stretch that is seen. */
    public boolean isStretched() {
        return greatest > SEEN * least;
    }

    /** Whether some of it is seen to lie coarser or finer than a site has it. */
    public boolean liesOtherwise(Finish finish) {
        return greatest > 0
                && (least < Band.BELOW.below * finish.pixelsPerMetre()
                        || greatest > Band.AS_THE_SITE.below * finish.pixelsPerMetre());
    }

    /** @return 0 and 0 for a mesh without faces */
    public static Density of(Mesh mesh, Sheets sheets) {
        var least = Double.MAX_VALUE;
        var greatest = 0.0;
        for (var part : mesh.parts()) {
            var of = part.indices();
            var side = sheets.side(part.swatch());
            for (var i = 0; i < of.length; i += 3) {
                var a = mesh.position(of[i]);
                var x = mesh.position(of[i + 1]).minus(a);
                var y = mesh.position(of[i + 2]).minus(a);
                var area = x.cross(y).length();
                if (area < UNSEEN) {
                    continue;
                }
                // The triangle flat, x along its first axis; then what takes it to its place on the sheet, in pixels a
                // millimetre.
                var x1 = x.length();
                var y1 = x.dot(y) / x1;
                var y2 = area / x1;
                var a11 = pixels(mesh, side, of[i], of[i + 1], 0) / x1;
                var a21 = pixels(mesh, side, of[i], of[i + 1], 1) / x1;
                var a12 = (pixels(mesh, side, of[i], of[i + 2], 0) - a11 * y1) / y2;
                var a22 = (pixels(mesh, side, of[i], of[i + 2], 1) - a21 * y1) / y2;
                // Its singular values are how much it draws out in two directions at right angles.
                var sum = a11 * a11 + a12 * a12 + a21 * a21 + a22 * a22;
                var det = Math.abs(a11 * a22 - a12 * a21);
                var root = Math.sqrt(Math.max(0, sum * sum - 4 * det * det));
                greatest = Math.max(greatest, Math.sqrt((sum + root) / 2));
                least = Math.min(least, Math.sqrt(Math.max(0, (sum - root) / 2)));
            }
        }
        return greatest == 0 ? new Density(0, 0) : new Density(least * 1000, greatest * 1000);
    }

    private static double pixels(Mesh mesh, int side, int from, int to, int axis) {
        return (mesh.uvs()[2 * to + axis] - mesh.uvs()[2 * from + axis]) * side;
    }
}
