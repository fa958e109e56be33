/** What is made elsewhere: looked over, set right where that is plain, and made into surfaces that a piece can be of. */
@NullMarked
package hausbau.core.bring;

import org.jspecify.annotations.NullMarked;
