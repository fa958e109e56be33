package hausbau.core.repeat;

/**
 * What is otherwise about some of the copies, counted from the first; 0 for none.
 *
 * @param otherEvery  every so many the second body stands
 * @param mirrorEvery every so many it is mirrored
 * @param turnEvery   every so many it is turned by half
 */
public record Variation(int otherEvery, int mirrorEvery, int turnEvery) {

    public static final Variation NONE = new Variation(0, 0, 0);

    int pick(int number, int bodies) {
        return bodies > 1 && isDue(otherEvery, number) ? 1 : 0;
    }

    boolean mirrors(int number) {
        return isDue(mirrorEvery, number);
    }

    int quarters(int number) {
        return isDue(turnEvery, number) ? 2 : 0;
    }

    private static boolean isDue(int every, int number) {
        return every > 0 && (number + 1) % every == 0;
    }
}
