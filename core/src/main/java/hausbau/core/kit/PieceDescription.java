package hausbau.core.kit;

import hausbau.core.measure.Unit;
import java.util.List;
import java.util.Optional;

/**
 * What is known of a piece: the kind that was first asked for, and what a person told about it since.
 *
 * @param name  empty where nobody gave it one
 * @param pivot told in place of the first kind's
 * @param parts told in place of its recipe's; empty where none were
 */
public record PieceDescription(String code, String name, Kind first, Optional<Pivot> pivot, List<Part> parts) {

    /**
     * The piece. What the massing sets down keeps the recipe that it asks for, however it looks: by its own parts, else by the
     * pattern. What a person sets down is what they made.
     *
     * @param id   tells it from others made alike
     * @param unit that its name is written in
     */
    Piece piece(long id, Looks looks, Unit unit) {
        var called = name.isEmpty() ? first.describe(unit) : name;
        var at = pivot.orElse(first.pivot());
        var recipe = first.recipe();
        var piece = new Piece(code, called, new Kind(first.role(), recipe, at, first.sides()));
        if (!parts.isEmpty()) {
            return piece.madeOf(id, parts);
        }
        return first.role().isDerived()
                ? piece.madeOf(id, dressed(looks))
                : recipe instanceof Recipe.Made made ? piece.madeOf(id, made.parts()) : piece;
    }

    /** What the patterns make of it; empty where they leave it as it is. */
    private List<Part> dressed(Looks looks) {
        var front = looks.of(first.look());
        var dressed = first.sides().isBackDressed()
                ? Optional.of(front.orElseGet(Pattern::plain)
                        .dress(first.recipe(), looks.of(first.sides().back()).orElseGet(Pattern::plain)))
                : front.map(p -> p.dress(first.role(), first.recipe()));
        return dressed.filter(parts -> !parts.equals(first.recipe().parts())).orElse(List.of());
    }
}
