package hausbau.core.repeat;

import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import java.util.List;

/** Where the copies of a repeat stand. */
public sealed interface Rule permits Course, Field, Ring, Trail, Stack, Scatter {

    /**
     * Tells the copies in an order that is always the same.
     *
     * @param bodies the extents of what may stand at a spot, each about its pivot; one or more
     * @throws Refused if nothing can follow from its values; it names the field and what would do
     */
    void lay(List<Box> bodies, Spots spots);

    /** The same rule elsewhere. */
    Rule movedBy(Vec by);

    /** What a person calls such a repeat. */
    String label();
}
