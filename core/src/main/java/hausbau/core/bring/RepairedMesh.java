package hausbau.core.bring;

import hausbau.core.measure.Vec;
import hausbau.core.shape.Shell;
import java.util.Map;

/**
 * A thing from a file as it will be.
 *
 * @param shells for each material, in the order in which they come; together their least corner is the origin
 * @param came   what was found, @param left what is left of it once it is set right as was asked for
 * @param origin where the file's own origin lies, once it is set right
 */
public record RepairedMesh(String name, Map<String, Shell> shells, Report came, Report left, Vec origin) {}
