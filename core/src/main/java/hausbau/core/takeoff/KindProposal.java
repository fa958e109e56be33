package hausbau.core.takeoff;

import hausbau.core.kit.Piece;
import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * Tags that may be one piece, and the size that piece would have on the step.
 *
 * @param tags     the letters of the tags, and whether each lies on its side against the first
 * @param measured the mean size of all their marks
 * @param width    on the step, at least one step; {@code height} likewise
 */
public record KindProposal(
        Role role,
        List<Member> tags,
        TagMeasure.Size measured,
        Length width,
        Length height,
        Length step,
        int seen,
        int estimated) {

    /** Beyond this, rounding to the step changes the look. Common practice, no source. */
    public static final double NOTICEABLE = 0.03;

    public record Member(long tagId, String letter, boolean turned) {}

    /** A code to begin from: by its width, or for a prop by the last word of its name. */
    public String suggestedCode(String name) {
        if (role != Role.PROP) {
            return Piece.code(role, width);
        }
        var words = name.toUpperCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{N}]+", " ")
                .strip();
        return role.prefix() + "-" + (words.isEmpty() ? "THING" : words.substring(words.lastIndexOf(' ') + 1));
    }

    /** How far the step is from what was measured, in millimetres: above 0 where the piece would come out larger. */
    public double widthResidual() {
        return width.um() / 1000.0 - measured.width().value();
    }

    public double heightResidual() {
        return height.um() / 1000.0 - measured.height().value();
    }

    /** Whether rounding changes a side by more than 3 %. */
    public boolean changesTheLook() {
        return Math.abs(widthResidual()) > NOTICEABLE * measured.width().value()
                || Math.abs(heightResidual()) > NOTICEABLE * measured.height().value();
    }

    /**
     * Groups tags whose measured sizes agree, whichever way up, among those of one role. The two nearest groups whose
     * members all agree with one another are joined until none are left (complete linkage, so that a chain of small
     * differences never joins what plainly differs). Cost: the cube of the number of tags.
     *
     * @return largest count first; tags with nothing measured are left out
     */
    public static List<KindProposal> of(List<TagMeasure> tags, Length step) {
        var groups = new ArrayList<List<Placed>>();
        for (var tag : tags) {
            if (!tag.sizes().isEmpty()) {
                groups.add(List.of(new Placed(tag, TagMeasure.mean(tag.sizes()), false)));
            }
        }
        while (joinNearest(groups)) {}
        return groups.stream()
                .map(group -> proposal(group, step))
                .sorted(Comparator.comparingInt(KindProposal::estimated).reversed())
                .toList();
    }

    private record Placed(TagMeasure tag, TagMeasure.Size size, boolean turned) {

        Placed onItsSide() {
            return new Placed(tag, size.turned(), !turned);
        }
    }

    private static boolean joinNearest(List<List<Placed>> groups) {
        var nearest = Double.MAX_VALUE;
        var into = -1;
        var from = -1;
        List<Placed> joined = List.of();
        for (var i = 0; i < groups.size(); i++) {
            for (var j = i + 1; j < groups.size(); j++) {
                for (var other : List.of(
                        groups.get(j),
                        groups.get(j).stream().map(Placed::onItsSide).toList())) {
                    var apart = apart(groups.get(i), other);
                    if (apart < nearest) {
                        nearest = apart;
                        into = i;
                        from = j;
                        joined = new ArrayList<>(groups.get(i));
                        joined.addAll(other);
                    }
                }
            }
        }
        if (into < 0) {
            return false;
        }
        groups.set(into, joined);
        groups.remove(from);
        return true;
    }

    /** The greatest distance between members; none where two of them disagree. */
    private static double apart(List<Placed> group, List<Placed> other) {
        var apart = 0.0;
        for (var a : group) {
            for (var b : other) {
                if (a.tag().role() != b.tag().role() || !a.size().agreesWith(b.size())) {
                    return Double.MAX_VALUE;
                }
                apart = Math.max(apart, a.size().apart(b.size()));
            }
        }
        return apart;
    }

    private static KindProposal proposal(List<Placed> group, Length step) {
        var first = group.get(0);
        var sizes = new ArrayList<TagMeasure.Size>();
        group.forEach(p -> p.tag().sizes().forEach(s -> sizes.add(p.turned() == first.turned() ? s : s.turned())));
        var mean = TagMeasure.mean(sizes);
        return new KindProposal(
                first.tag().role(),
                group.stream()
                        .map(p -> new Member(p.tag().tagId(), p.tag().letter(), p.turned() != first.turned()))
                        .toList(),
                mean,
                onStep(mean.width(), step),
                onStep(mean.height(), step),
                step,
                group.stream().mapToInt(p -> p.tag().seen()).sum(),
                group.stream().mapToInt(p -> p.tag().estimated()).sum());
    }

    private static Length onStep(Measured size, Length step) {
        return Length.max(step, new Length(Math.round(size.value() * 1000)).roundTo(step));
    }
}
