package hausbau.core.budget;

import hausbau.core.measure.Refused;
import java.util.List;

/**
 * What a site is for.
 *
 * @param intent           in a few lines, to 4000 characters
 * @param focal            the one thing that everything leads the eye to, to 300 characters
 * @param plannedMinutes   a time box for each of the seven stages, in their order; 0 for none
 * @param correctedSeconds what a person added to, or took off, the measured time of each stage
 */
public record Brief(
        String intent,
        String focal,
        Budget.Target target,
        Budget budget,
        List<Long> plannedMinutes,
        List<Long> correctedSeconds) {

    public static final int STAGES = 7;
    public static final Brief EMPTY = new Brief(
            "",
            "",
            Budget.Target.OWN,
            Budget.NONE,
            List.of(0L, 0L, 0L, 0L, 0L, 0L, 0L),
            List.of(0L, 0L, 0L, 0L, 0L, 0L, 0L));
    private static final long LONGEST_MINUTES = 100_000;

    /** @throws Refused if a text is too long, or there is not one time for every stage */
    public Brief {
        if (intent.length() > 4000 || focal.length() > 300) {
            throw new Refused(
                    intent.length() > 4000 ? "intent" : "focal",
                    "The intent takes at most 4000 characters, the focal object 300.");
        }
        if (plannedMinutes.size() != STAGES || plannedMinutes.stream().anyMatch(m -> m < 0 || m > LONGEST_MINUTES)) {
            throw new Refused(
                    "plannedMinutes",
                    "Give a time box from 0 to " + LONGEST_MINUTES + " minutes for each of the " + STAGES + " stages.");
        }
        if (correctedSeconds.size() != STAGES
                || correctedSeconds.stream().anyMatch(s -> Math.abs(s) > LONGEST_MINUTES * 60)) {
            throw new Refused("spentSeconds", "A stage's time is from 0 to " + LONGEST_MINUTES + " minutes.");
        }
    }
}
