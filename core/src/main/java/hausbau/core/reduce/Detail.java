package hausbau.core.reduce;

import hausbau.core.measure.Refused;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Point;
import java.util.ArrayList;
import java.util.List;

/**
 * A level of detail of a piece.
 *
 * @param percent of the triangles that was wanted; 0 is a box
 * @param error   how far it lies from the whole one, millimetres
 */
public record Detail(Mesh mesh, int percent, double error) {

    /** To begin from. Common practice, no source. */
    public static final List<Integer> USUAL = List.of(50, 20);

    private static final int MOST = 6;

    /** @throws Refused if there are more than 6, or they do not fall from 99 to 1 */
    public static void require(List<Integer> percents) {
        for (var i = 0; i < percents.size(); i++) {
            if (percents.get(i) < 1
                    || percents.get(i) > 99
                    || i > 0 && percents.get(i) >= percents.get(i - 1)
                    || i >= MOST) {
                throw new Refused(
                        "details",
                        "Levels of detail are at most 6 whole percentages from 99 down to 1, each less than the one before.");
            }
        }
    }

    /** The reduced ones, without such as would save nothing over the one before; then a box, where that saves. */
    public static List<Detail> levels(Mesh mesh, List<Integer> percents, Finish finish) {
        require(percents);
        var levels = new ArrayList<Detail>();
        var box = new Hull(finish).box(mesh);
        var last = mesh.triangles();
        for (var percent : percents) {
            var reduced = Reduced.of(mesh, percent / 100.0, finish);
            var triangles = reduced.mesh().triangles();
            if (triangles < last && triangles > box.triangles()) {
                levels.add(new Detail(reduced.mesh(), percent, reduced.error()));
                last = triangles;
            }
        }
        if (last > box.triangles()) {
            levels.add(new Detail(box, 0, within(mesh, box)));
        }
        return levels;
    }

    /** How deep the corners of a mesh lie within its box at most. */
    private static double within(Mesh mesh, Mesh box) {
        var most = 0.0;
        var low = box.position(0);
        var high = low;
        for (var v = 0; v < box.vertices(); v++) {
            var p = box.position(v);
            low = new Point(Math.min(low.x(), p.x()), Math.min(low.y(), p.y()), Math.min(low.z(), p.z()));
            high = new Point(Math.max(high.x(), p.x()), Math.max(high.y(), p.y()), Math.max(high.z(), p.z()));
        }
        for (var v = 0; v < mesh.vertices(); v++) {
            var p = mesh.position(v);
            most = Math.max(
                    most,
                    Math.min(
                            Math.min(
                                    Math.min(p.x() - low.x(), high.x() - p.x()),
                                    Math.min(p.y() - low.y(), high.y() - p.y())),
                            Math.min(p.z() - low.z(), high.z() - p.z())));
        }
        return most;
    }
}
