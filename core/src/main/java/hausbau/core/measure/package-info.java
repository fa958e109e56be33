/**
 * Exact measures. A length is a whole number of micrometres, so two pieces that meet, meet: nothing here compares with
 * a tolerance. Plan X is east, Y is north, Z is up, right-handed; {@link hausbau.core.measure.Vec} and
 * {@link hausbau.core.measure.Box} hold micrometres as {@code long}. A {@link hausbau.core.measure.Turn} is a quarter
 * turn about Z, counter-clockwise seen from above, and therefore exact too.
 */
package hausbau.core.measure;
