/**
 * Small changes of a building that make its kit smaller, each worked out in full: the kit is planned again for the changed
 * building, built, and checked.
 */
@NullMarked
package hausbau.core.advice;

import org.jspecify.annotations.NullMarked;
