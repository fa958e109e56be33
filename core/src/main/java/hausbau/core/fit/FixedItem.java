package hausbau.core.fit;

import hausbau.core.measure.Length;

/**
 * Something that stands in a run and is not to be chosen: a door, a window, a passage.
 *
 * @param piece  what it is called
 * @param at     where it begins, from the start of the run
 * @param length how much of the run it takes
 */
public record FixedItem(String piece, Length at, Length length) {

    public Length end() {
        return at.plus(length);
    }
}
