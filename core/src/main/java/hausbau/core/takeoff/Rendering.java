package hausbau.core.takeoff;

import hausbau.core.measure.Vec;
import hausbau.core.place.Standing;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Point;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A picture of a set through a camera: flat shaded, nearest surface first by a depth buffer, with ink where surfaces end
 * or bend. Triangles are cut at the near plane. Cost: the triangles, and the pixels they cover.
 */
public final class Rendering {

    private static final double NEAR = 50;
    private static final int SKY = 0xE9E4D8;
    private static final int INK = 0x22303C;
    /** A bend of more than 25 degrees, or a step in depth of more than this share, is drawn as an edge. */
    private static final double BEND = Math.cos(Math.toRadians(25));

    private static final double STEP = 0.02;

    private final Camera camera;
    private final Raster picture;
    private final double[] depth;
    private final float[] normals;

    private Rendering(Camera camera) {
        this.camera = camera;
        this.picture = new Raster(camera.width(), camera.height());
        this.depth = new double[camera.width() * camera.height()];
        this.normals = new float[3 * depth.length];
        Arrays.fill(picture.rgb(), SKY);
        Arrays.fill(depth, Double.MAX_VALUE);
    }

    /** @param placed exact stances only */
    public static Raster of(Camera camera, List<Standing> placed, Finish finish) {
        var rendering = new Rendering(camera);
        for (var one : placed) {
            rendering.draw(one, one.kind().mesh(finish));
        }
        rendering.drawEdges();
        return rendering.picture;
    }

    private void draw(Standing one, Mesh mesh) {
        var stance = one.stance();
        var box = one.kind().box();
        var sum = (box.min().x() + box.max().x()) / 1000.0;
        var points = new Point[mesh.vertices()];
        for (var i = 0; i < points.length; i++) {
            var p = mesh.position(i);
            var turned = turned(stance.turn().quarters(), stance.mirrored() ? sum - p.x() : p.x(), p.y());
            points[i] = new Point(
                    turned[0] + stance.at().x() / 1000.0,
                    turned[1] + stance.at().y() / 1000.0,
                    p.z() + stance.at().z() / 1000.0);
        }
        for (var part : mesh.parts()) {
            for (var i = 0; i < part.indices().length; i += 3) {
                drawTriangle(
                        List.of(
                                points[part.indices()[i]],
                                points[part.indices()[i + 1]],
                                points[part.indices()[i + 2]]),
                        stance.mirrored() ? -1 : 1,
                        part.swatch());
            }
        }
    }

    private static double[] turned(int quarters, double x, double y) {
        return switch (quarters) {
            case 1 -> new double[] {-y, x};
            case 2 -> new double[] {-x, -y};
            case 3 -> new double[] {y, -x};
            default -> new double[] {x, y};
        };
    }

    private void drawTriangle(List<Point> corners, int facing, Swatch swatch) {
        var normal = corners.get(1).minus(corners.get(0)).cross(corners.get(2).minus(corners.get(0)));
        var length = normal.length() * facing;
        if (length == 0) {
            return;
        }
        var n = new Point(normal.x() / length, normal.y() / length, normal.z() / length);
        var colour = shaded(swatch, n);
        var seen = cutAtNear(corners);
        for (var i = 1; i + 1 < seen.size(); i++) {
            fill(seen.get(0), seen.get(i), seen.get(i + 1), colour, n);
        }
    }

    /** A light from the upper left before the picture, and half as much from everywhere. */
    private static int shaded(Swatch swatch, Point n) {
        var light = 0.62 + 0.38 * Math.max(-0.4, 0.35 * -n.x() + 0.55 * -n.y() + 0.75 * n.z());
        return channel(swatch.red() * light) << 16
                | channel(swatch.green() * light) << 8
                | channel(swatch.blue() * light);
    }

    /** Linear light to the display's curve, roughly. */
    private static int channel(double linear) {
        return (int) Math.round(255 * Math.pow(Math.min(1, Math.max(0, linear)), 1 / 2.2));
    }

    private List<Camera.Seen> cutAtNear(List<Point> corners) {
        var kept = new ArrayList<Camera.Seen>();
        for (var i = 0; i < 3; i++) {
            var a = corners.get(i);
            var b = corners.get((i + 1) % 3);
            var depthA = see(a).depth();
            var depthB = see(b).depth();
            if (depthA >= NEAR) {
                kept.add(see(a));
            }
            if (depthA < NEAR != depthB < NEAR) {
                var share = (NEAR - depthA) / (depthB - depthA);
                kept.add(see(new Point(
                        a.x() + share * (b.x() - a.x()),
                        a.y() + share * (b.y() - a.y()),
                        a.z() + share * (b.z() - a.z()))));
            }
        }
        return kept;
    }

    private Camera.Seen see(Point p) {
        return camera.see(p.x(), p.y(), p.z());
    }

    /** One over depth is linear over the picture, so it is what is mixed. */
    private void fill(Camera.Seen a, Camera.Seen b, Camera.Seen c, int colour, Point n) {
        var area = edge(a.pixel(), b.pixel(), c.pixel().x(), c.pixel().y());
        if (area == 0) {
            return;
        }
        var x0 = bound(Math.min(a.pixel().x(), Math.min(b.pixel().x(), c.pixel().x())), picture.width());
        var x1 = bound(Math.max(a.pixel().x(), Math.max(b.pixel().x(), c.pixel().x())) + 1, picture.width());
        var y0 = bound(Math.min(a.pixel().y(), Math.min(b.pixel().y(), c.pixel().y())), picture.height());
        var y1 = bound(Math.max(a.pixel().y(), Math.max(b.pixel().y(), c.pixel().y())) + 1, picture.height());
        for (var y = y0; y < y1; y++) {
            for (var x = x0; x < x1; x++) {
                var wc = edge(a.pixel(), b.pixel(), x + 0.5, y + 0.5) / area;
                var wa = edge(b.pixel(), c.pixel(), x + 0.5, y + 0.5) / area;
                var wb = 1 - wa - wc;
                if (wa >= 0 && wb >= 0 && wc >= 0) {
                    put(y * picture.width() + x, 1 / (wa / a.depth() + wb / b.depth() + wc / c.depth()), colour, n);
                }
            }
        }
    }

    private static int bound(double value, int most) {
        return (int) Math.min(most, Math.max(0, Math.floor(value)));
    }

    private static double edge(Pixel a, Pixel b, double x, double y) {
        return (b.x() - a.x()) * (y - a.y()) - (b.y() - a.y()) * (x - a.x());
    }

    private void put(int at, double z, int colour, Point n) {
        if (z < depth[at]) {
            depth[at] = z;
            picture.rgb()[at] = colour;
            normals[3 * at] = (float) n.x();
            normals[3 * at + 1] = (float) n.y();
            normals[3 * at + 2] = (float) n.z();
        }
    }

    private void drawEdges() {
        var width = picture.width();
        for (var y = 0; y + 1 < picture.height(); y++) {
            for (var x = 0; x + 1 < width; x++) {
                var at = y * width + x;
                if (isEdge(at, at + 1) || isEdge(at, at + width)) {
                    picture.rgb()[at] = INK;
                }
            }
        }
    }

    private boolean isEdge(int a, int b) {
        var near = Math.min(depth[a], depth[b]);
        if (near == Double.MAX_VALUE) {
            return false;
        }
        var dot = normals[3 * a] * normals[3 * b]
                + normals[3 * a + 1] * normals[3 * b + 1]
                + normals[3 * a + 2] * normals[3 * b + 2];
        return Math.abs(depth[a] - depth[b]) > STEP * near || dot < BEND;
    }

    /** The corners of an upright rectangle as the camera sees them, in the order of {@link Perspective}. */
    public static List<Pixel> corners(Camera camera, Vec lowerLeft, Vec lowerRight, long heightUm) {
        var up = new Vec(0, 0, heightUm);
        return List.of(
                camera.see(lowerLeft).pixel(),
                camera.see(lowerRight).pixel(),
                camera.see(lowerRight.plus(up)).pixel(),
                camera.see(lowerLeft.plus(up)).pixel());
    }
}
