package hausbau.core.light;

import hausbau.core.measure.Fault;
import hausbau.core.measure.Refused;
import java.util.ArrayList;
import java.util.List;

/** Finds what is out of range in one part of a mood or a lamp, all of it at once. */
final class Range {

    private final String part;
    private final List<Fault> faults = new ArrayList<>();

    Range(String part) {
        this.part = part;
    }

    void within(String field, double value, double least, double most) {
        if (!(value >= least && value <= most)) {
            faults.add(new Fault(
                    field, "The " + part + "’s " + field + " must be from " + told(least) + " to " + told(most) + "."));
        }
    }

    void millimetres(String field, long micrometres, long least, long most) {
        within(field, micrometres / 1000.0, least / 1000.0, most / 1000.0);
    }

    void colour(String field, String value) {
        if (!value.matches("#[0-9a-f]{6}")) {
            faults.add(new Fault(
                    field, "The " + part + "’s " + field + " must be a colour of six hex digits, such as #8fb3d1."));
        }
    }

    void refuse() {
        if (!faults.isEmpty()) {
            throw new Refused(faults);
        }
    }

    private static String told(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }
}
