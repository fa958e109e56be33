package hausbau.core.survey;

import hausbau.core.kit.Kind;
import hausbau.core.massing.Side;
import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * One thing that the survey found.
 *
 * @param key    names the finding while it lasts
 * @param about  equal as long as what it is about stands as it does: what was accepted is accepted until this changes
 * @param title  what is wrong, in a few words
 * @param reason why, with the figures
 * @param card   what it shares with those that are alike: kind, pieces and room
 * @param places what it concerns; may be empty
 * @param box    where it is
 * @param fix    what would mend it, where that is plain
 */
public record Finding(
        String key,
        long about,
        Check check,
        String title,
        String reason,
        Card card,
        List<Place> places,
        Box box,
        Optional<Fix> fix) {

    /** What the survey looks for. */
    public enum Check {
        OVERLAP(true, "Two faces in one place shimmer, and hidden solids cost memory."),
        GAP(true, "Light leaks through, and one sees out of the set."),
        INTRUSION(true, "It stands in the middle of another room."),
        BLIND_DOOR(true, "Whoever goes through walks into a wall."),
        UNBUILT_OPENING(true, "What was decided is not built: one cannot get through, or see out."),
        HEADROOM(true, "Whoever goes up runs their head into it."),
        ODD_WALL(false, "A wall thinner or thicker than its neighbours needs pieces of its own."),
        KIT(true, "What is built next would not meet what stands."),
        OFF_GRID(false, "What is off the grid does not meet its neighbours, and copies drift further."),
        FLOATING(false, "A thing that stands on nothing looks wrong at once."),
        OUTSIDE(false, "What no room holds is seldom seen, but always paid for."),
        DARK_LAMP(false, "It costs as much as one that lights something."),
        LAMP_INSIDE(false, "What it should light stays dark."),
        CROWDED_LAMPS(false, "Each one more is worked out for all that it reaches."),
        LOST_PLACE(false, "A hand changed it where the set no longer has the place.");

        private final boolean fault;
        private final String why;

        Check(boolean fault, String why) {
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

    /**
     * Findings alike are one card.
     *
     * @param heading what all of them have in common, in words
     * @param room    where they are; empty where in no room
     */
    public record Card(Check check, String heading, String room) {

        public String key() {
            return check + "|" + heading + "|" + room;
        }
    }

    /** What mends a finding. */
    public sealed interface Fix {

        String label();

        record Move(String label, Place place, Vec by) implements Fix {}

        /** Moves it out of another one, to the nearest free place beside it: see {@link WayOut}. */
        record MoveClear(String label, Place place, Place from) implements Fix {}

        record Remove(String label, Place place) implements Fix {}

        /** Moves an edge of a room outward, or inward. */
        record MoveEdge(String label, long room, int edge, long outward) implements Fix {}

        /** Lets go of what hands changed at places, so that what is derived stands there again. */
        record LetGo(String label, List<Place> places) implements Fix {}

        /** Sets down a piece at each stance. */
        record Add(String label, List<Addition> additions) implements Fix {}

        /** One piece to set down. */
        record Addition(Kind kind, Stance stance) {}
    }

    /** How keys name an edge: as a side where it is one of a rectangle's. */
    static String edge(int number) {
        return number < 4 ? Side.values()[number].label() : "edge" + number;
    }

    /** 64 bits of what a finding is about (FNV-1a over its words), the same on every machine. */
    public static long about(Object... what) {
        var hash = 0xCBF29CE484222325L;
        for (var one : what) {
            for (var c : String.valueOf(one).toCharArray()) {
                hash = (hash ^ c) * 0x100000001B3L;
            }
            hash = (hash ^ '|') * 0x100000001B3L;
        }
        return hash;
    }
}
