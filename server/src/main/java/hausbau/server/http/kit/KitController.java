package hausbau.server.http.kit;

import hausbau.core.budget.Budget;
import hausbau.core.kit.Role;
import hausbau.core.kit.Solid;
import hausbau.core.shape.Swatch;
import hausbau.server.http.VecMm;
import hausbau.server.http.set.TraitController;
import hausbau.server.work.kit.KitService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.util.List;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "Kit")
public class KitController {

    private final KitService kit;

    KitController(KitService kit) {
        this.kit = kit;
    }

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
