package hausbau.core.massing;

import hausbau.core.measure.Box;

/**
 * What closes the wall where stretches of it meet: at a corner, where one wall ends on another, where two cross.
 *
 * @param room whose shell it is built with: of those that touch it the one with the least id
 * @param edge the number of that room's edge that begins here; −1 where none does
 */
public record Post(long room, int edge, Box box) {
}
