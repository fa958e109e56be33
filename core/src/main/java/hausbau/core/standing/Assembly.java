package hausbau.core.standing;

import hausbau.core.kit.Kind;
import hausbau.core.measure.Refused;
import hausbau.core.place.Stance;
import hausbau.core.repeat.Rule;
import java.util.List;

/**
 * A named group of pieces, of repeats and of other assemblies, used as often as a piece.
 *
 * @param parts about its pivot; their numbers tell them apart
 */
public record Assembly(long id, String name, List<Part> parts) {

    /** Parts of one assembly: their numbers take ten bits of a place. */
    public static final int MOST_PARTS = 1000;

    /**
     * @param number lasts while the assembly is changed elsewhere; from 1 to {@link #MOST_PARTS}
     * @param stance about the assembly's pivot
     */
    public record Part(int number, Content content, Stance stance) {}

    /** What a part is. */
    public sealed interface Content {}

    public record OfPiece(Kind kind) implements Content {}

    public record OfAssembly(long assembly) implements Content {}

    /** A repeat that follows nothing: its rule is told where it was made, and the part's stance takes it from there. */
    public record OfRepeat(String name, List<Body> bodies, Rule rule) implements Content {

        public OfRepeat {
            bodies = List.copyOf(bodies);
        }
    }

    /** @throws Refused if it has no parts, or too many */
    public Assembly {
        parts = List.copyOf(parts);
        if (parts.isEmpty() || parts.size() > MOST_PARTS) {
            throw new Refused("placementIds", "An assembly has from 1 to " + MOST_PARTS + " parts.");
        }
    }
}
