package hausbau.server.standing;

import hausbau.core.standing.StandingSet;
import hausbau.core.variety.Looks;
import java.util.Map;
import java.util.WeakHashMap;
import org.springframework.stereotype.Component;

/** The looks of the pieces of sets in use; each is worked out once. */
@Component
public class LookShelf {

    private final Map<StandingSet, Looks> known = new WeakHashMap<>();

    public Looks of(SiteState state) {
        synchronized (known) {
            return known.computeIfAbsent(state.set(), Looks::of);
        }
    }
}
