package hausbau.core.survey;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** All checks over a set, faults first. */
public final class Survey {

    private Survey() {
    }

    public static List<Finding> of(SurveyedSet set) {
        var found = new ArrayList<Finding>();
        found.addAll(Overlaps.in(set));
        found.addAll(Gaps.in(set));
        found.addAll(Standing.in(set));
        found.sort(Comparator.comparing(Finding::kind));
        return found;
    }
}
