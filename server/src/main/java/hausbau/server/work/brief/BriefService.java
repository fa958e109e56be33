package hausbau.server.work.brief;

import hausbau.core.budget.Brief;
import hausbau.core.measure.Refused;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.brief.BriefRow;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The brief, and the time each stage takes. */
@Service
public class BriefService {

    /** A browser reports often; more at once is no measured time. */
    private static final long MOST_SECONDS_AT_ONCE = 3600;

    private final Stores store;
    private final Journal journal;

    BriefService(Stores store, Journal journal) {
        this.store = store;
        this.journal = journal;
    }

    /** @param spentSeconds of each stage: what was measured, and what a person added or took off */
    public record Standing(Brief brief, List<Long> spentSeconds) {}

    @Reading
    public Standing find(long siteId) {
        store.sites().site(siteId);
        var brief = store.briefs().brief(siteId).map(BriefRow::toBrief).orElse(Brief.EMPTY);
        var spent = measured(siteId);
        for (var i = 0; i < Brief.STAGES; i++) {
            spent.set(i, Math.max(0, spent.get(i) + brief.correctedSeconds().get(i)));
        }
        return new Standing(brief, spent);
    }

    private List<Long> measured(long siteId) {
        return store.briefs().spent(siteId, Brief.STAGES);
    }

    /**
     * Changes the brief as it stands, so that two changes at once do not undo each other.
     *
     * @param spentSeconds what a stage has taken in all, by its number, where a person corrects it
     */
    @Transactional
    public void change(long siteId, Seen seen, UnaryOperator<Brief> change, Map<Integer, Long> spentSeconds) {
        journal.edit(siteId, seen, edit -> {
            edit.name(spentSeconds.isEmpty() ? "Change the brief" : "Correct the time spent");
            var measured = measured(siteId);
            var standing = store.briefs().brief(siteId);
            var told = change.apply(standing.map(BriefRow::toBrief).orElse(Brief.EMPTY));
            var corrected = new ArrayList<>(told.correctedSeconds());
            spentSeconds.forEach(
                    (stage, seconds) -> corrected.set(stage, checkedSeconds(seconds) - measured.get(stage)));
            var brief = new Brief(
                    told.intent(), told.focal(), told.target(), told.budget(), told.plannedMinutes(), corrected);
            if (standing.isPresent()) {
                edit.change(standing.get(), row -> row.set(brief));
            } else {
                edit.add(new BriefRow(store.nextId(), siteId, brief));
            }
            return null;
        });
    }

    private static long checkedSeconds(long seconds) {
        if (seconds < 0 || seconds > 100_000_000) {
            throw new Refused("spentSeconds", "A time spent is from 0 to a hundred million seconds.");
        }
        return seconds;
    }

    /** Adds to the measured time of a stage. */
    @Transactional
    public void spend(long siteId, int stage, long seconds) {
        store.sites().site(siteId);
        if (stage < 0 || stage >= Brief.STAGES || seconds < 1 || seconds > MOST_SECONDS_AT_ONCE) {
            throw new Refused(
                    "seconds", "Tell a stage from 0 to 6 and from 1 to " + MOST_SECONDS_AT_ONCE + " seconds.");
        }
        store.briefs().spend(siteId, stage, seconds);
    }
}
