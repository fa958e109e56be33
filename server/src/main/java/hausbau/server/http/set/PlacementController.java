package hausbau.server.http.set;

import hausbau.core.arrange.Arrangement;
import hausbau.core.arrange.Clearance;
import hausbau.core.arrange.Lining;
import hausbau.core.arrange.Snapping;
import hausbau.core.hand.Clinging;
import hausbau.core.hand.Strut;
import hausbau.core.measure.Axis;
import hausbau.core.measure.Box;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Departure;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.server.http.VecMm;
import hausbau.server.journal.Seen;
import hausbau.server.standing.SiteState;
import hausbau.server.store.NotFound;
import hausbau.server.work.set.PlacementService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Placements")
public class PlacementController {

    private final PlacementService placements;

    PlacementController(PlacementService placements) {
        this.placements = placements;
    }

    /**
     * One standing piece, derived ones included.
     *
     * @param id       its place: it stays while the same thing stands there
     * @param free     set down with snapping off
     * @param origin   hand, repeat, assembly, twin or massing
     * @param departed derived, and changed by a hand
     * @param lost     departed, and its place is gone
     */
    record PlacementView(
            @NotNull String id,
            @NotNull long pieceId,
            @NotNull VecMm atMm,
            @NotNull int quarterTurns,
            @NotNull boolean mirrored,
            @NotNull double freeDegrees,
            @NotNull boolean free,
            @NotNull String origin,
            @NotNull boolean departed,
            @NotNull boolean lost,
            @NotNull double tiltDegrees,
            @NotNull double rollDegrees,
            @NotNull double scale) {

        static PlacementView of(Standing p, long pieceId) {
            var s = p.stance();
            return new PlacementView(
                    p.place().toString(),
                    pieceId,
                    VecMm.of(s.at()),
                    s.turn().quarters(),
                    s.mirrored(),
                    s.freeDegrees(),
                    p.free(),
                    p.place().origin().name().toLowerCase(Locale.ROOT),
                    p.departed(),
                    p.lost(),
                    s.lean().tilt(),
                    s.lean().roll(),
                    s.lean().scale());
        }
    }

    /**
     * @param snap     left out: true
     * @param heightMm of the base of what is fixed or hangs, above the floor; left out: where it is pointed at
     * @param offMm    between that and what holds it; left out: 0
     */
    record PlaceBody(
            @NotNull Long pieceId,
            @NotNull @Valid VecMm atMm,
            @Min(0) @Max(3) Integer quarterTurns,
            Boolean mirrored,
            @Min(-359) @Max(359) Double freeDegrees,
            Boolean snap,
            Double tiltDegrees,
            Double rollDegrees,
            Double scale,
            Length heightMm,
            Length offMm) {

        Clinging.Offset offset() {
            var off = orElse(offMm, Length.ZERO);
            if (off.um() < 0) {
                throw new Refused("offMm", "What is fixed or hangs keeps 0 or more from what holds it.");
            }
            return new Clinging.Offset(Optional.ofNullable(heightMm), off);
        }

        Stance stance() {
            return new Stance(
                    atMm.toVec(),
                    new Turn(orElse(quarterTurns, 0)),
                    orElse(mirrored, false),
                    orElse(freeDegrees, 0.0),
                    PlacementController.over(Lean.NONE, tiltDegrees, rollDegrees, scale));
        }

        boolean snaps() {
            return orElse(snap, true);
        }
    }

    /** @param without placements that do not count, such as those that are held */
    record PreviewBody(@NotNull @Valid PlaceBody place, List<@NotNull String> without) {}

    record HoldView(@NotNull String axis, @NotNull Snapping.To kind, String placementId) {}

    record PreviewView(
            @NotNull VecMm atMm,
            @NotNull int quarterTurns,
            @NotNull boolean mirrored,
            @NotNull double freeDegrees,
            @NotNull List<HoldView> holds,
            @NotNull double tiltDegrees,
            @NotNull double rollDegrees,
            @NotNull double scale) {}

    /** Values typed for some placements; only what is told changes. */
    record SetBody(
            @NotNull List<@NotNull String> ids,
            Length xMm,
            Length yMm,
            Length zMm,
            @Min(0) @Max(3) Integer quarterTurns,
            Boolean mirrored,
            @Min(-359) @Max(359) Double freeDegrees,
            Boolean snap,
            Double tiltDegrees,
            Double rollDegrees,
            Double scale) {

        Stance over(Stance s) {
            var at = s.at();
            return new Stance(
                    new Vec(um(xMm, at.x()), um(yMm, at.y()), um(zMm, at.z())),
                    quarterTurns == null ? s.turn() : new Turn(quarterTurns),
                    orElse(mirrored, s.mirrored()),
                    orElse(freeDegrees, s.freeDegrees()),
                    PlacementController.over(s.lean(), tiltDegrees, rollDegrees, scale));
        }

        private static long um(Length told, long standing) {
            return told == null ? standing : told.um();
        }
    }

    record ArrangeBody(
            @NotNull List<@NotNull String> ids,
            @Valid VecMm byMm,
            @Min(-3) @Max(3) Integer quarterTurns,
            @Min(-359) @Max(359) Double freeDegrees,
            Boolean mirror) {}

    record SwapBody(@NotNull List<@NotNull String> ids, @NotNull Long pieceId) {}

    record CopyBody(@NotNull List<@NotNull String> ids, @NotNull @Valid VecMm byMm) {}

    record PlacesBody(@NotNull List<@NotNull String> ids) {}

    /**
     * What a hand changed about a derived piece.
     *
     * @param leftOut the place stays empty; the piece and where it stands are then not told
     * @param lost    its place is gone
     */
    public record DepartureView(
            @NotNull String id, @NotNull boolean leftOut, @NotNull boolean lost, Long pieceId, VecMm atMm) {

        static DepartureView of(Departure d, boolean lost, SiteState state) {
            return d instanceof Departure.Restood r
                    ? new DepartureView(
                            d.place().toString(),
                            false,
                            lost,
                            state.id(r.kind()),
                            VecMm.of(r.stance().at()))
                    : new DepartureView(d.place().toString(), true, lost, null, null);
        }
    }

    private static Lean over(Lean lean, Double tilt, Double roll, Double scale) {
        return new Lean(orElse(tilt, lean.tilt()), orElse(roll, lean.roll()), orElse(scale, lean.scale()));
    }

    private static <T> T orElse(T told, T usual) {
        return Optional.ofNullable(told).orElse(usual);
    }

    private static List<Place> places(List<String> ids) {
        return ids.stream().map(Place::parse).toList();
    }

    @GetMapping("/placements")
    @Operation(summary = "Every standing piece, derived ones included")
    List<PlacementView> list(@PathVariable long siteId) {
        var state = placements.state(siteId);
        var views = new ArrayList<PlacementView>();
        for (var chunk : state.set().chunks()) {
            for (var row = 0; row < chunk.size(); row++) {
                views.add(PlacementView.of(chunk.standing(row), state.id(chunk.kind(row))));
            }
        }
        return views;
    }

    @PostMapping("/placements")
    @ResponseStatus(HttpStatus.CREATED)
    PlacementView place(@PathVariable long siteId, Seen seen, @Valid @RequestBody PlaceBody body) {
        var stood = placements.place(siteId, seen, body.pieceId(), body.stance(), body.offset(), body.snaps());
        return PlacementView.of(stood.standing(), stood.pieceId());
    }

    /** @param widthMm across, level, @param heightMm across, upward where it lies level */
    record StrutBody(
            @NotNull @Valid VecMm fromMm,
            @NotNull @Valid VecMm toMm,
            @NotNull Length widthMm,
            @NotNull Length heightMm) {}

    @PostMapping("/placements/struts")
    @Operation(summary = "Sets a piece of a section between two points")
    @ResponseStatus(HttpStatus.CREATED)
    PlacementView strut(@PathVariable long siteId, Seen seen, @Valid @RequestBody StrutBody body) {
        var stood = placements.strut(
                siteId,
                seen,
                Strut.between(body.fromMm().toVec(), body.toMm().toVec(), body.widthMm(), body.heightMm()));
        return PlacementView.of(stood.standing(), stood.pieceId());
    }

    @PostMapping("/placements/preview")
    @Operation(summary = "Where a piece would come to stand, and what holds it; nothing is kept")
    PreviewView preview(@PathVariable long siteId, @Valid @RequestBody PreviewBody body) {
        var place = body.place();
        var snapped = place.snaps()
                ? placements.preview(
                        siteId,
                        place.pieceId(),
                        place.stance(),
                        place.offset(),
                        places(orElse(body.without(), List.of())))
                : new Snapping.Snapped(place.stance().withinReach(), List.of());
        var s = snapped.stance();
        return new PreviewView(
                VecMm.of(s.at()),
                s.turn().quarters(),
                s.mirrored(),
                s.freeDegrees(),
                snapped.holds().stream()
                        .map(h -> new HoldView(
                                String.valueOf(h.axis()),
                                h.to(),
                                h.place().map(Place::toString).orElse(null)))
                        .toList(),
                s.lean().tilt(),
                s.lean().roll(),
                s.lean().scale());
    }

    @PatchMapping("/placements")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(@PathVariable long siteId, Seen seen, @Valid @RequestBody SetBody body) {
        placements.set(siteId, seen, places(body.ids()), body::over, orElse(body.snap(), false));
    }

    @PostMapping("/placements/arrange")
    @Operation(summary = "Moves, turns and mirrors placements as one body")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void arrange(@PathVariable long siteId, Seen seen, @Valid @RequestBody ArrangeBody body) {
        var by = body.byMm() == null ? Vec.ZERO : body.byMm().toVec();
        placements.arrange(
                siteId,
                seen,
                places(body.ids()),
                new Arrangement(
                        by,
                        orElse(body.quarterTurns(), 0),
                        orElse(body.freeDegrees(), 0.0),
                        orElse(body.mirror(), false)));
    }

    /** @param snap left out: true */
    record MovingBody(@NotEmpty List<@NotNull String> ids, @NotNull @Valid VecMm byMm, Boolean snap) {}

    /** From the side of what is moved straight across to what stands next to it. */
    record ClearanceView(
            @NotNull Axis axis,
            @NotNull Length mm,
            @NotNull VecMm fromMm,
            @NotNull VecMm toMm,
            @NotNull String placementId) {

        static ClearanceView of(Clearance clearance) {
            return new ClearanceView(
                    clearance.axis(),
                    new Length(clearance.um()),
                    VecMm.of(clearance.from()),
                    VecMm.of(clearance.to()),
                    clearance.next().toString());
        }
    }

    record MoveView(@NotNull VecMm byMm, @NotNull List<ClearanceView> clearances) {}

    @PostMapping("/placements/arrange/preview")
    @Operation(
            summary =
                    "What a move of placements as one body would come to, and what is clear beside them; nothing is kept")
    MoveView moving(@PathVariable long siteId, @Valid @RequestBody MovingBody body) {
        var moved = placements.moving(
                siteId, Set.copyOf(places(body.ids())), body.byMm().toVec(), orElse(body.snap(), true));
        return new MoveView(
                VecMm.of(moved.by()),
                moved.clear().stream().map(ClearanceView::of).toList());
    }

    /** How pieces are lined up. */
    enum Line {
        ALIGN,
        BESIDE,
        SPREAD,
        WALL,
        CEILING,
        FACE
    }

    /**
     * @param axis    to align, set beside or spread along
     * @param to      which sides are aligned; of what is set beside, LOW for before it, else beyond it
     * @param withId  what to align with; it stays
     * @param pointMm to face
     */
    record LineBody(
            @NotNull List<@NotNull String> ids,
            @NotNull Line how,
            Axis axis,
            Lining.To to,
            String withId,
            @Valid VecMm pointMm) {

        PlacementService.Lines lines() {
            return switch (how) {
                case ALIGN -> (state, all) -> Lining.align(all, with(state), told(axis, "axis"), told(to, "to"));
                case BESIDE ->
                    (state, all) ->
                            Lining.beside(all, with(state), told(axis, "axis"), told(to, "to") != Lining.To.LOW);
                case SPREAD -> (state, all) -> Lining.spread(all, told(axis, "axis"));
                case CEILING ->
                    (state, all) -> Lining.underCeilings(all, state.decisions().massing());
                case WALL ->
                    (state, all) -> Lining.againstWalls(all, state.decisions().massing());
                case FACE ->
                    (state, all) -> Lining.facing(all, told(pointMm, "pointMm").toVec());
            };
        }

        private Box with(SiteState state) {
            var with = Place.parse(told(withId, "withId"));
            return state.set()
                    .find(with)
                    .orElseThrow(() -> new NotFound("The site has no placement " + with + "."))
                    .box();
        }

        private static <T> T told(T value, String field) {
            if (value == null) {
                throw new Refused(field, "Tell “" + field + "” as well.");
            }
            return value;
        }
    }

    @PostMapping("/placements/line")
    @Operation(summary = "Aligns, spreads, puts against the wall or turns toward a point, each by itself")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void line(@PathVariable long siteId, Seen seen, @Valid @RequestBody LineBody body) {
        placements.line(siteId, seen, places(body.ids()), body.how() == Line.FACE ? "Turn" : "Line up", body.lines());
    }

    @GetMapping("/rooms/{roomId}/placements")
    @Operation(summary = "The ids of what stands in a room, its walls and slabs included")
    List<String> inRoom(@PathVariable long siteId, @PathVariable long roomId) {
        return placements.inRoom(siteId, roomId).stream().map(Place::toString).toList();
    }

    /** What no longer fits. */
    record MisfitView(@NotNull String title, @NotNull List<@NotNull String> ids) {}

    @PostMapping("/placements/swaps")
    @Operation(summary = "Puts another piece in the place of each; answers what no longer fits")
    List<MisfitView> swap(@PathVariable long siteId, Seen seen, @Valid @RequestBody SwapBody body) {
        return placements.swap(siteId, seen, places(body.ids()), body.pieceId()).stream()
                .map(f -> new MisfitView(
                        f.title(), f.places().stream().map(Place::toString).toList()))
                .toList();
    }

    @PostMapping("/placements/copies")
    @Operation(summary = "Copies placements; answers the ids of the copies, in the order of the originals")
    @ResponseStatus(HttpStatus.CREATED)
    List<String> copy(@PathVariable long siteId, Seen seen, @Valid @RequestBody CopyBody body) {
        return placements.copy(siteId, seen, places(body.ids()), body.byMm().toVec()).stream()
                .map(Place::toString)
                .toList();
    }

    @PostMapping("/placements/plumb")
    @Operation(summary = "Lets placements drop straight down to what is under them")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void plumb(@PathVariable long siteId, Seen seen, @Valid @RequestBody PlacesBody body) {
        placements.plumb(siteId, seen, places(body.ids()));
    }

    @PostMapping("/placements/removals")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, Seen seen, @Valid @RequestBody PlacesBody body) {
        placements.remove(siteId, seen, places(body.ids()));
    }

    @GetMapping("/departures")
    @Operation(summary = "What hands have changed about derived pieces")
    public List<DepartureView> departures(@PathVariable long siteId) {
        var departures = placements.departures(siteId);
        return departures.all().stream()
                .map(d -> DepartureView.of(d, departures.lost().contains(d.place()), departures.state()))
                .toList();
    }

    @PostMapping("/departures/let-go")
    @Operation(summary = "Lets go of changes by hand: what is derived at these places stands again as it is")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void letGo(@PathVariable long siteId, Seen seen, @Valid @RequestBody PlacesBody body) {
        placements.letGo(siteId, seen, places(body.ids()));
    }

    @PostMapping("/departures/set-down")
    @Operation(summary = "Makes plain placements of what hands have changed, where it stands")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void setDown(@PathVariable long siteId, Seen seen, @Valid @RequestBody PlacesBody body) {
        placements.setDownLost(siteId, seen, places(body.ids()));
    }
}
