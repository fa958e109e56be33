/**
 * Living repeats: rules that say where copies of something stand, each copy under a key that lasts while the rule's values change.
 * All in whole micrometres; what looks random follows from a seed.
 */
@NullMarked
package hausbau.core.repeat;

import org.jspecify.annotations.NullMarked;
