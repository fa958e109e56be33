package hausbau.server.store.set;

import hausbau.core.measure.Lean;
import org.jspecify.annotations.Nullable;

/** Leans in rows and JSON: most pieces have none, and then none is written. */
final class Leans {

    private Leans() {}

    static @Nullable Lean told(Lean lean) {
        return lean.upright() ? null : lean;
    }

    static Lean read(@Nullable Lean told) {
        return told == null ? Lean.NONE : told;
    }
}
