package hausbau.server.http.kit;

import hausbau.core.fit.FilledRun;
import hausbau.core.fit.FixedItem;
import hausbau.core.fit.KitPlan;
import hausbau.core.fit.KitQuestion;
import hausbau.core.fit.Run;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Role;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.standing.RunLayout;
import hausbau.core.standing.StandingSet;
import hausbau.server.http.VecMm;
import hausbau.server.http.site.SiteController;
import hausbau.server.jobs.Jobs;
import hausbau.server.journal.Maker;
import hausbau.server.journal.Seen;
import hausbau.server.work.kit.KitPlanService;
import hausbau.server.work.site.SiteService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "Kit")
public class KitPlanController {

    private final KitPlanService kit;
    private final SiteService sites;
    private final Jobs jobs;

    KitPlanController(KitPlanService kit, SiteService sites, Jobs jobs) {
        this.kit = kit;
        this.sites = sites;
        this.jobs = jobs;
    }

    record FixedBody(@NotNull String piece, @NotNull Length atMm, @NotNull Length lengthMm) {}

    record RunBody(@NotNull String name, @NotNull Length lengthMm, @Valid List<@NotNull FixedBody> fixed) {

        Run toRun() {
            return new Run(
                    name,
                    lengthMm,
                    Optional.ofNullable(fixed).orElse(List.of()).stream()
                            .map(f -> new FixedItem(f.piece(), f.atMm(), f.lengthMm()))
                            .toList());
        }
    }

    record PlanBody(
            @NotNull Length stepMm,
            @NotNull Length minPieceMm,
            @NotNull Length maxPieceMm,
            @NotNull Integer maxKinds,
            @NotNull @Valid List<@NotNull RunBody> runs) {}

    /** @param option the id of a plan's option; in place of it lengths for all walls, each piece from floor to ceiling */
    record ChoiceBody(String option, List<@NotNull Length> kindsMm, Length minPieceMm, Length maxPieceMm) {}

    record OptionView(@NotNull List<Length> kindsMm, @NotNull long placements, @NotNull boolean proven) {}

    record ItemView(@NotNull String piece, @NotNull Length atMm, @NotNull Length lengthMm) {}

    record RunView(@NotNull String name, @NotNull List<ItemView> sequence) {}

    /** @param belowMm the nearest shorter length that could be filled; null if there is none */
    record UnfillableView(
            @NotNull String run, @NotNull Length atMm, @NotNull Length lengthMm, Length belowMm, Length aboveMm) {}

    /** @param recommended null if there is no option */
    record PlanView(
            @NotNull List<OptionView> options,
            Integer recommended,
            @NotNull List<RunView> runs,
            @NotNull List<UnfillableView> unfillable) {}

    /** A clear opening in a run, from its start and from its foot. */
    record HoleView(
            @NotNull long openingId,
            @NotNull Length atMm,
            @NotNull Length widthMm,
            @NotNull Length sillMm,
            @NotNull Length heightMm) {

        static HoleView of(WallRun.Panel p) {
            return new HoleView(
                    p.opening().id(),
                    p.from(),
                    p.opening().width(),
                    p.sill(),
                    p.opening().height());
        }
    }

    /**
     * What a run is, whatever it is built from.
     *
     * @param startMm      its left end seen from inside, at the wall's foot, on its face
     * @param quarterTurns by which it goes along, from east; its thickness lies to the left of that
     */
    record FaceView(
            @NotNull long roomId,
            @NotNull VecMm startMm,
            @NotNull int quarterTurns,
            @NotNull Length heightMm,
            @NotNull Length thicknessMm,
            @NotNull List<HoleView> holes) {

        static FaceView of(WallRun run) {
            return new FaceView(
                    run.room(),
                    VecMm.of(run.start()),
                    run.side().turn().quarters(),
                    run.height(),
                    run.depth(),
                    run.panels().stream().map(HoleView::of).toList());
        }
    }

    /** A kind that would be derived. @param count how often */
    record OptionPieceView(
            @NotNull Role role,
            @NotNull Length lengthMm,
            @NotNull Length heightMm,
            @NotNull Length depthMm,
            @NotNull long count) {

        /** Those of these kinds, by role, the highest and longest first. */
        static List<OptionPieceView> list(Map<Kind, Long> counts, Set<Kind> of) {
            return counts.entrySet().stream()
                    .filter(e -> of.contains(e.getKey()))
                    .map(e -> new OptionPieceView(
                            e.getKey().role(),
                            new Length(e.getKey().size().x()),
                            new Length(e.getKey().size().z()),
                            new Length(e.getKey().size().y()),
                            e.getValue()))
                    .sorted(Comparator.comparing(OptionPieceView::role)
                            .thenComparing(OptionPieceView::heightMm, Comparator.reverseOrder())
                            .thenComparing(OptionPieceView::lengthMm, Comparator.reverseOrder()))
                    .toList();
        }
    }

    /** @param lost what a hand changed and whose place would be gone */
    record DoesView(@NotNull long placed, @NotNull long removed, @NotNull long lost) {

        static DoesView of(StandingSet.Difference d) {
            return new DoesView(d.placed(), d.removed(), d.lost());
        }
    }

    /**
     * @param id       by which it is chosen
     * @param kinds    every derived kind that stands once it is chosen
     * @param made     how many of them are to be made: all, but for those that stand already where they are kept
     * @param byRole   the same, by role
     * @param added    of its pieces those that the option before it does without
     * @param jointsMm heights at which walls are cut, from the site's zero
     * @param does     what choosing it would do to what stands
     */
    record SiteOptionView(
            @NotNull String id,
            @NotNull int kinds,
            @NotNull int made,
            @NotNull long placements,
            @NotNull boolean proven,
            @NotNull Map<Role, Integer> byRole,
            @NotNull List<OptionPieceView> pieces,
            @NotNull List<OptionPieceView> added,
            @NotNull List<Length> jointsMm,
            @NotNull DoesView does) {

        static SiteOptionView of(KitPlanService.SiteOption o, Set<Kind> added) {
            var byRole = new TreeMap<Role, Integer>();
            o.counts().keySet().forEach(k -> byRole.merge(k.role(), 1, Integer::sum));
            return new SiteOptionView(
                    o.choice().word(),
                    o.counts().size(),
                    o.made(),
                    o.placements(),
                    o.proven(),
                    byRole,
                    OptionPieceView.list(o.counts(), o.counts().keySet()),
                    OptionPieceView.list(o.counts(), added),
                    o.choice().tiers().joints().stream().map(Length::new).toList(),
                    DoesView.of(o.does()));
        }
    }

    /** Something in a run. @param upMm its foot above the wall's */
    record LaidView(
            @NotNull String piece,
            @NotNull Length atMm,
            @NotNull Length lengthMm,
            @NotNull Length upMm,
            @NotNull Length heightMm) {}

    record LaidRunView(@NotNull String name, @NotNull List<LaidView> pieces) {

        static LaidRunView of(RunLayout layout) {
            var run = layout.run();
            var foot = run.start().z();
            var pieces = new ArrayList<LaidView>();
            layout.pieces()
                    .forEach(p -> pieces.add(new LaidView(
                            FilledRun.WALL,
                            p.at(),
                            p.length(),
                            new Length(p.layer().foot() - foot),
                            p.layer().height())));
            for (var i = 0; i < run.panels().size(); i++) {
                var panel = run.panels().get(i);
                var stack = layout.panels().get(i);
                pieces.add(new LaidView(
                        panel.opening().kind().label(),
                        panel.at(),
                        panel.length(),
                        new Length(stack.foot() - foot),
                        stack.height()));
            }
            return new LaidRunView(run.name(), pieces);
        }
    }

    /**
     * @param recommended null if there is no option
     * @param layouts     for each option, the runs laid out
     * @param faces       of the runs, in the order of each layout
     * @param postsMm     where posts stand, whatever they are cut into
     */
    record SitePlanView(
            @NotNull List<SiteOptionView> options,
            Integer recommended,
            @NotNull List<List<LaidRunView>> layouts,
            @NotNull List<FaceView> faces,
            @NotNull List<VecMm.BoxMm> postsMm,
            @NotNull List<UnfillableView> unfillable) {}

    @PostMapping("/kit-plans")
    @Operation(summary = "A kit plan for runs that belong to no site")
    PlanView plan(@Valid @RequestBody PlanBody body, @RequestParam(required = false) String token) {
        var planned = kit.plan(
                new KitQuestion(
                        body.stepMm(),
                        body.minPieceMm(),
                        body.maxPieceMm(),
                        body.maxKinds(),
                        body.runs().stream().map(RunBody::toRun).toList()),
                word(token));
        var plan = planned.plan();
        var runs = plan.recommended().isEmpty()
                ? List.<RunView>of()
                : layout(planned, plan.options().get(plan.recommended().getAsInt()));
        return new PlanView(options(plan), recommended(plan), runs, unfillable(plan.unfillable()));
    }

    @PostMapping("/sites/{siteId}/kit-plans")
    @Operation(
            summary =
                    "The kits that the site's rooms can be built from, each with all that would be derived and laid out")
    SitePlanView plan(
            @PathVariable long siteId,
            @Valid @RequestBody KitRulesBody body,
            @RequestParam(required = false) String token) {
        var plan = kit.plan(siteId, body.toRules(), word(token));
        var recommended = plan.recommended();
        return new SitePlanView(
                plan.options().stream()
                        .map(o -> SiteOptionView.of(o, plan.added(o)))
                        .toList(),
                recommended.isPresent() ? recommended.getAsInt() : null,
                plan.options().stream()
                        .map(o -> plan.layout(o).stream().map(LaidRunView::of).toList())
                        .toList(),
                plan.runs().stream().map(FaceView::of).toList(),
                plan.posts().stream().map(p -> VecMm.BoxMm.of(p.box())).toList(),
                unfillable(plan.unfillable()));
    }

    private static List<OptionView> options(KitPlan plan) {
        return plan.options().stream()
                .map(o -> new OptionView(o.kinds(), o.placements(), o.proven()))
                .toList();
    }

    private static Integer recommended(KitPlan plan) {
        return plan.recommended().isPresent() ? plan.recommended().getAsInt() : null;
    }

    private static List<RunView> layout(KitPlanService.Planned planned, KitPlan.Option option) {
        return planned.layout(option).stream()
                .map(filled -> new RunView(
                        filled.name(),
                        filled.items().stream()
                                .map(i -> new ItemView(i.piece(), i.at(), i.length()))
                                .toList()))
                .toList();
    }

    /** A maker's word for a plan, by which they can call it off. */
    static String word(String token) {
        if (token != null && !token.matches("[\\w-]{1,80}")) {
            throw new Refused("token", "A token takes 1 to 80 letters, digits, - and _.");
        }
        return token == null ? "" : token;
    }

    @DeleteMapping("/kit-plans/{token}")
    @Operation(summary = "Calls off the plan that is being worked out under this token")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void callOff(@PathVariable String token) {
        jobs.callOff(token);
    }

    private static List<UnfillableView> unfillable(List<KitPlan.Unfillable> all) {
        return all.stream()
                .map(u -> new UnfillableView(
                        u.run(),
                        u.span().at(),
                        u.span().length(),
                        u.below().isPositive() ? u.below() : null,
                        u.above().isPositive() ? u.above() : null))
                .toList();
    }

    @PutMapping("/sites/{siteId}/kit")
    @Operation(
            summary = "Takes an option of a kit plan, or these lengths of wall; makes the pieces and builds the rooms")
    SiteController.SiteView choose(@PathVariable long siteId, Seen seen, @Valid @RequestBody ChoiceBody body) {
        if (body.option() != null) {
            kit.choose(siteId, seen, body.option());
        } else {
            kit.choose(
                    siteId,
                    seen,
                    told("kindsMm", body.kindsMm()),
                    told("minPieceMm", body.minPieceMm()),
                    told("maxPieceMm", body.maxPieceMm()));
        }
        return SiteController.SiteView.of(sites.find(siteId, new Maker(seen.maker())));
    }

    private static <T> T told(String field, T value) {
        if (value == null) {
            throw new Refused(field, "Tell this, or an option of a kit plan.");
        }
        return value;
    }
}
