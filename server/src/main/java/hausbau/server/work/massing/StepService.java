package hausbau.server.work.massing;

import hausbau.core.advice.StepTrial;
import hausbau.core.massing.Level;
import hausbau.core.massing.StepChange;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.standing.KitChoice;
import hausbau.core.standing.KitRules;
import hausbau.core.standing.MouldingPlan;
import hausbau.core.survey.Survey;
import hausbau.server.jobs.Jobs;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** The planning grid's pitch: what another one would come to, and going over to it. */
@Service
public class StepService {

    /** For each step; what is known by then is given, not proven. */
    private static final Duration PATIENCE = Duration.ofSeconds(8);

    private static final int MOST = 20;

    private final Journal journal;
    private final Sets sets;
    private final Jobs jobs;
    private final LevelService levels;
    private final BuildingRows rows;
    private final TransactionTemplate reading;

    StepService(
            Journal journal,
            Sets sets,
            Jobs jobs,
            LevelService levels,
            BuildingRows rows,
            PlatformTransactionManager transactions) {
        this.journal = journal;
        this.sets = sets;
        this.jobs = jobs;
        this.levels = levels;
        this.rows = rows;
        this.reading = new TransactionTemplate(transactions);
        reading.setReadOnly(true);
    }

    /** What trials hang on. */
    private record Question(long siteId, long revision, KitRules rules, List<Length> steps) {}

    /** @param faults that the survey finds in the set as it stands */
    public record Trials(SiteState state, List<StepTrial> trials, long faults) {}

    /**
     * The site on other steps, each worked out in full. No transaction stands open meanwhile.
     *
     * @param steps those that are looked at; none for the usual ones
     * @throws Refused if the site has no room, or there are too many steps
     */
    public Trials trials(long siteId, KitRules rules, List<Length> steps, String token) {
        if (steps.size() > MOST) {
            throw new Refused("stepsMm", "At most " + MOST + " steps are looked at.");
        }
        var state = sets.current(siteId);
        var massing = state.decisions().massing();
        if (massing.rooms().isEmpty()) {
            throw new Refused("rooms", "There is no room yet. Type or draw one first.");
        }
        var asked = steps.isEmpty()
                ? StepTrial.usual(massing.settings())
                : steps.stream().distinct().sorted().toList();
        var storeys = storeys(state);
        return jobs.run(siteId, token, new Question(siteId, state.revision(), rules, asked), job -> {
            var trials = new ArrayList<StepTrial>();
            for (var step : asked) {
                if (job.isEnough()) {
                    break;
                }
                job.reachOrStop((double) trials.size() / asked.size());
                var deadline = System.nanoTime() + PATIENCE.toNanos();
                trials.add(StepTrial.of(
                        state.set(),
                        storeys,
                        rules,
                        step,
                        Survey::faults,
                        () -> !job.isWanted() || job.isEnough() || System.nanoTime() - deadline >= 0));
            }
            return new Trials(state, trials, Survey.faults(state.set()));
        });
    }

    private List<Level> storeys(SiteState state) {
        return Objects.requireNonNull(reading.execute(status -> levels.all(state.siteId(), state.settings())));
    }

    /**
     * Goes over to another step: moves what has to move, and builds the rooms from a kit of that step.
     *
     * @param option the word of the kit that a trial of this step gave
     * @throws Refused if the building cannot be moved onto it, or the kit does not fill it
     */
    public void take(long siteId, Seen seen, Length step, String option) {
        journal.edit(siteId, seen, edit -> {
            var settings = edit.before().settings();
            var massing = edit.before().decisions().massing();
            var storeys = levels.all(siteId, settings);
            var change = StepChange.of(settings, massing.building(), storeys, step);
            var choice = KitChoice.parse(change.massing(massing), option);
            edit.name("Step of " + settings.unit().format(step) + " instead of "
                    + settings.unit().format(settings.step()));
            rows.store(
                    edit,
                    massing.building(),
                    MouldingPlan.of(change.massing(massing), choice.maxPiece()).building());
            rows.store(edit, storeys, change.levels());
            edit.change(edit.site(), site -> {
                site.set(change.settings());
                site.set(choice);
            });
            return null;
        });
    }
}
