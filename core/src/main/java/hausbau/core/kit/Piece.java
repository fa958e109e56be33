package hausbau.core.kit;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Point;
import java.util.List;

/**
 * One reusable module.
 *
 * @param code   such as {@code WAL-2000}; one of a kind within a site
 * @param name   what a person calls it
 * @param recipe how it is made
 * @param pivot  the point that is set down: the origin of the piece's own frame
 */
public record Piece(String code, String name, Role role, Recipe recipe, Pivot pivot) {

    public Vec size() {
        return recipe.size();
    }

    /** Whether it only stands in for a piece that is still to be modelled. */
    public boolean isStandIn() {
        return recipe instanceof Recipe.StandIn;
    }

    private Vec toOwnFrame() {
        return Vec.ZERO.minus(pivot.in(size()));
    }

    /** The whole extent in the piece's own frame. */
    public Box box() {
        return new Box(Vec.ZERO, size()).movedBy(toOwnFrame());
    }

    /** What holds its bodies, in its own frame. */
    public List<Solid> solids() {
        var by = toOwnFrame();
        return recipe.solids().stream().map(s -> new Solid(s.box().movedBy(by), s.round())).toList();
    }

    /** Its surface in its own frame, millimetres. */
    public Mesh mesh(Finish finish) {
        var by = toOwnFrame();
        return recipe.mesh(finish).movedBy(new Point(by.x() / 1000.0, by.y() / 1000.0, by.z() / 1000.0));
    }

    /** {@code PREFIX-length}, in millimetres, with every further size that needs telling. */
    public static String code(Role role, Length... sizes) {
        var code = new StringBuilder(role.prefix());
        for (var i = 0; i < sizes.length; i++) {
            code.append(i == 0 ? '-' : 'x').append(sizes[i].toMillimetres().toPlainString());
        }
        return code.toString();
    }
}
