package hausbau.core.survey;

import hausbau.core.kit.Kit;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.place.Place;
import hausbau.core.standing.Chunk;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * All checks over a set. It never changes; the next one looks again only at what an edit touched: at pieces that changed
 * and at whatever stands on, under or against them.
 */
public final class Survey {

    /** With more changed pieces than this, looking at everything is quicker. */
    private static final int MANY = 3000;

    private final Site site;
    private final FoundOnPieces onPieces;
    /** What was found in strips of wall; one without a gap is not in it. */
    private final Map<Ground.Strip, List<Finding>> byRun;

    private final List<Finding> ofMassing;

    private Survey(Site site, FoundOnPieces onPieces, Map<Ground.Strip, List<Finding>> byRun, List<Finding> ofMassing) {
        this.site = site;
        this.onPieces = onPieces;
        this.byRun = byRun;
        this.ofMassing = ofMassing;
    }

    /** How many faults a set has, cautions left out; its pieces need no names yet. */
    public static long faults(StandingSet set) {
        var settings = set.decisions().massing().settings();
        return of(set, Kit.named(set.kinds(), settings.storey(), settings.unit())).findings().stream()
                .filter(f -> f.check().isFault())
                .count();
    }

    /** @param kit the codes that findings are worded with */
    public static Survey of(StandingSet set, Kit kit) {
        var site = new Site(set, kit);
        var onPieces = new FoundOnPieces();
        var checks = new PieceChecks(site);
        for (var chunk : set.chunks()) {
            for (var row = 0; row < chunk.size(); row++) {
                onPieces.put(chunk.place(row), checks.check(chunk, row));
            }
        }
        var byRun = new HashMap<Ground.Strip, List<Finding>>();
        var gaps = new Gaps(site);
        if (gaps.isOpen()) {
            site.ground().strips().forEach(strip -> put(byRun, strip, gaps));
        }
        return new Survey(site, onPieces, byRun, MassingChecks.of(site));
    }

    private static void put(Map<Ground.Strip, List<Finding>> byRun, Ground.Strip strip, Gaps gaps) {
        var found = gaps.check(strip);
        if (!found.isEmpty()) {
            byRun.put(strip, found);
        }
    }

    /** The survey of another state of the same site. */
    public Survey next(StandingSet to, Kit newKit) {
        var was = site.set().decisions();
        var is = to.decisions();
        if (was.massing() != is.massing()
                || !was.kit().equals(is.kit())
                || !was.traits().equals(is.traits())) {
            return of(to, newKit);
        }
        var changed = changed(to);
        if (changed.size() > MANY) {
            return of(to, newKit);
        }
        var next = site.next(to, newKit);
        var found = onPieces.next();
        var checks = new PieceChecks(next);
        changed.keySet().forEach(place -> found.put(place, List.of()));
        var again = new HashMap<Chunk, HashSet<Integer>>();
        for (var box : changed.values().stream().flatMap(List::stream).toList()) {
            // What stands above hangs on it too, and what is fixed to it or hangs from it.
            var near = box.grownBy(PieceChecks.HELD_REACH);
            var column = new Box(near.min(), near.max().withZ(Length.LIMIT_UM));
            to.touching(column, (chunk, row) -> again.computeIfAbsent(chunk, c -> new HashSet<>())
                    .add(row));
        }
        again.forEach((chunk, rows) -> rows.forEach(row -> found.put(chunk.place(row), checks.check(chunk, row))));
        var runs = new HashMap<>(byRun);
        var gaps = new Gaps(next);
        if (gaps.isOpen()) {
            var strips = new HashSet<Ground.Strip>();
            changed.values().stream().flatMap(List::stream).forEach(box -> next.ground()
                    .stripsTouching(box, strips::add));
            if (!site.set().counts().keySet().equals(to.counts().keySet())) {
                // A gap is closed with kinds that stand.
                strips.addAll(byRun.keySet());
            }
            strips.forEach(strip -> {
                runs.remove(strip);
                put(runs, strip, gaps);
            });
        }
        return new Survey(next, found, runs, ofMassing);
    }

    /** The places where something else stands than did, with the extents of what stood and stands there. */
    private Map<Place, List<Box>> changed(StandingSet to) {
        if (to.follows(site.set())) {
            return changed(to.since().removed(), to.since().added());
        }
        var old = new LinkedHashSet<>(site.set().chunks());
        var fresh = new LinkedHashSet<>(to.chunks());
        var shared = new HashSet<>(old);
        shared.retainAll(fresh);
        old.removeAll(shared);
        fresh.removeAll(shared);
        return changed(old, fresh);
    }

    private static Map<Place, List<Box>> changed(Collection<Chunk> old, Collection<Chunk> fresh) {
        var stood = rows(old);
        var stands = rows(fresh);
        var changed = new HashMap<Place, List<Box>>();
        stood.forEach((place, at) -> {
            var now = stands.get(place);
            if (now == null || !now.equals(at)) {
                changed.computeIfAbsent(place, p -> new ArrayList<>())
                        .add(at.chunk().box(at.row()));
            }
        });
        stands.forEach((place, at) -> {
            if (!at.equals(stood.get(place))) {
                changed.computeIfAbsent(place, p -> new ArrayList<>())
                        .add(at.chunk().box(at.row()));
            }
        });
        return changed;
    }

    /** A row, equal to another one in which the same stands alike. */
    private record At(Chunk chunk, int row) {

        @Override
        public boolean equals(Object o) {
            return o instanceof At at
                    && chunk.rows().pose(row) == at.chunk.rows().pose(at.row)
                    && chunk.kind(row).equals(at.chunk.kind(at.row))
                    && chunk.stance(row).equals(at.chunk.stance(at.row));
        }

        @Override
        public int hashCode() {
            return chunk.stance(row).hashCode();
        }
    }

    private static Map<Place, At> rows(Collection<Chunk> chunks) {
        var rows = new HashMap<Place, At>();
        chunks.forEach(chunk -> {
            for (var row = 0; row < chunk.size(); row++) {
                rows.put(chunk.place(row), new At(chunk, row));
            }
        });
        return rows;
    }

    /** Faults first, then by check and by room. */
    public List<Finding> findings() {
        return Stream.of(
                        ofMassing.stream(),
                        byRun.values().stream().flatMap(List::stream),
                        onPieces.others(),
                        isOutdoors() ? Stream.<Finding>of() : onPieces.outside())
                .flatMap(s -> s)
                .sorted(Comparator.comparing(Finding::check)
                        .thenComparing(f -> f.card().key())
                        .thenComparing(Finding::key))
                .toList();
    }

    /** Where most of what hands set down stands in no room, standing outside is no fault of any one thing. */
    private boolean isOutdoors() {
        var outside = onPieces.countOutside();
        return outside > 0
                && (site.massing().rooms().isEmpty()
                        || 2 * outside > site.set().decisions().hands().size());
    }
}
