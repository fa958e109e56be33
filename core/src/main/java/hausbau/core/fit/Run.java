package hausbau.core.fit;

import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * One straight stretch of wall face between two corners, measured from its start.
 *
 * @param name   what the run is called
 * @param length whole length
 * @param fixed  what stands in it; sorted here by place. {@link KitQuestion} refuses items that overlap or stick out
 */
public record Run(String name, Length length, List<FixedItem> fixed) {

    public Run {
        fixed = fixed.stream().sorted(Comparator.comparing(FixedItem::at)).toList();
    }

    /** The stretches that pieces must fill, in order; none is empty. */
    public List<Span> spans() {
        var spans = new ArrayList<Span>();
        var at = Length.ZERO;
        for (var item : fixed) {
            if (item.at().compareTo(at) > 0) {
                spans.add(new Span(at, item.at().minus(at)));
            }
            at = Length.max(at, item.end());
        }
        if (length.compareTo(at) > 0) {
            spans.add(new Span(at, length.minus(at)));
        }
        return spans;
    }
}
