package hausbau.core.fit;

import hausbau.core.measure.Length;

/** A stretch of a run that pieces must fill exactly. */
public record Span(Length at, Length length) {

    public Length end() {
        return at.plus(length);
    }
}
