package hausbau.server.work.kit;

import hausbau.core.advice.KitAdvice;
import hausbau.core.fit.FilledRun;
import hausbau.core.fit.KitPlan;
import hausbau.core.fit.KitPlanner;
import hausbau.core.fit.KitQuestion;
import hausbau.core.fit.TierPlan;
import hausbau.core.fit.TierPlanner;
import hausbau.core.fit.TierQuestion;
import hausbau.core.kit.Kind;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Post;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.standing.KitChoice;
import hausbau.core.standing.KitOptions;
import hausbau.core.standing.KitRules;
import hausbau.core.standing.MouldingPlan;
import hausbau.core.standing.PlanMemory;
import hausbau.core.standing.Resizing;
import hausbau.core.standing.RunLayout;
import hausbau.core.standing.StandingSet;
import hausbau.core.survey.Survey;
import hausbau.server.jobs.Jobs;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.work.massing.BuildingRows;
import hausbau.server.work.massing.LevelService;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The kit that a site is built from: planned, advised on, resized and chosen. */
@Service
public class KitPlanService {

    private static final Duration PATIENCE = Duration.ofSeconds(25);
    private static final Duration ADVICE_PATIENCE = Duration.ofMinutes(2);

    private final Journal journal;
    private final Sets sets;
    private final Jobs jobs;
    private final LevelService levels;
    private final BuildingRows rows;
    private final TransactionTemplate reading;

    public KitPlanService(
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

    public SiteState state(long siteId) {
        return sets.current(siteId);
    }

    /** A plan for runs that belong to no site. */
    public record Planned(KitQuestion question, KitPlan plan) {

        /** The runs laid out with an option's kinds, longest pieces first. */
        public List<FilledRun> layout(KitPlan.Option option) {
            return question.runs().stream()
                    .map(run ->
                            FilledRun.of(question.step(), run, option.kinds()).orElseThrow())
                    .toList();
        }
    }

    /**
     * A kit that a site can be built from.
     *
     * @param counts  how often each kind would be derived
     * @param made    how many of the kinds are to be made: all but those that stand already, where those are kept
     * @param stacked how many of the placements are of walls, posts and panels, which the kit is chosen for
     * @param does    what choosing it would do to the set that stands
     */
    public record SiteOption(
            KitChoice choice,
            Map<Kind, Long> counts,
            int made,
            long stacked,
            boolean proven,
            StandingSet.Difference does) {

        public long placements() {
            return counts.values().stream().mapToLong(Long::longValue).sum();
        }
    }

    /** @param options fewest kinds first */
    public record SitePlan(
            KitRules rules, Massing massing, List<SiteOption> options, List<KitPlan.Unfillable> unfillable) {

        public List<WallRun> runs() {
            return massing.runs();
        }

        public List<Post> posts() {
            return massing.posts();
        }

        public OptionalInt recommended() {
            return options.isEmpty()
                    ? OptionalInt.empty()
                    : OptionalInt.of(KitOptions.recommended(
                            rules,
                            options.stream().map(SiteOption::made).toList(),
                            options.stream().map(SiteOption::stacked).toList()));
        }

        /** The kinds of an option that the one before it, with fewer kinds, does without; none for the first. */
        public Set<Kind> added(SiteOption option) {
            var at = options.indexOf(option);
            if (at == 0) {
                return Set.of();
            }
            var before = options.get(at - 1).counts().keySet();
            return option.counts().keySet().stream()
                    .filter(k -> !before.contains(k))
                    .collect(Collectors.toSet());
        }

        /** The runs, as an option would build them. */
        public List<RunLayout> layout(SiteOption option) {
            var longest = runs().stream().map(WallRun::length).reduce(Length.ZERO, Length::max);
            var filler = new RunLayout.Filler(option.choice(), longest);
            return runs().stream().map(run -> RunLayout.of(run, filler)).toList();
        }
    }

    /** Answers a question that belongs to no site. */
    public Planned plan(KitQuestion question, String token) {
        return new Planned(question, jobs.run("plans of no site", token, question, job -> {
            var plan = new KitPlanner(PATIENCE, () -> !job.isWanted()).plan(question);
            job.reachOrStop(1);
            return plan;
        }));
    }

    /** Answers a question that belongs to no site. */
    public TierPlan plan(TierQuestion question, String token) {
        return jobs.run("plans of no site", token, question, job -> {
            var plan = new TierPlanner(PATIENCE, () -> !job.isWanted()).plan(question);
            job.reachOrStop(1);
            return plan;
        });
    }

    /**
     * Works out the kits for the site's rooms. No transaction stands open meanwhile.
     *
     * @throws Refused if the site has no room, or a rule cannot be kept
     */
    public SitePlan plan(long siteId, KitRules rules, String token) {
        var state = sets.current(siteId);
        var massing = state.decisions().massing();
        var kept = rules.kept(state.set());
        var unfillable = KitOptions.unfillable(massing, rules, kept);
        if (!unfillable.isEmpty()) {
            return new SitePlan(rules, massing, List.of(), unfillable);
        }
        return jobs.run(siteId, token, new SiteQuestion(false, siteId, state.revision(), rules), job -> {
            var deadline = System.nanoTime() + PATIENCE.toNanos();
            var found = KitOptions.of(
                    massing,
                    new PlanMemory(massing.settings().step(), rules, kept),
                    Integer.MAX_VALUE,
                    () -> !job.isWanted() || job.isEnough() || System.nanoTime() - deadline >= 0,
                    best -> job.found(
                            best.kinds() + " kinds of wall, post and panel, " + best.placements() + " pieces"));
            var options = new ArrayList<SiteOption>();
            for (var option : found) {
                job.reachOrStop((double) options.size() / found.size());
                options.add(option(state, option, kept));
            }
            return new SitePlan(rules, massing, best(options), List.of());
        });
    }

    /** Built once without being kept, and counted. */
    private static SiteOption option(SiteState state, KitOptions.Option option, Set<Kind> kept) {
        var set = state.set().next(state.decisions().with(option.choice()));
        var counts = set.derivedCounts();
        return new SiteOption(
                option.choice(),
                counts,
                (int) counts.keySet().stream().filter(k -> !kept.contains(k)).count(),
                option.placements(),
                option.proven(),
                StandingSet.Difference.between(state.set(), set));
    }

    /** A resized kit and what choosing it would do. @param kinds every derived kind that would stand */
    public record Resized(
            Resizing resizing,
            int kindsNow,
            int kinds,
            long placementsNow,
            long placements,
            StandingSet.Difference does) {}

    private record ResizeQuestion(long siteId, long revision, long pieceId, Length length, Length height) {}

    /**
     * The site's kit with one of its pieces of wall in another size, all others kept.
     *
     * @throws Refused if no kit is chosen, the piece is none of its lengths, or the size cannot be had
     */
    public Resized resize(long siteId, long pieceId, Length length, Length height, String token) {
        var state = sets.current(siteId);
        var kind = state.piece(pieceId).kind();
        var choice = state.decisions()
                .kit()
                .orElseThrow(() -> new Refused("pieceId", "No kit is chosen yet: work one out under Kit."));
        return jobs.run(siteId, token, new ResizeQuestion(siteId, state.revision(), pieceId, length, height), job -> {
            var deadline = System.nanoTime() + PATIENCE.toNanos();
            var resizing = Resizing.of(
                    state.decisions().massing(),
                    choice,
                    kind,
                    length,
                    height,
                    () -> !job.isWanted() || System.nanoTime() - deadline >= 0);
            var set = state.set().next(state.decisions().with(resizing.choice()));
            return new Resized(
                    resizing,
                    state.set().derivedCounts().size(),
                    set.derivedCounts().size(),
                    count(state.set()),
                    count(set),
                    StandingSet.Difference.between(state.set(), set));
        });
    }

    private static long count(StandingSet set) {
        return set.derivedCounts().values().stream().mapToLong(Long::longValue).sum();
    }

    /** What a plan for a site, or advice on it, hangs on. @param advice whether that is asked for */
    private record SiteQuestion(boolean advice, long siteId, long revision, KitRules rules) {}

    /**
     * Changes of the site's rooms and openings that make its kit smaller, what saves most first.
     *
     * @throws Refused if the site has no room, or a rule cannot be kept
     */
    public List<KitAdvice.Advice> advice(long siteId, KitRules rules, String token) {
        var state = sets.current(siteId);
        // The bounds of a plan hold for advice as well.
        KitChoice.question(state.decisions().massing(), rules);
        var storeys = Objects.requireNonNull(reading.execute(status -> levels.all(siteId, state.settings())));
        return jobs.run(siteId, token, new SiteQuestion(true, siteId, state.revision(), rules), job -> {
            var deadline = System.nanoTime() + ADVICE_PATIENCE.toNanos();
            return KitAdvice.of(
                    state.set(),
                    storeys,
                    rules,
                    Survey::faults,
                    () -> !job.isWanted() || job.isEnough() || System.nanoTime() - deadline >= 0,
                    job::reachOrStop);
        });
    }

    /** Those that have fewer placements than all with no more kinds: a length that was planned may turn out to be one that stands anyway. */
    private static List<SiteOption> best(List<SiteOption> options) {
        var best = new ArrayList<SiteOption>();
        options.stream()
                .sorted(Comparator.comparingInt(SiteOption::made).thenComparing(SiteOption::placements))
                .filter(o -> best.isEmpty()
                        || o.placements() < best.get(best.size() - 1).placements())
                .forEach(best::add);
        return best;
    }

    /** Takes an option of a site's plan; the rooms are built from it. @param word of the option */
    @Transactional
    public void choose(long siteId, Seen seen, String word) {
        journal.edit(siteId, seen, edit -> {
            var choice = KitChoice.parse(edit.before().decisions().massing(), word);
            edit.name("Build from a kit");
            take(edit, choice);
            return null;
        });
    }

    /**
     * Takes these kinds for the site's walls; the rooms are built from them.
     *
     * @throws Refused if they do not fill every run
     */
    @Transactional
    public void choose(long siteId, Seen seen, List<Length> kinds, Length minPiece, Length maxPiece) {
        journal.edit(siteId, seen, edit -> {
            edit.name(
                    kinds.size() == 1 ? "Build from 1 kind of wall" : "Build from " + kinds.size() + " kinds of wall");
            var choice = KitChoice.of(edit.before().decisions().massing(), kinds, minPiece, maxPiece);
            take(edit, choice);
            return null;
        });
    }

    /** The kit, and the lengths of the mouldings that go with it. */
    private void take(Edit edit, KitChoice choice) {
        edit.change(edit.site(), site -> site.set(choice));
        var massing = edit.before().decisions().massing();
        rows.storeMouldings(
                edit,
                massing.building(),
                MouldingPlan.of(massing, choice.maxPiece()).building());
    }
}
