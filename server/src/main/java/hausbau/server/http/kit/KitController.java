package hausbau.server.http.kit;

import hausbau.core.budget.Budget;
import hausbau.core.fit.FilledRun;
import hausbau.core.fit.FixedItem;
import hausbau.core.fit.KitPlan;
import hausbau.core.fit.KitQuestion;
import hausbau.core.fit.Run;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Role;
import hausbau.core.kit.Solid;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Swatch;
import hausbau.core.standing.RunLayout;
import hausbau.core.standing.StandingSet;
import hausbau.server.http.VecMm;
import hausbau.server.http.set.TraitController;
import hausbau.server.http.site.SiteController;
import hausbau.server.jobs.Jobs;
import hausbau.server.journal.Maker;
import hausbau.server.journal.Seen;
import hausbau.server.work.kit.KitService;
import hausbau.server.work.site.SiteService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "Kit")
public class KitController {

    private final KitService kit;
    private final SiteService sites;
    private final Jobs jobs;

    KitController(KitService kit, SiteService sites, Jobs jobs) {
        this.jobs = jobs;
        this.kit = kit;
        this.sites = sites;
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

        static SiteOptionView of(KitService.SiteOption o, Set<Kind> added) {
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

    /** @param round whether the body is round in plan */
    record SolidView(@NotNull VecMm min, @NotNull VecMm max, @NotNull boolean round) {

        static SolidView of(Solid s) {
            return new SolidView(VecMm.of(s.box().min()), VecMm.of(s.box().max()), s.round());
        }
    }

    /** @param mesh tells one state of its mesh from another */
    public record PieceView(
            @NotNull long id,
            @NotNull String code,
            @NotNull String name,
            @NotNull Role role,
            @NotNull VecMm sizeMm,
            @NotNull VecMm.BoxMm boxMm,
            @NotNull List<SolidView> solidsMm,
            @NotNull long count,
            @NotNull TraitController.TraitView trait,
            @NotNull String mesh) {}

    public record TallyView(
            @NotNull int kinds,
            @NotNull long placements,
            @NotNull int drawCalls,
            @NotNull long triangles,
            @NotNull long instancedBytes,
            @NotNull long flatBytes,
            @NotNull int sheets,
            @NotNull long textureBytes,
            @NotNull long compressedTextureBytes,
            @NotNull List<SheetCostView> largest,
            @NotNull List<ShareView> heaviest,
            @NotNull List<BudgetLineView> budget) {}

    /** @param material what is drawn in it, @param colourwayId 0 for the site's, @param pixels to a side, @param bytes of all its pictures, not compressed */
    record SheetCostView(
            @NotNull Swatch material, @NotNull long colourwayId, @NotNull int pixels, @NotNull long bytes) {}

    /** What one piece draws, wherever it stands. */
    record ShareView(@NotNull String what, @NotNull long triangles) {}

    /** @param allowed 0 is no limit */
    record BudgetLineView(@NotNull String what, @NotNull long spent, @NotNull long allowed, @NotNull boolean over) {

        static BudgetLineView of(Budget.Line l) {
            return new BudgetLineView(l.what(), l.spent(), l.allowed(), l.isOver());
        }
    }

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

    private static List<RunView> layout(KitService.Planned planned, KitPlan.Option option) {
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

    @GetMapping("/sites/{siteId}/pieces")
    public List<PieceView> pieces(@PathVariable long siteId) {
        var state = kit.state(siteId);
        return kit.pieces(state).stream()
                .map(u -> new PieceView(
                        u.id(),
                        u.piece().code(),
                        u.piece().name(),
                        u.piece().role(),
                        VecMm.of(u.piece().size()),
                        VecMm.BoxMm.of(u.piece().box()),
                        u.piece().solids().stream().map(SolidView::of).toList(),
                        u.count(),
                        TraitController.TraitView.of(u.trait(), state),
                        KitService.tag(state, u.piece())))
                .toList();
    }

    @GetMapping(path = "/sites/{siteId}/pieces/{pieceId}/mesh.glb", produces = "model/gltf-binary")
    @Operation(summary = "One piece at its pivot, binary glTF 2.0")
    ResponseEntity<byte[]> mesh(
            @PathVariable long siteId,
            @PathVariable long pieceId,
            @RequestParam(required = false) String as,
            @RequestHeader(value = HttpHeaders.IF_NONE_MATCH, required = false) String known) {
        var state = kit.state(siteId);
        var tag = KitService.tag(state, state.piece(pieceId));
        var keep = keep(siteId, pieceId, as);
        if (("\"" + tag + "\"").equals(known)) {
            return ResponseEntity.status(HttpStatus.NOT_MODIFIED)
                    .cacheControl(keep)
                    .eTag(tag)
                    .build();
        }
        return ResponseEntity.ok()
                .cacheControl(keep)
                .eTag(tag)
                .contentType(MediaType.parseMediaType("model/gltf-binary"))
                .body(kit.glb(siteId, pieceId));
    }

    @GetMapping(path = "/sites/{siteId}/pieces/{pieceId}/unwrapped.glb", produces = "model/gltf-binary")
    @Operation(summary = "The same with a second set of UVs without overlap, for baked light and for its mask")
    ResponseEntity<byte[]> unwrapped(
            @PathVariable long siteId, @PathVariable long pieceId, @RequestParam(required = false) String as) {
        return ResponseEntity.ok()
                .cacheControl(keep(siteId, pieceId, as))
                .contentType(MediaType.parseMediaType("model/gltf-binary"))
                .body(kit.unwrapped(siteId, pieceId));
    }

    @GetMapping(path = "/sites/{siteId}/pieces/{pieceId}/wear.png", produces = MediaType.IMAGE_PNG_VALUE)
    @Operation(summary = "Where a piece wears, on its second UVs: edges in red, its foot in green")
    ResponseEntity<byte[]> wearMask(
            @PathVariable long siteId, @PathVariable long pieceId, @RequestParam(required = false) String as) {
        return ResponseEntity.ok()
                .cacheControl(keep(siteId, pieceId, as))
                .contentType(MediaType.IMAGE_PNG)
                .body(kit.wearMask(siteId, pieceId));
    }

    /** Asked for by its tag it never changes; else it is asked for again. */
    private CacheControl keep(long siteId, long pieceId, String as) {
        var state = kit.state(siteId);
        return KitService.tag(state, state.piece(pieceId)).equals(as)
                ? CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable()
                : CacheControl.noCache();
    }

    @GetMapping(path = "/sites/{siteId}/pieces/{pieceId}/piece.glb", produces = "model/gltf-binary")
    @Operation(
            summary =
                    "One piece at its pivot to go on with elsewhere: both sets of UVs, its materials named as the site calls them")
    ResponseEntity<byte[]> takenOut(@PathVariable long siteId, @PathVariable long pieceId) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noCache())
                .contentType(MediaType.parseMediaType("model/gltf-binary"))
                .body(kit.takenOut(siteId, pieceId));
    }

    @GetMapping(path = "/sites/{siteId}/pieces/{pieceId}/obj.zip", produces = "application/zip")
    @Operation(summary = "One piece at its pivot as OBJ with its MTL; metres, Y up")
    ResponseEntity<byte[]> obj(@PathVariable long siteId, @PathVariable long pieceId) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noCache())
                .contentType(MediaType.parseMediaType("application/zip"))
                .body(kit.obj(siteId, pieceId));
    }

    @GetMapping("/sites/{siteId}/tally")
    public TallyView tally(@PathVariable long siteId) {
        var cost = kit.cost(siteId);
        var t = cost.tally();
        return new TallyView(
                t.kinds(),
                t.placements(),
                t.drawCalls(),
                t.triangles(),
                t.instancedBytes(),
                t.flatBytes(),
                t.materials(),
                t.textures().plain(),
                t.textures().compressed(),
                t.largest().stream()
                        .map(s -> new SheetCostView(
                                s.material(),
                                s.colourway(),
                                s.side(),
                                s.memory().plain()))
                        .toList(),
                t.heaviest().stream()
                        .map(h -> new ShareView(h.what(), h.triangles()))
                        .toList(),
                cost.budget().stream().map(BudgetLineView::of).toList());
    }
}
