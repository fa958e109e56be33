package hausbau.core.shape;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * A place on a sheet that holds several, in parts of the sheet's side, from its left and from its top.
 *
 * @param kind which way it goes on
 */
public record Patch(Kind kind, double left, double top, double right, double bottom) {

    public enum Kind {
        /** In both directions: it is the whole sheet. */
        TILING,
        /** To the sides: it is as wide as the sheet, and runs along edges and paths. */
        STRIP,
        /** Nowhere: what lies on it lies within. */
        SINGLE
    }

    /**
     * Takes the faces of a body, and hands them on as they lie here once all of them are known: those that look one way
     * together, and those that are rolled out together. They lie at the site's density, made smaller only where they would
     * not fit, without stretch: on a strip from its foot up and as far along as they go, on a single one about its middle.
     */
    final class Lying implements Faces {

        private final Laying laying;
        private final int copy;
        private final Pose pose;
        private final double sheetsPerMillimetre;
        /** What filtering mixes at its rim stays its own, parts of the sheet's side. */
        private final double rim;

        private final Faces into;
        private final Map<Point, List<Face>> alike = new LinkedHashMap<>();
        private static final Point ROLLED = new Point(0, 0, 0);

        private record Face(Point[] corners, Point[] normals, Laid[] laid) {}

        Lying(Laying laying, int copy, Pose pose, double sheetsPerMillimetre, int side, Faces into) {
            this.laying = laying;
            this.copy = copy;
            this.pose = pose;
            this.sheetsPerMillimetre = sheetsPerMillimetre;
            this.rim = 1.0 / side;
            this.into = into;
        }

        @Override
        public void face(Point[] corners, Point[] normals, Laid @Nullable [] laid) {
            var flat = Faces.normal(corners);
            var axes = MeshBuilder.Axes.of(flat);
            var so = new Laid[corners.length];
            for (var i = 0; i < corners.length; i++) {
                so[i] = laying.lay(laid == null ? axes.lay(corners[i].plus(pose.by())) : laid[i], copy);
            }
            alike.computeIfAbsent(laid == null ? rounded(flat) : ROLLED, k -> new ArrayList<>())
                    .add(new Face(corners, normals, so));
        }

        private static Point rounded(Point normal) {
            return new Point(
                    Math.rint(normal.x() * 1e3) + 0.0,
                    Math.rint(normal.y() * 1e3) + 0.0,
                    Math.rint(normal.z() * 1e3) + 0.0);
        }

        void done() {
            alike.values().forEach(this::lay);
        }

        private void lay(List<Face> faces) {
            var along = new Span();
            var across = new Span();
            for (var face : faces) {
                for (var at : face.laid()) {
                    along.take(at.along());
                    across.take(at.across());
                }
            }
            var wide = (right - left - 2 * rim) / sheetsPerMillimetre;
            var high = (bottom - top - 2 * rim) / sheetsPerMillimetre;
            var scale =
                    switch (kind) {
                        case TILING -> 1;
                        case STRIP -> Math.min(1, high / across.length());
                        case SINGLE -> Math.min(1, Math.min(wide / along.length(), high / across.length()));
                    };
            for (var face : faces) {
                var so = new Laid[face.laid().length];
                for (var i = 0; i < so.length; i++) {
                    var at = face.laid()[i];
                    so[i] = switch (kind) {
                        case TILING -> at;
                        // What is across counts from the sheet's foot.
                        case STRIP ->
                            new Laid(
                                    at.along() * scale,
                                    (1 - bottom + rim) / sheetsPerMillimetre + (at.across() - across.least) * scale);
                        case SINGLE ->
                            new Laid(
                                    (left + right) / 2 / sheetsPerMillimetre + (at.along() - along.middle()) * scale,
                                    (1 - (top + bottom) / 2) / sheetsPerMillimetre
                                            + (at.across() - across.middle()) * scale);
                    };
                }
                into.face(face.corners(), face.normals(), so);
            }
        }
    }

    private static final class Span {
        private double least = Double.MAX_VALUE;
        private double greatest = -Double.MAX_VALUE;

        void take(double v) {
            least = Math.min(least, v);
            greatest = Math.max(greatest, v);
        }

        double length() {
            return Math.max(1e-9, greatest - least);
        }

        double middle() {
            return (least + greatest) / 2;
        }
    }

    /** Lays what {@code body} hands on as its swatch lies, see {@link Lying}. */
    public static void lay(
            Swatch swatch, Finish finish, Laying laying, int copy, Pose pose, Faces into, Consumer<Faces> body) {
        var on = finish.sheets().patches().get(swatch);
        if (on == null) {
            body.accept(laying.into(into, copy, pose));
            return;
        }
        var lying = on
        .new Lying(
                laying,
                copy,
                pose,
                finish.sheetsPerMillimetre(swatch),
                finish.sheets().side(swatch),
                into);
        body.accept(lying);
        lying.done();
    }
}
