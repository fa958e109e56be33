package hausbau.core.measure;

import java.util.List;
import java.util.stream.Collectors;

/** Thrown when a rule of the job does not allow what was asked for; nothing was changed. */
public final class Refused extends RuntimeException {

    private final transient List<Fault> faults;

    public Refused(List<Fault> faults) {
        super(faults.stream().map(Fault::message).collect(Collectors.joining(" ")));
        this.faults = List.copyOf(faults);
    }

    public Refused(String field, String message) {
        this(List.of(new Fault(field, message)));
    }

    public List<Fault> faults() {
        return faults;
    }
}
