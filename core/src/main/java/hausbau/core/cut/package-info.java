/** Takes one closed body from another. */
@NullMarked
package hausbau.core.cut;

import org.jspecify.annotations.NullMarked;
