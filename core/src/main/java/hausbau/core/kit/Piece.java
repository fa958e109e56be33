package hausbau.core.kit;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import java.util.List;
import java.util.Optional;

/**
 * One reusable module: a kind that has been given its code.
 *
 * @param code such as {@code WAL-2000}; given once within a site, and never to another kind
 * @param name what a person calls it
 * @param model what it is made of where that is not what its recipe says; it takes the place of its kind all the same
 */
public record Piece(String code, String name, Kind kind, List<Part> model) {

    public Piece {
        model = List.copyOf(model);
    }

    public Piece(String code, String name, Kind kind) {
        this(code, name, kind, List.of());
    }

    public Piece(String code, String name, Role role, Recipe recipe, Pivot pivot) {
        this(code, name, new Kind(role, recipe, pivot));
    }

    public Role role() {
        return kind.role();
    }

    public Recipe recipe() {
        return kind.recipe();
    }

    public Pivot pivot() {
        return kind.pivot();
    }

    public Vec size() {
        return kind.size();
    }

    /**
     * The same made of these parts. What the massing sets down keeps its kind, however it looks; what a person sets down is what
     * they made, and remembers what it was first.
     *
     * @param mark tells it from others made alike
     * @throws hausbau.core.measure.Refused if a piece cannot be of these parts
     */
    public Piece madeOf(long mark, List<Part> parts) {
        if (role().isDerived()) {
            return new Piece(code, name, kind, parts);
        }
        var first = recipe() instanceof Recipe.Made made ? made.first() : Optional.of(recipe());
        return new Piece(code, name, new Kind(role(), new Recipe.Made(mark, parts, first), pivot()));
    }

    public boolean isStandIn() {
        return model.isEmpty() && kind.isStandIn();
    }

    public Box box() {
        return kind.box();
    }

    public List<Part> parts() {
        return model.isEmpty() ? kind.recipe().parts() : model;
    }

    public List<Solid> solids() {
        return kind.solids();
    }

    public Mesh mesh(Finish finish) {
        return kind.mesh(parts(), finish);
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
