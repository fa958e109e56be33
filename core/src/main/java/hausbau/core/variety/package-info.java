/**
 * How alike what stands looks: which look each piece has whose kind has several, and where equals stand side by side.
 */
@NullMarked
package hausbau.core.variety;

import org.jspecify.annotations.NullMarked;
