package hausbau.server.work.site;

import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Unit;
import hausbau.core.place.Departure;
import hausbau.core.standing.Chunk;
import hausbau.core.standing.Digest;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Maker;
import hausbau.server.journal.Revisions;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.Aggregate;
import hausbau.server.store.NotFound;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.site.SiteRow;
import hausbau.server.work.board.Previews;
import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Sites as wholes: making, renaming, setting up, copying, deleting, and telling what has changed. */
@Service
public class SiteService {

    private final Stores store;
    private final Journal journal;
    private final Revisions revisions;
    private final Sets sets;
    private final Previews previews;
    private final EntityManager rows;
    private final SiteCopying copying;
    private final TransactionTemplate reading;

    SiteService(
            Stores store,
            Journal journal,
            Revisions revisions,
            Sets sets,
            Previews previews,
            EntityManager rows,
            SiteCopying copying,
            PlatformTransactionManager transactions) {
        this.store = store;
        this.journal = journal;
        this.revisions = revisions;
        this.sets = sets;
        this.previews = previews;
        this.rows = rows;
        this.copying = copying;
        this.reading = new TransactionTemplate(transactions);
        reading.setReadOnly(true);
    }

    /** A site as the list of sites shows it. */
    public record Overview(
            long id, String name, long revision, Unit unit, Instant changedAt, long rooms, long placements) {}

    /**
     * A site with what can be taken back and done again by whoever asks.
     *
     * @param leftOut derived pieces that a hand took away, @param lost what a hand changed and whose place is gone
     */
    public record Standing(SiteRow site, Journal.Steps steps, long leftOut, long lost) {}

    /**
     * What has changed since a revision.
     *
     * @param parts  empty if that is no longer known: everything may have changed
     * @param chunks those of the set that are new or were written anew since, or all of them
     * @param gone   the names of those that are no more
     * @param all    whether all chunks are listed
     */
    public record News(
            Standing standing,
            Optional<Set<Aggregate.Part>> parts,
            List<Chunk> chunks,
            List<String> gone,
            boolean all) {}

    /** Of a site whose number of pieces is not known yet, it is worked out once. */
    public List<Overview> list() {
        var sites = Objects.requireNonNull(reading.execute(status -> overviews()));
        return sites.stream()
                .flatMap(o -> o.placements() >= 0 ? Stream.of(o) : counted(o).stream())
                .toList();
    }

    /** Empty where the site was deleted meanwhile. */
    private Optional<Overview> counted(Overview o) {
        try {
            var state = sets.current(o.id());
            store.sites().keepStanding(o.id(), state.revision(), state.set().size());
            return Optional.of(new Overview(
                    o.id(),
                    o.name(),
                    o.revision(),
                    o.unit(),
                    o.changedAt(),
                    o.rooms(),
                    state.set().size()));
        } catch (NotFound gone) {
            return Optional.empty();
        }
    }

    private List<Overview> overviews() {
        var rooms = rows
                .createQuery("select siteId, count(*) from RoomRow group by siteId", Object[].class)
                .getResultList()
                .stream()
                .collect(Collectors.toMap(pair -> (Long) pair[0], pair -> (Long) pair[1]));
        return store.sites().sites().stream()
                .map(site -> new Overview(
                        site.getId(),
                        site.name(),
                        site.revision(),
                        site.settings().unit(),
                        site.changedAt(),
                        rooms.getOrDefault(site.getId(), 0L),
                        site.standing().orElse(-1)))
                .toList();
    }

    /** @throws NotFound if there is no such site */
    @Reading
    public long revision(long id) {
        return store.sites().site(id).revision();
    }

    @Reading
    public Standing find(long id, Maker maker) {
        return standing(store.sites().site(id), maker);
    }

    private Standing standing(SiteRow site, Maker maker) {
        var state = sets.current(site.getId());
        var lost = state.set().lost();
        var leftOut = state.decisions().allDepartures().stream()
                        .filter(Departure.LeftOut.class::isInstance)
                        .count()
                - lost.stream().filter(Departure.LeftOut.class::isInstance).count();
        return new Standing(site, journal.steps(site.getId(), maker), leftOut, lost.size());
    }

    /** @param props whether it begins with plain props on the shelf */
    @Transactional
    public Standing create(String name, UnaryOperator<SiteSettings> setUp, boolean props) {
        var site = new SiteRow(store.nextId(), checkedName(name), setUp.apply(SiteSettings.USUAL));
        store.sites().add(site);
        store.kits().enterUsualMaterials(site.getId());
        if (props) {
            store.kits().enterPlainProps(site.getId());
        }
        return new Standing(site, Journal.Steps.NONE, 0, 0);
    }

    public static String checkedName(String name) {
        var trimmed = name.strip();
        if (trimmed.isEmpty() || trimmed.length() > 200) {
            throw new Refused("name", "A name takes 1 to 200 characters.");
        }
        if (trimmed.chars().anyMatch(Character::isISOControl)) {
            throw new Refused("name", "A name must not hold control characters.");
        }
        return trimmed;
    }

    /** Renames the site or changes its settings; the set follows. */
    public Standing change(long id, Seen seen, String name, UnaryOperator<SiteSettings> setUp) {
        var checked = checkedName(name);
        journal.edit(id, seen, edit -> {
            var renames = !checked.equals(edit.site().name());
            edit.name(renames ? "Rename the site to “" + checked + "”" : "Change the site's settings");
            edit.change(edit.site(), site -> {
                site.rename(checked);
                site.set(setUp.apply(site.settings()));
            });
            return null;
        });
        return find(id, new Maker(seen.maker()));
    }

    /** A new site with everything in it, but without the journal. */
    public Standing copy(long id, String name, Maker maker) {
        return find(copying.copy(id, checkedName(name)), maker);
    }

    @Transactional
    public void delete(long id) {
        store.sites().remove(store.sites().lockedSite(id));
        previews.forget(id);
        sets.forget(id);
    }

    /** Reads that belong together, all of one revision. What the set is computed from is read before, so that no connection waits for it. */
    public <T> T atOneRevision(long id, Supplier<T> reads) {
        sets.current(id);
        return Objects.requireNonNull(reading.execute(status -> reads.get()));
    }

    /** @throws NotFound if there is no such site */
    public SiteState state(long id) {
        return sets.current(id);
    }

    /** For one who knows nothing of it yet: a site that was copied or loaded stands at its first revision. */
    @Reading
    public News everything(long id, Maker maker) {
        return new News(
                standing(store.sites().site(id), maker),
                Optional.empty(),
                sets.current(id).set().chunks(),
                List.of(),
                true);
    }

    @Reading
    public News newsSince(long id, long revision, Maker maker) {
        var site = store.sites().site(id);
        if (revision > site.revision() || revision < 0) {
            throw new NotFound("Site " + id + " has no revision " + revision + " yet.");
        }
        var state = sets.current(id);
        var parts = revisions.partsSince(site, revision);
        var before = sets.past(id, revision).filter(past -> parts.isPresent());
        if (before.isEmpty()) {
            return new News(standing(site, maker), parts, state.set().chunks(), List.of(), true);
        }
        var was = before.get().set().chunks().stream().collect(Collectors.toMap(Chunk::name, c -> c));
        var changed = state.set().chunks().stream()
                .filter(c -> {
                    var stood = was.remove(c.name());
                    return stood == null || !stood.digest().equals(c.digest());
                })
                .toList();
        return new News(standing(site, maker), parts, changed, List.copyOf(was.keySet()), false);
    }

    /** The site and a chunk of its set. */
    public record Sent(SiteState state, Chunk chunk) {}

    /** @throws NotFound if no state that is still known has such a chunk: the news tell which there are now */
    public Sent chunk(long id, String digest) {
        var state = sets.current(id);
        return new Sent(
                state,
                Digest.parse(digest)
                        .flatMap(d -> sets.chunk(state, d))
                        .orElseThrow(() -> new NotFound("The set has no such chunk any more.")));
    }
}
