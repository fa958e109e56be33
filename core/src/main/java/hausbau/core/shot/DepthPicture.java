package hausbau.core.shot;

import hausbau.core.shape.Mesh;
import hausbau.core.shape.Point;

/**
 * What is seen from a viewpoint, pixel by pixel: which thing, how far, and how its surface lies. Triangles may come in any
 * order. It is mutable and of one thread. Memory: 21 bytes a pixel. Cost: the vertices drawn, and the pixels that they cover.
 */
public final class DepthPicture {

    /** What is nearer to the eye than this is not seen, millimetres. */
    private static final double NEAR = 10;

    private final int width;
    private final int height;
    private final Point eye;
    private final Point right;
    private final Point up;
    private final Point forward;
    /** Pixels of an object that is one long at a distance of one. */
    private final double scale;

    private final double cutAbove;
    private final int[] thing;
    /** One by the distance into the picture; 0 where nothing is seen. */
    private final float[] nearness;

    private final float[] normals;
    private final boolean[] fromBehind;

    /**
     * @param width    pixels
     * @param height   pixels
     * @param cutAbove nothing above this height is there, millimetres; infinite: everything is
     */
    public DepthPicture(Viewpoint from, int width, int height, double cutAbove) {
        this.width = width;
        this.height = height;
        this.cutAbove = cutAbove;
        eye = from.eye();
        right = from.right();
        up = from.up();
        forward = from.forward();
        scale = height / 2.0 / Math.tan(Math.toRadians(from.degrees()) / 2);
        thing = new int[width * height];
        nearness = new float[width * height];
        normals = new float[3 * width * height];
        fromBehind = new boolean[width * height];
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** What is seen in a pixel, counted from the left and from the top; 0 is nothing. */
    public int thing(int x, int y) {
        return thing[y * width + x];
    }

    /** How far it lies into the picture, millimetres along the way one looks; infinite where nothing is seen. */
    public double depth(int x, int y) {
        return 1 / nearness[y * width + x];
    }

    /** How its surface lies, one long; toward where it is seen from. */
    public Point normal(int x, int y) {
        var at = 3 * (y * width + x);
        return new Point(normals[at], normals[at + 1], normals[at + 2]);
    }

    /** Whether a surface is seen from behind: one looks into something that is cut open. */
    public boolean isFromBehind(int x, int y) {
        return fromBehind[y * width + x];
    }

    /** A corner in the frame of the eye, with its height in the site. */
    private record Corner(double x, double y, double depth, double z) {

        Corner toward(Corner o, double part) {
            return new Corner(
                    x + (o.x - x) * part, y + (o.y - y) * part, depth + (o.depth - depth) * part, z + (o.z - z) * part);
        }
    }

    /**
     * Draws a mesh.
     *
     * @param frame row by row, what takes a place of the mesh to the site, and where its origin lies: 12 numbers, millimetres
     * @param id    what it is called in {@link #thing}, not 0
     */
    public void draw(Mesh mesh, double[] frame, int id) {
        var corners = new Corner[mesh.vertices()];
        var places = new Point[corners.length];
        for (var i = 0; i < corners.length; i++) {
            places[i] = placed(mesh.position(i), frame);
            var seen = places[i].minus(eye);
            corners[i] = new Corner(seen.dot(right), seen.dot(up), seen.dot(forward), places[i].z());
        }
        var turns = isMirroring(frame) ? -1 : 1;
        for (var part : mesh.parts()) {
            var of = part.indices();
            for (var i = 0; i < of.length; i += 3) {
                draw(turns, corners[of[i]], corners[of[i + 1]], corners[of[i + 2]], places, of, i, id);
            }
        }
    }

    /** Then what is counter-clockwise from outside comes to be clockwise. */
    private static boolean isMirroring(double[] f) {
        var x = new Point(f[0], f[4], f[8]);
        var y = new Point(f[1], f[5], f[9]);
        return x.cross(y).dot(new Point(f[2], f[6], f[10])) < 0;
    }

    private static Point placed(Point p, double[] f) {
        return new Point(
                f[0] * p.x() + f[1] * p.y() + f[2] * p.z() + f[3],
                f[4] * p.x() + f[5] * p.y() + f[6] * p.z() + f[7],
                f[8] * p.x() + f[9] * p.y() + f[10] * p.z() + f[11]);
    }

    private void draw(int turns, Corner a, Corner b, Corner c, Point[] places, int[] of, int i, int id) {
        if (a.depth < NEAR && b.depth < NEAR && c.depth < NEAR) {
            return;
        }
        var from = places[of[i]];
        var across = places[of[i + 1]]
                .minus(from)
                .cross(places[of[i + 2]].minus(from))
                .times(turns);
        if (across.length() == 0) {
            return;
        }
        var isBehind = across.dot(eye.minus(from)) < 0;
        var normal = across.unit().times(isBehind ? -1 : 1);
        if (a.depth >= NEAR && b.depth >= NEAR && c.depth >= NEAR) {
            fill(a, b, c, normal, isBehind, id);
        } else {
            fillBeyondNear(new Corner[] {a, b, c}, normal, isBehind, id);
        }
    }

    /** What of a triangle lies beyond the near plane: three or four corners (I. Sutherland, G. Hodgman, 1974). */
    private void fillBeyondNear(Corner[] corners, Point normal, boolean isBehind, int id) {
        var kept = new Corner[4];
        var n = 0;
        for (var i = 0; i < 3; i++) {
            var here = corners[i];
            var next = corners[(i + 1) % 3];
            if (here.depth >= NEAR) {
                kept[n++] = here;
            }
            if (here.depth >= NEAR != next.depth >= NEAR) {
                kept[n++] = here.toward(next, (NEAR - here.depth) / (next.depth - here.depth));
            }
        }
        for (var i = 2; i < n; i++) {
            fill(kept[0], kept[i - 1], kept[i], normal, isBehind, id);
        }
    }

    /** By the areas that a pixel's middle makes with the sides (J. Pineda, 1988); one by the depth runs straight over the picture. */
    private void fill(Corner a, Corner b, Corner c, Point normal, boolean isBehind, int id) {
        var ax = width / 2.0 + scale * a.x / a.depth;
        var ay = height / 2.0 - scale * a.y / a.depth;
        var bx = width / 2.0 + scale * b.x / b.depth;
        var by = height / 2.0 - scale * b.y / b.depth;
        var cx = width / 2.0 + scale * c.x / c.depth;
        var cy = height / 2.0 - scale * c.y / c.depth;
        var area = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
        if (area == 0) {
            return;
        }
        var left = (int) Math.max(0, Math.ceil(Math.min(ax, Math.min(bx, cx)) - 0.5));
        var rightmost = (int) Math.min(width - 1.0, Math.floor(Math.max(ax, Math.max(bx, cx)) - 0.5));
        var top = (int) Math.max(0, Math.ceil(Math.min(ay, Math.min(by, cy)) - 0.5));
        var bottom = (int) Math.min(height - 1.0, Math.floor(Math.max(ay, Math.max(by, cy)) - 0.5));
        for (var y = top; y <= bottom; y++) {
            for (var x = left; x <= rightmost; x++) {
                var px = x + 0.5;
                var py = y + 0.5;
                var ofA = ((bx - px) * (cy - py) - (by - py) * (cx - px)) / area;
                var ofB = ((cx - px) * (ay - py) - (cy - py) * (ax - px)) / area;
                var ofC = 1 - ofA - ofB;
                if (ofA >= 0 && ofB >= 0 && ofC >= 0) {
                    var near = ofA / a.depth + ofB / b.depth + ofC / c.depth;
                    var z = (ofA * a.z / a.depth + ofB * b.z / b.depth + ofC * c.z / c.depth) / near;
                    set(y * width + x, near, z, normal, isBehind, id);
                }
            }
        }
    }

    private void set(int at, double near, double z, Point normal, boolean isBehind, int id) {
        if (near <= nearness[at] || z > cutAbove) {
            return;
        }
        nearness[at] = (float) near;
        thing[at] = id;
        normals[3 * at] = (float) normal.x();
        normals[3 * at + 1] = (float) normal.y();
        normals[3 * at + 2] = (float) normal.z();
        fromBehind[at] = isBehind;
    }
}
