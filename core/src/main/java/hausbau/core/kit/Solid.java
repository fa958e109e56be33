package hausbau.core.kit;

import hausbau.core.measure.Box;

/**
 * A box that holds a body of a piece, or a part of one.
 *
 * @param round whether the body is round in plan, so that a drawing shows the ellipse within the box
 */
public record Solid(Box box, boolean round) {}
