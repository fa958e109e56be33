package hausbau.server.http.kit;

import hausbau.core.budget.Budget;
import hausbau.core.fit.FixedItem;
import hausbau.core.fit.KitPlan;
import hausbau.core.fit.KitQuestion;
import hausbau.core.fit.Run;
import hausbau.core.kit.Role;
import hausbau.core.kit.Solid;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Swatch;
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
import java.util.List;
import java.util.Optional;
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
class KitController {

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

    record SitePlanBody(@NotNull Length minPieceMm, @NotNull Length maxPieceMm, @NotNull Integer maxKinds) {}

    record ChoiceBody(@NotNull List<@NotNull Length> kindsMm, @NotNull Length minPieceMm, @NotNull Length maxPieceMm) {}

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
    record HoleView(@NotNull Length atMm, @NotNull Length widthMm, @NotNull Length sillMm, @NotNull Length heightMm) {

        static HoleView of(WallRun.Panel p) {
            return new HoleView(
                    p.from(), p.opening().width(), p.sill(), p.opening().height());
        }
    }

    /** What a run is, whatever it is built from. */
    record FaceView(@NotNull Length heightMm, @NotNull Length thicknessMm, @NotNull List<HoleView> holes) {

        static FaceView of(WallRun run) {
            return new FaceView(
                    run.height(),
                    run.depth(),
                    run.panels().stream().map(HoleView::of).toList());
        }
    }

    /**
     * @param layouts for each option, the runs laid out
     * @param faces   of the runs, in the order of each layout
     */
    record SitePlanView(
            @NotNull List<OptionView> options,
            Integer recommended,
            @NotNull List<List<RunView>> layouts,
            @NotNull List<FaceView> faces,
            @NotNull List<UnfillableView> unfillable) {}

    /** @param round whether the body is round in plan */
    record SolidView(@NotNull VecMm min, @NotNull VecMm max, @NotNull boolean round) {

        static SolidView of(Solid s) {
            return new SolidView(VecMm.of(s.box().min()), VecMm.of(s.box().max()), s.round());
        }
    }

    /** @param mesh tells one state of its mesh from another */
    record PieceView(
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

    record TallyView(
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
        return new PlanView(options(plan), recommended(plan), runs, unfillable(plan));
    }

    @PostMapping("/sites/{siteId}/kit-plans")
    @Operation(summary = "The kit plan for the site's rooms, each option laid out")
    SitePlanView plan(
            @PathVariable long siteId,
            @Valid @RequestBody SitePlanBody body,
            @RequestParam(required = false) String token) {
        var planned = kit.plan(siteId, body.minPieceMm(), body.maxPieceMm(), body.maxKinds(), word(token));
        var plan = planned.plan();
        return new SitePlanView(
                options(plan),
                recommended(plan),
                plan.options().stream().map(o -> layout(planned, o)).toList(),
                planned.runs().stream().map(FaceView::of).toList(),
                unfillable(plan));
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
    private static String word(String token) {
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

    private static List<UnfillableView> unfillable(KitPlan plan) {
        return plan.unfillable().stream()
                .map(u -> new UnfillableView(
                        u.run(),
                        u.span().at(),
                        u.span().length(),
                        u.below().isPositive() ? u.below() : null,
                        u.above().isPositive() ? u.above() : null))
                .toList();
    }

    @PutMapping("/sites/{siteId}/kit")
    @Operation(summary = "Takes these kinds, makes the pieces and builds the rooms")
    SiteController.SiteView choose(@PathVariable long siteId, Seen seen, @Valid @RequestBody ChoiceBody body) {
        kit.choose(siteId, seen, body.kindsMm(), body.minPieceMm(), body.maxPieceMm());
        return SiteController.SiteView.of(sites.find(siteId, new Maker(seen.maker())));
    }

    @GetMapping("/sites/{siteId}/pieces")
    List<PieceView> pieces(@PathVariable long siteId) {
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
    TallyView tally(@PathVariable long siteId) {
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
