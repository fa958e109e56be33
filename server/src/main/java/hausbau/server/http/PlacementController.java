package hausbau.server.http;

import hausbau.core.build.Arrangement;
import hausbau.core.build.Placement;
import hausbau.core.build.Snapping;
import hausbau.core.build.Stance;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.server.store.PlacementRow;
import hausbau.server.work.PlacementService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Placements")
class PlacementController {

    private final PlacementService placements;

    PlacementController(PlacementService placements) {
        this.placements = placements;
    }

    /** @param free set down with snapping off */
    record PlacementView(@NotNull long id, @NotNull long pieceId, @NotNull VecMm atMm, @NotNull int quarterTurns,
            @NotNull boolean mirrored, @NotNull double freeDegrees, @NotNull boolean free, @NotNull String origin,
            @NotNull boolean pinned) {

        static PlacementView of(PlacementRow row) {
            return of(row.toPlacement());
        }

        static PlacementView of(Placement p) {
            var s = p.stance();
            return new PlacementView(p.id(), p.pieceId(), VecMm.of(s.at()), s.turn().quarters(), s.mirrored(), s.freeDegrees(),
                    p.free(), p.origin().label(), p.pinned());
        }
    }

    /** @param snap left out: true */
    record PlaceBody(@NotNull Long pieceId, @NotNull @Valid VecMm atMm, @Min(0) @Max(3) Integer quarterTurns, Boolean mirrored,
            @Min(-359) @Max(359) Double freeDegrees, Boolean snap) {

        Stance stance() {
            return new Stance(atMm.toVec(), new Turn(orElse(quarterTurns, 0)), orElse(mirrored, false), orElse(freeDegrees, 0.0));
        }

        boolean snaps() {
            return orElse(snap, true);
        }
    }

    /** @param without placements that do not count, such as those that are held */
    record PreviewBody(@NotNull @Valid PlaceBody place, List<@NotNull Long> without) {
    }

    record HoldView(@NotNull String axis, @NotNull Snapping.Kind kind, Long placementId) {
    }

    record PreviewView(@NotNull VecMm atMm, @NotNull int quarterTurns, @NotNull boolean mirrored, @NotNull double freeDegrees,
            @NotNull List<HoldView> holds) {
    }

    /** Values typed for some placements; only what is told changes. */
    record SetBody(@NotNull List<@NotNull Long> ids, Length xMm, Length yMm, Length zMm, @Min(0) @Max(3) Integer quarterTurns,
            Boolean mirrored, @Min(-359) @Max(359) Double freeDegrees, Boolean snap) {

        Stance over(Stance s) {
            var at = s.at();
            return new Stance(new Vec(um(xMm, at.x()), um(yMm, at.y()), um(zMm, at.z())),
                    quarterTurns == null ? s.turn() : new Turn(quarterTurns), orElse(mirrored, s.mirrored()),
                    orElse(freeDegrees, s.freeDegrees()));
        }

        private static long um(Length told, long standing) {
            return told == null ? standing : told.um();
        }
    }

    record ArrangeBody(@NotNull List<@NotNull Long> ids, @Valid VecMm byMm, @Min(-3) @Max(3) Integer quarterTurns, Boolean mirror) {
    }

    record CopyBody(@NotNull List<@NotNull Long> ids, @NotNull @Valid VecMm byMm) {
    }

    record IdsBody(@NotNull List<@NotNull Long> ids) {
    }

    private static <T> T orElse(T told, T usual) {
        return Optional.ofNullable(told).orElse(usual);
    }

    @GetMapping("/placements")
    List<PlacementView> list(@PathVariable long siteId) {
        return placements.list(siteId).stream().map(PlacementView::of).toList();
    }

    @PostMapping("/placements")
    @ResponseStatus(HttpStatus.CREATED)
    PlacementView place(@PathVariable long siteId, @RequestHeader(name = "If-Match", required = false) String ifMatch,
            @Valid @RequestBody PlaceBody body) {
        return PlacementView.of(placements.place(siteId, Seen.revision(ifMatch), body.pieceId(), body.stance(), body.snaps()));
    }

    @PostMapping("/placements/preview")
    @Operation(summary = "Where a piece would come to stand, and what holds it; nothing is kept")
    PreviewView preview(@PathVariable long siteId, @Valid @RequestBody PreviewBody body) {
        var place = body.place();
        var snapped = place.snaps() ? placements.preview(siteId, place.pieceId(), place.stance(), orElse(body.without(), List.of()))
                : new Snapping.Snapped(place.stance(), List.of());
        var s = snapped.stance();
        return new PreviewView(VecMm.of(s.at()), s.turn().quarters(), s.mirrored(), s.freeDegrees(),
                snapped.holds().stream().map(h -> new HoldView(String.valueOf(h.axis()), h.kind(),
                        h.placementId() == 0 ? null : h.placementId())).toList());
    }

    @PatchMapping("/placements")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(@PathVariable long siteId, @RequestHeader(name = "If-Match", required = false) String ifMatch, @Valid @RequestBody SetBody body) {
        placements.set(siteId, Seen.revision(ifMatch), body.ids(), body::over, orElse(body.snap(), false));
    }

    @PostMapping("/placements/arrange")
    @Operation(summary = "Moves, turns and mirrors placements together")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void arrange(@PathVariable long siteId, @RequestHeader(name = "If-Match", required = false) String ifMatch,
            @Valid @RequestBody ArrangeBody body) {
        var by = body.byMm() == null ? Vec.ZERO : body.byMm().toVec();
        placements.arrange(siteId, Seen.revision(ifMatch), body.ids(),
                new Arrangement(by, orElse(body.quarterTurns(), 0), orElse(body.mirror(), false)));
    }

    @PostMapping("/placements/copies")
    @ResponseStatus(HttpStatus.CREATED)
    List<Long> copy(@PathVariable long siteId, @RequestHeader(name = "If-Match", required = false) String ifMatch,
            @Valid @RequestBody CopyBody body) {
        return placements.copy(siteId, Seen.revision(ifMatch), body.ids(), body.byMm().toVec());
    }

    @PostMapping("/placements/plumb")
    @Operation(summary = "Lets placements drop straight down to what is under them")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void plumb(@PathVariable long siteId, @RequestHeader(name = "If-Match", required = false) String ifMatch, @Valid @RequestBody IdsBody body) {
        placements.plumb(siteId, Seen.revision(ifMatch), body.ids());
    }

    @PostMapping("/placements/removals")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @RequestHeader(name = "If-Match", required = false) String ifMatch, @Valid @RequestBody IdsBody body) {
        placements.remove(siteId, Seen.revision(ifMatch), body.ids());
    }

    @DeleteMapping("/omissions")
    @Operation(summary = "Puts back the derived placements that a hand took away")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void putBack(@PathVariable long siteId, @RequestHeader(name = "If-Match", required = false) String ifMatch) {
        placements.putBack(siteId, Seen.revision(ifMatch));
    }
}
