package hausbau.core.fit;

import hausbau.core.fit.Division.Change;
import hausbau.core.fit.Division.FilledSide;
import hausbau.core.fit.Division.Sort;
import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.LongUnaryOperator;
import java.util.stream.Stream;

/**
 * The sum on the back of the envelope: divides lengths into pieces, exactly, and ranks the ways to do it: with the pieces
 * there are, then with one new piece, then with the least change of a length or of a fixed item.
 *
 * <p>The fewest known pieces for every length are found by dynamic programming (change-making, Wright 1975) on the
 * coarsest unit that all lengths share. One new piece of length x is tried k times over in each side, for every x and k
 * that fit: the sum of L/x over all x, so L log L. Cost: (pieces + log L) · L, L being the longest side in units.
 */
public final class Divider {

    private static final int MOST_OF_A_SORT = 4;

    private final DivisionQuestion question;
    private final long unit;
    private final int[] kinds;
    /** The fewest known pieces for each number of units, to a step beyond twice the longest side. */
    private final int[] fewest;

    private Divider(DivisionQuestion question) {
        this.question = question;
        this.unit = question.unit().um();
        this.kinds = question.known().stream()
                .sorted(Comparator.reverseOrder())
                .mapToInt(k -> Math.toIntExact(k.um() / unit))
                .toArray();
        var longest =
                question.sides().stream().mapToLong(s -> s.length().um()).max().orElseThrow();
        var greatestKind = question.known().stream().mapToLong(Length::um).max().orElse(0);
        this.fewest = Filling.empty(
                Math.toIntExact((longest + Math.max(question.step().um(), greatestKind)) / unit));
        for (var kind : kinds) {
            Filling.add(fewest, kind);
        }
    }

    /** The ways to divide, best first; empty only if no piece is known and none allowed would do. */
    public static List<Division> divide(DivisionQuestion question) {
        var divider = new Divider(question);
        var asTheyAre = !question.agree()
                || question.sides().stream()
                                .map(DivisionQuestion.Side::length)
                                .distinct()
                                .count()
                        == 1;
        var known = asTheyAre ? divider.withKnown() : Optional.<Division>empty();
        var answers = new ArrayList<Division>(known.stream().toList());
        if (asTheyAre) {
            // A new piece beside an exact sum must at least save pieces.
            var most = known.map(Division::pieces).orElse(Integer.MAX_VALUE);
            divider.withOneNew().stream().filter(d -> d.pieces() < most).forEach(answers::add);
        }
        if (known.isEmpty()) {
            answers.addAll(divider.withAChange());
        }
        return answers;
    }

    private int units(Length length) {
        return Math.toIntExact(length.um() / unit);
    }

    private boolean fills(long units) {
        return units >= 0 && units < fewest.length && fewest[(int) units] < Filling.NEVER;
    }

    private Optional<Division> withKnown() {
        if (!question.sides().stream().allMatch(s -> fills(units(s.rest())))) {
            return Optional.empty();
        }
        var filled = question.sides().stream()
                .map(s -> new FilledSide(s, s.length(), pieces(units(s.rest()))))
                .toList();
        return Optional.of(new Division(Sort.KNOWN, Length.ZERO, List.of(), filled));
    }

    /** The pieces behind {@link #fewest}, longest first. */
    private List<Length> pieces(int units) {
        var pieces = new ArrayList<Length>();
        var left = units;
        while (left > 0) {
            for (var kind : kinds) {
                if (kind <= left && fewest[left - kind] + 1 == fewest[left]) {
                    pieces.add(new Length(kind * unit));
                    left -= kind;
                    break;
                }
            }
        }
        pieces.sort(Collections.reverseOrder());
        return pieces;
    }

    /** The few best new pieces: fewest pieces in all, and of those the longest; and the one that makes least anew. */
    private List<Division> withOneNew() {
        var answers = new ArrayList<Division>();
        var step = question.step().um();
        var least = question.minPiece().ceilTo(question.step()).um();
        var longest =
                question.sides().stream().mapToLong(s -> s.rest().um()).max().orElse(0);
        for (var x = least; x <= Math.min(question.maxPiece().um(), longest); x += step) {
            if (!question.known().contains(new Length(x))) {
                withNew(new Length(x)).ifPresent(answers::add);
            }
        }
        answers.sort(
                Comparator.comparingInt(Division::pieces).thenComparing(Division::newPiece, Comparator.reverseOrder()));
        // The one that makes the most of the pieces there are, with the least that is new, is worth a look as well.
        var sparing = answers.stream().min(Comparator.comparing(Division::newLength));
        return Stream.concat(answers.stream().limit(MOST_OF_A_SORT - 1), sparing.stream())
                .distinct()
                .toList();
    }

    private Optional<Division> withNew(Length piece) {
        var filled = new ArrayList<FilledSide>();
        var x = units(piece);
        for (var side : question.sides()) {
            var rest = units(side.rest());
            var best = -1;
            for (var k = 0; (long) k * x <= rest; k++) {
                if (fills(rest - (long) k * x)
                        && (best < 0 || k + fewest[rest - k * x] < best + fewest[rest - best * x])) {
                    best = k;
                }
            }
            if (best < 0) {
                return Optional.empty();
            }
            var pieces = new ArrayList<>(pieces(rest - best * x));
            pieces.addAll(Collections.nCopies(best, piece));
            pieces.sort(Collections.reverseOrder());
            filled.add(new FilledSide(side, side.length(), pieces));
        }
        var used = filled.stream().anyMatch(f -> f.pieces().contains(piece));
        return used ? Optional.of(new Division(Sort.ONE_NEW, piece, List.of(), filled)) : Optional.empty();
    }

    private List<Division> withAChange() {
        if (kinds.length == 0) {
            return List.of();
        }
        var answers = new ArrayList<Division>();
        if (question.agree()) {
            sameLengths().forEach(answers::add);
        } else {
            for (var direction : new int[] {1, -1}) {
                change(direction).ifPresent(answers::add);
            }
            fixedChange().forEach(answers::add);
        }
        answers.sort(Comparator.comparing(Division::changed).thenComparingInt(Division::pieces));
        return answers.stream().limit(MOST_OF_A_SORT).toList();
    }

    /** Every side that cannot be filled becomes longer, or shorter, by the fewest steps that do. */
    private Optional<Division> change(int direction) {
        var changes = new ArrayList<Change>();
        var filled = new ArrayList<FilledSide>();
        for (var side : question.sides()) {
            var by = nearest(units(side.rest()), n -> direction * n);
            if (by.isEmpty()) {
                return Optional.empty();
            }
            if (by.get().um() != 0) {
                changes.add(new Change(side.name(), "", by.get()));
            }
            filled.add(new FilledSide(
                    side, side.length().plus(by.get()), pieces(units(side.rest().plus(by.get())))));
        }
        return changes.isEmpty()
                ? Optional.empty()
                : Optional.of(new Division(Sort.CHANGED, Length.ZERO, changes, filled));
    }

    /** The first change by 0, 1, 2 … steps after which the rest can be filled, or none within the reach of the table. */
    private Optional<Length> nearest(int rest, LongUnaryOperator steps) {
        var step = question.step().um() / unit;
        for (var n = 0L; n * step <= fewest.length; n++) {
            var by = steps.applyAsLong(n) * step;
            if (fills(rest + by) && rest + by > 0) {
                return Optional.of(new Length(by * unit));
            }
        }
        return Optional.empty();
    }

    /** Where one side alone cannot be filled: one of its fixed items becomes longer or shorter instead. */
    private List<Division> fixedChange() {
        var open =
                question.sides().stream().filter(s -> !fills(units(s.rest()))).toList();
        if (open.size() != 1) {
            return List.of();
        }
        var side = open.get(0);
        var answers = new ArrayList<Division>();
        for (var item : side.fixed()) {
            for (var direction : new int[] {1, -1}) {
                nearest(units(side.rest()), n -> -direction * n)
                        .map(by -> new Length(-by.um()))
                        .filter(by -> item.length().plus(by).isPositive())
                        .ifPresent(by -> answers.add(new Division(
                                Sort.CHANGED,
                                Length.ZERO,
                                List.of(new Change(side.name(), item.name(), by)),
                                question.sides().stream()
                                        .map(s -> new FilledSide(
                                                s,
                                                s.length(),
                                                pieces(units(
                                                        s == side ? s.rest().minus(by) : s.rest()))))
                                        .toList())));
            }
        }
        return answers;
    }

    /** All sides come to one length that each can be filled to: those nearest to what they are now. */
    private List<Division> sameLengths() {
        var answers = new ArrayList<Division>();
        var step = question.step().um();
        var lengths = question.sides().stream()
                .mapToLong(s -> s.length().um())
                .sorted()
                .toArray();
        var reach = (long) fewest.length * unit - lengths[lengths.length - 1];
        for (var total = lengths[0] - reach; total <= lengths[lengths.length - 1] + reach; total += step) {
            same(total).ifPresent(answers::add);
        }
        Arrays.stream(lengths)
                .distinct()
                .mapToObj(this::same)
                .flatMap(Optional::stream)
                .filter(a -> !answers.contains(a))
                .forEach(answers::add);
        return answers;
    }

    private Optional<Division> same(long total) {
        var changes = new ArrayList<Change>();
        var filled = new ArrayList<FilledSide>();
        for (var side : question.sides()) {
            var by = total - side.length().um();
            var rest = side.rest().um() + by;
            if (rest <= 0 || rest % unit != 0 || !fills(rest / unit)) {
                return Optional.empty();
            }
            if (by != 0) {
                changes.add(new Change(side.name(), "", new Length(by)));
            }
            filled.add(new FilledSide(side, new Length(total), pieces((int) (rest / unit))));
        }
        return changes.isEmpty()
                ? Optional.empty()
                : Optional.of(new Division(Sort.CHANGED, Length.ZERO, changes, filled));
    }
}
