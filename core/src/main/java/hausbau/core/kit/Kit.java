package hausbau.core.kit;

import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import hausbau.core.shape.Sheets;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * The pieces that have a code within a site, by id; whether or not one of them is in use. A kind is in it once.
 */
public final class Kit {

    public static final Kit EMPTY = new Kit(Map.of());

    private static final Pattern FIRST_WORD = Pattern.compile("[\\p{L}\\p{N}]{1,16}");

    private final Map<Long, Piece> byId;
    private final Map<Kind, Long> firsts;
    private final Sheets sheets;
    private final Map<Kind, Long> ids = new HashMap<>();

    /** These kinds under the codes that they suggest, numbered from 1: for a set that is looked at and not kept. */
    public static Kit named(Collection<Kind> kinds, Length storey, Unit unit) {
        var sorted = kinds.stream().sorted(Comparator.comparing(Kind::toString)).toList();
        var codes = EMPTY.codes(sorted, storey, Map.of());
        var pieces = new LinkedHashMap<Long, Piece>();
        for (var i = 0; i < sorted.size(); i++) {
            pieces.put(i + 1L, new Piece(codes.get(i), sorted.get(i).describe(unit), sorted.get(i)));
        }
        return new Kit(pieces);
    }

    public Kit(Map<Long, Piece> pieces) {
        this(pieces, Map.of(), Sheets.USUAL);
    }

    /**
     * The kit of what is known of its pieces. Whoever asks for a kind that a person made otherwise is given what they made.
     *
     * @param looks  what pieces are under
     * @param sheets what they lie on
     * @param unit   what names are written in
     */
    public static Kit of(Map<Long, PieceDescription> told, Looks looks, Sheets sheets, Unit unit) {
        var pieces = new LinkedHashMap<Long, Piece>();
        var firsts = new HashMap<Kind, Long>();
        told.forEach((id, t) -> {
            pieces.put(id, t.piece(id, looks, unit));
            firsts.putIfAbsent(t.first(), id);
        });
        return new Kit(pieces, firsts, sheets);
    }

    private Kit(Map<Long, Piece> pieces, Map<Kind, Long> firsts, Sheets sheets) {
        this.sheets = sheets;
        byId = new LinkedHashMap<>(pieces);
        this.firsts = Map.copyOf(firsts);
        byId.forEach((id, piece) -> ids.putIfAbsent(piece.kind(), id));
        firsts.forEach(ids::putIfAbsent);
    }

    /** What pieces lie on. */
    public Sheets sheets() {
        return sheets;
    }

    public Map<Long, Piece> pieces() {
        return byId;
    }

    public Optional<Piece> piece(long id) {
        return Optional.ofNullable(byId.get(id));
    }

    public Optional<Long> id(Kind kind) {
        return Optional.ofNullable(ids.get(kind));
    }

    /** The code of a kind; what it is where it has none. */
    public String code(Kind kind) {
        var id = ids.get(kind);
        return id == null
                ? kind.role().label()
                : Objects.requireNonNull(byId.get(id)).code();
    }

    /** Those of the kinds that have no code yet, each once, in the order given. */
    public List<Kind> unnamed(Collection<Kind> kinds) {
        return kinds.stream().filter(k -> !ids.containsKey(k)).distinct().toList();
    }

    /**
     * A code for each of these kinds, in their order: the one it suggests, with the name of its own pattern where it has one, or
     * one that tells more where that is given. Only kinds of which no code tells them apart are numbered.
     *
     * @param patterns names of the patterns that pieces are under
     */
    public List<String> codes(List<Kind> unnamed, Length storey, Map<Long, String> patterns) {
        var given = new HashSet<String>();
        byId.values().forEach(p -> given.add(p.code()));
        return unnamed.stream()
                .map(kind -> {
                    var pattern = patternPart(patterns.getOrDefault(kind.look(), "")) + backPart(kind, patterns);
                    var wanted = kind.suggestedCodes(storey);
                    return wanted.stream()
                            .map(code -> code + pattern)
                            .filter(given::add)
                            .findFirst()
                            .orElseGet(() -> free(wanted.get(0) + pattern, given));
                })
                .toList();
    }

    /** {@code -TILED} for a pattern called “Tiled, green”: its first word, letters and digits alone. */
    private static String patternPart(String name) {
        var word = FIRST_WORD.matcher(name);
        return word.find() ? "-" + word.group().toUpperCase(Locale.ROOT) : "";
    }

    /** What tells a piece whose back is dressed from others: the back's pattern, or that both sides are alike. */
    private static String backPart(Kind kind, Map<Long, String> patterns) {
        var sides = kind.sides();
        if (!sides.isBackDressed()) {
            return "";
        }
        return sides.back() == sides.front() ? "-BOTH" : patternPart(patterns.getOrDefault(sides.back(), "site"));
    }

    /** The code wanted for a kind, or with a number where it is given to another. */
    public String codeFor(String wanted) {
        var given = new HashSet<String>();
        byId.values().forEach(p -> given.add(p.code()));
        return free(wanted, given);
    }

    private static String free(String wanted, HashSet<String> given) {
        var code = wanted;
        for (var n = 2; !given.add(code); n++) {
            code = wanted + "-" + n;
        }
        return code;
    }

    public Kit with(Map<Long, Piece> more) {
        var all = new LinkedHashMap<>(byId);
        all.putAll(more);
        return new Kit(all, firsts, sheets);
    }
}
