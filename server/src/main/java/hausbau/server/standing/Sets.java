package hausbau.server.standing;

import hausbau.core.kit.Kit;
import hausbau.core.place.Hands;
import hausbau.core.standing.Chunk;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.Digest;
import hausbau.core.standing.StandingSet;
import hausbau.core.survey.Survey;
import hausbau.server.store.Aggregate;
import hausbau.server.store.Stores;
import hausbau.server.store.site.SiteRow;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The computed sets of the sites in use. What is kept here can be lost at any time: it is computed again from what is
 * stored, here or on another server.
 */
@Component
public class Sets {

    /** Standing pieces kept in all, past states counted by what they do not share; a site of 100 000 takes some 30 MB. */
    private static final long MOST_PIECES = 1_500_000;
    /** States of a site that a browser may still be on its way from. */
    private static final int PAST = 32;
    /** Pieces that such states may have beyond those that they share with the state after them. */
    private static final long MOST_PAST_PIECES = 200_000;

    /** What is kept of a site. */
    private static final class Kept {

        private SiteState state;
        private final Deque<Past> past = new ArrayDeque<>();
        private long pastPieces;
        private @Nullable Survey survey;
        private long surveyed = -1;

        Kept(SiteState state) {
            this.state = state;
        }

        /** Goes on to the state after this one, which stays within the bounds for past ones. */
        void goOn(SiteState next) {
            var own = next.set().follows(state.set())
                    ? next.set().since().removed().stream()
                            .mapToLong(Chunk::size)
                            .sum()
                    : state.set().size();
            past.addLast(new Past(state, own));
            pastPieces += own;
            state = next;
            while (past.size() > PAST || pastPieces > MOST_PAST_PIECES && past.size() > 1) {
                pastPieces -= past.removeFirst().own();
            }
        }

        long pieces() {
            return state.set().size() + pastPieces;
        }
    }

    /** A state that is not the last one any more. @param own how many pieces it does not share with the one after it */
    private record Past(SiteState state, long own) {}

    private final Stores stores;
    private final JdbcTemplate jdbc;
    private final TransactionTemplate reading;
    private final TransactionTemplate writing;
    private final Map<Long, Object> computing = new ConcurrentHashMap<>();
    private final Map<Long, Kept> kept = new LinkedHashMap<>(16, 0.75f, true);

    Sets(Stores stores, JdbcTemplate jdbc, PlatformTransactionManager transactions) {
        this.stores = stores;
        this.jdbc = jdbc;
        this.reading = new TransactionTemplate(transactions);
        reading.setReadOnly(true);
        this.writing = new TransactionTemplate(transactions);
        writing.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    /**
     * The site as it stands in the database now.
     *
     * @throws hausbau.server.store.NotFound if there is none
     */
    public SiteState current(long siteId) {
        if (TransactionSynchronizationManager.isActualTransactionActive()
                && !TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
            // What is not yet in the database for good is not kept.
            return within(stores.sites().site(siteId));
        }
        var read = Objects.requireNonNull(
                reading.execute(status -> read(stores.sites().site(siteId))));
        return read.state().isPresent() ? read.state().get() : computed(siteId);
    }

    /** One computes it, however many ask; what is computed holds no connection. */
    private SiteState computed(long siteId) {
        synchronized (computing.computeIfAbsent(siteId, id -> new Object())) {
            try {
                var read = Objects.requireNonNull(
                        reading.execute(status -> read(stores.sites().site(siteId))));
                var state = read.state().orElseGet(() -> read.loaded().compute());
                if (state.kit().unnamed(state.set().kinds()).isEmpty()) {
                    return publish(state);
                }
                // Kinds that no edit has named yet: the site was made by an earlier version.
                return publish(Objects.requireNonNull(writing.execute(
                        status -> named(load(stores.sites().lockedSite(siteId)).compute()))));
            } finally {
                computing.remove(siteId);
            }
        }
    }

    /** What is known of a site, or what was decided about it, of which it is computed. */
    private record Read(Optional<SiteState> state, Loaded loaded) {}

    private Read read(SiteRow site) {
        var known = find(site.getId(), site.revision());
        return new Read(known, known.isPresent() ? Loaded.NOTHING : load(site));
    }

    /** What was decided, and how the set follows from it. */
    private interface Loaded {

        Loaded NOTHING = () -> {
            throw new IllegalStateException("nothing was loaded");
        };

        SiteState compute();
    }

    /** The same for a site that the transaction holds. */
    public SiteState within(SiteRow locked) {
        return find(locked.getId(), locked.revision())
                .orElseGet(() -> named(load(locked).compute()));
    }

    private @Nullable SiteState known(long siteId) {
        synchronized (kept) {
            var known = kept.get(siteId);
            return known == null ? null : known.state;
        }
    }

    private Optional<SiteState> find(long siteId, long revision) {
        synchronized (kept) {
            var known = kept.get(siteId);
            return known == null
                    ? Optional.empty()
                    : known.state.revision() == revision
                            ? Optional.of(known.state)
                            : known.past.stream()
                                    .map(Past::state)
                                    .filter(s -> s.revision() == revision)
                                    .findFirst();
        }
    }

    /** What follows once other things are decided; kinds that are new get their codes within the transaction. */
    public SiteState follow(SiteState from, long revision, Decisions to) {
        return named(new SiteState(from.siteId(), revision, from.set().next(to), from.kit()));
    }

    private SiteState named(SiteState state) {
        var settings = state.settings();
        var kit = stores.kits()
                .name(state.siteId(), state.kit(), state.set().kinds(), settings.storey(), settings.unit());
        return kit == state.kit() ? state : new SiteState(state.siteId(), state.revision(), state.set(), kit);
    }

    /** Reads what was decided. From a state that is known only the placements that changed since are read. */
    private Loaded load(SiteRow site) {
        long siteId = site.getId();
        var before = known(siteId);
        if (before != null && before.revision() < site.revision()) {
            var caughtUp = catchUp(before, site);
            if (caughtUp.isPresent()) {
                return caughtUp.get();
            }
        }
        var kit = stores.kits().kit(site.getId(), site.settings().unit());
        var massing = stores.massing().massing(site);
        var hands = Hands.EMPTY.with(stores.sets().placements(site.getId(), kit), Set.of());
        var departures = Decisions.bySource(stores.sets().departures(site.getId()).stream()
                .map(d -> d.toDeparture(kit))
                .toList());
        var repeats = stores.sets().repeats(site.getId()).stream()
                .map(r -> r.toRepeat(kit))
                .toList();
        var decisions = new Decisions(
                massing,
                site.kit(),
                hands,
                repeats,
                stores.sets().assemblies(site.getId(), kit),
                stores.sets().twins(site.getId()),
                stores.sets().traits(site.getId(), kit),
                stores.sets().dresses(site.getId()),
                departures);
        var revision = site.revision();
        return () -> new SiteState(
                siteId,
                revision,
                before == null ? StandingSet.of(decisions) : before.set().next(decisions),
                kit);
    }

    private Optional<Loaded> catchUp(SiteState before, SiteRow site) {
        var revision = site.revision();
        var ids = new HashSet<Long>();
        var parts = new HashSet<String>();
        var known = new long[1];
        jdbc.query(
                "select touched, parts from revision where site_id = ? and revision > ?",
                row -> {
                    known[0]++;
                    ids.addAll(List.of((Long[]) row.getArray(1).getArray()));
                    parts.addAll(List.of((String[]) row.getArray(2).getArray()));
                },
                site.getId(),
                before.revision());
        parts.removeAll(Set.of(Aggregate.Part.BOARD.name(), Aggregate.Part.SURVEY.name(), Aggregate.Part.NONE.name()));
        if (known[0] != site.revision() - before.revision()
                || !Set.of(Aggregate.Part.SET.name()).containsAll(parts)) {
            return Optional.empty();
        }
        if (parts.isEmpty()) {
            return Optional.of(() -> new SiteState(before.siteId(), revision, before.set(), before.kit()));
        }
        var kit = stores.kits().kit(site.getId(), site.settings().unit());
        var changed = stores.sets().placements(site.getId(), kit, ids);
        var gone = new HashSet<>(ids);
        changed.forEach(h -> gone.remove(h.id()));
        var departures = stores.sets().departures(site.getId()).stream()
                .map(d -> d.toDeparture(kit))
                .collect(Collectors.toList());
        var same = new HashSet<>(departures)
                .equals(new HashSet<>(before.decisions().allDepartures()));
        var repeats = stores.sets().repeats(site.getId()).stream()
                .map(r -> r.toRepeat(kit))
                .toList();
        var assemblies = stores.sets().assemblies(site.getId(), kit);
        var twins = stores.sets().twins(site.getId());
        var to = new Decisions(
                before.decisions().massing(),
                before.decisions().kit(),
                before.decisions().hands().with(changed, gone),
                repeats.equals(before.decisions().repeats())
                        ? before.decisions().repeats()
                        : repeats,
                assemblies.equals(before.decisions().assemblies())
                        ? before.decisions().assemblies()
                        : assemblies,
                twins.equals(before.decisions().twins()) ? before.decisions().twins() : twins,
                stores.sets().traits(site.getId(), kit),
                stores.sets().dresses(site.getId()),
                same ? before.decisions().departures() : Decisions.bySource(departures));
        return Optional.of(
                () -> new SiteState(before.siteId(), revision, before.set().next(to), kit));
    }

    /** Keeps a state that is in the database for good. */
    public SiteState publish(SiteState state) {
        synchronized (kept) {
            var known = kept.computeIfAbsent(state.siteId(), id -> new Kept(state));
            if (known.state.revision() < state.revision()) {
                known.goOn(state);
            } else if (known.state.revision() == state.revision() && known.state.kit() != state.kit()) {
                known.state = state;
            }
            shrink(state.siteId());
            return state;
        }
    }

    private void shrink(long keep) {
        var pieces = kept.values().stream().mapToLong(Kept::pieces).sum();
        for (var all = kept.entrySet().iterator(); pieces > MOST_PIECES && all.hasNext(); ) {
            var eldest = all.next();
            if (eldest.getKey() != keep) {
                pieces -= eldest.getValue().pieces();
                all.remove();
            }
        }
    }

    /** Forgets a site, or all that is kept of it. */
    public void forget(long siteId) {
        synchronized (kept) {
            kept.remove(siteId);
        }
    }

    /** The state at a revision, if it is still known. */
    public Optional<SiteState> past(long siteId, long revision) {
        return find(siteId, revision);
    }

    /** A chunk of the site's, of this state or of one before it, by its digest. */
    public Optional<Chunk> chunk(SiteState state, Digest digest) {
        var states = new ArrayDeque<SiteState>();
        synchronized (kept) {
            var known = kept.get(state.siteId());
            if (known != null) {
                known.past.forEach(p -> states.addFirst(p.state()));
            }
        }
        states.addFirst(state);
        return states.stream()
                .map(SiteState::set)
                .distinct()
                .flatMap(s -> s.chunks().stream())
                .filter(c -> c.digest().equals(digest))
                .findFirst();
    }

    /** What the survey finds in this state. It follows from the last one, so that it costs what has changed since. */
    public Survey survey(SiteState state) {
        Kept known;
        synchronized (kept) {
            known = kept.computeIfAbsent(state.siteId(), id -> new Kept(state));
        }
        synchronized (known) {
            if (known.survey == null || known.surveyed > state.revision()) {
                var survey = known.survey == null
                        ? Survey.of(state.set(), state.kit())
                        : known.survey.next(state.set(), state.kit());
                if (known.surveyed < state.revision()) {
                    known.survey = survey;
                    known.surveyed = state.revision();
                }
                return survey;
            }
            if (known.surveyed < state.revision()) {
                known.survey = known.survey.next(state.set(), state.kit());
                known.surveyed = state.revision();
            }
            return known.survey;
        }
    }

    /** The pieces of a site's kit, by id: what stands, what it may look like, and what is kept though nothing of it stands. */
    public static List<Long> atHand(SiteState state, Collection<Long> kept) {
        var ids = state.set().kinds().stream().map(state::id).collect(Collectors.toSet());
        state.decisions().traits().all().values().forEach(t -> t.variety()
                .looks()
                .forEach(l -> ids.add(state.id(l.kind()))));
        kept.stream().filter(id -> state.kit().piece(id).isPresent()).forEach(ids::add);
        Kit kit = state.kit();
        return kit.pieces().keySet().stream()
                .filter(ids::contains)
                .sorted((a, b) -> {
                    var p = kit.piece(a).orElseThrow();
                    var q = kit.piece(b).orElseThrow();
                    var byRole = p.role().compareTo(q.role());
                    var bySize = Long.compare(q.size().x(), p.size().x());
                    return byRole != 0
                            ? byRole
                            : bySize != 0 ? bySize : p.code().compareTo(q.code());
                })
                .toList();
    }
}
