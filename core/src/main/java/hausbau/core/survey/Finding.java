package hausbau.core.survey;

import hausbau.core.build.Stance;
import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * One thing that the survey found.
 *
 * @param key        names the finding while it lasts
 * @param title      what is wrong, in a few words
 * @param reason     why, with the figures
 * @param placements the placements it concerns; may be empty
 * @param place      where it is
 * @param fix        what would mend it, where that is plain
 */
public record Finding(String key, Kind kind, String title, String reason, List<Long> placements, Box place, Optional<Fix> fix) {

    public enum Kind {
        OVERLAP(true, "Two faces in one place shimmer, and hidden solids cost memory."),
        GAP(true, "Light leaks through, and one sees out of the set."),
        OFF_GRID(false, "What is off the grid does not meet its neighbours, and copies drift further."),
        FLOATING(false, "A thing that stands on nothing looks wrong at once."),
        OUTSIDE(false, "What no room holds is seldom seen, but always paid for."),
        STRAY(false, "It was pinned by hand, and the set no longer has the place it was pinned to.");

        private final boolean fault;
        private final String why;

        Kind(boolean fault, String why) {
            this.fault = fault;
            this.why = why;
        }

        /** Whether it is a fault rather than a caution. */
        public boolean isFault() {
            return fault;
        }

        /** Why it matters. */
        public String why() {
            return why;
        }

        public String label() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    /** What mends a finding. */
    public sealed interface Fix {

        String label();

        record Move(String label, long placementId, Vec by) implements Fix {
        }

        record Remove(String label, long placementId) implements Fix {
        }

        /** Sets down a piece at each stance. */
        record Add(String label, List<Addition> additions) implements Fix {
        }

        /** One piece to set down. */
        record Addition(long pieceId, Stance stance) {
        }
    }
}
