/** What stands for a mesh where less of it will do: with fewer triangles from afar, a box, a convex hull to bump into. */
@NullMarked
package hausbau.core.reduce;

import org.jspecify.annotations.NullMarked;
