package hausbau.core.kit;

import java.util.Map;
import java.util.Optional;

/**
 * The patterns that pieces are under.
 *
 * @param used the one in use for the site
 * @param own  those of rooms, by what their pieces' kinds name them
 */
public record Looks(Optional<Pattern> used, Map<Long, Pattern> own) {

    public static final Looks NONE = new Looks(Optional.empty(), Map.of());

    /** Of a kind; the site's where its own is gone. */
    Optional<Pattern> of(long look) {
        return Optional.ofNullable(own.get(look)).or(() -> used);
    }
}
