/**
 * Open formats coming in. Whatever a file says is doubted: nothing outside of what was handed over with it is opened, counts are
 * checked against what is there before memory is asked for, and a fault is told in words that a person can act on.
 */
@NullMarked
package hausbau.core.exchange.in;

import org.jspecify.annotations.NullMarked;
