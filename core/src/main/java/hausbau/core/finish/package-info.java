/**
 * What surfaces look like: finishes made from typed values, sets of them, and what their pictures cost.
 */
@NullMarked
package hausbau.core.finish;

import org.jspecify.annotations.NullMarked;
