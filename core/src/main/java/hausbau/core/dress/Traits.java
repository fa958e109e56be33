package hausbau.core.dress;

import hausbau.core.kit.Held;
import hausbau.core.kit.Kind;
import hausbau.core.light.Lamps;
import java.util.Map;

/** What persons have decided about pieces themselves, wherever they stand. */
public record Traits(Map<Kind, Trait> all) {

    public static final Traits NONE = new Traits(Map.of());

    /** @param held how pieces of this kind are held */
    public record Trait(Held held, Variety variety, Lamps lamps) {

        public static Trait usual(Kind kind) {
            return new Trait(Held.usual(kind), Variety.NONE, UsualLamps.of(kind));
        }
    }

    public Trait of(Kind kind) {
        var told = all.get(kind);
        return told == null ? Trait.usual(kind) : told;
    }

    public Held held(Kind kind) {
        return of(kind).held();
    }
}
