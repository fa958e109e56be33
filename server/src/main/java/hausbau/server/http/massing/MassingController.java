package hausbau.server.http.massing;

import hausbau.core.massing.Drawing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Outline;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.standing.Remark;
import hausbau.server.http.VecMm;
import hausbau.server.http.VecMm.BoxMm;
import hausbau.server.journal.Seen;
import hausbau.server.work.massing.LevelService;
import hausbau.server.work.massing.MassingService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Massing")
public class MassingController {

    private final MassingService massing;
    private final LevelService levels;

    MassingController(MassingService massing, LevelService levels) {
        this.massing = massing;
        this.levels = levels;
    }

    /**
     * @param edge   the lasting number of the edge that begins here
     * @param wallMm how thick the wall behind it is to be; absent where as the site's
     */
    record CornerView(@NotNull int edge, @NotNull Length x, @NotNull Length y, Length wallMm) {}

    /**
     * @param cornerMm  the south-west corner of its extent, on its floor
     * @param widthMm   of its extent
     * @param depthMm   of its extent
     * @param outlineMm loop by loop, the room at the right hand
     * @param areaM2    clear floor area, square metres
     */
    public record RoomView(
            @NotNull long id,
            @NotNull String name,
            @NotNull long levelId,
            @NotNull VecMm cornerMm,
            @NotNull Length widthMm,
            @NotNull Length depthMm,
            @NotNull Length heightMm,
            @NotNull List<List<CornerView>> outlineMm,
            @NotNull double areaM2,
            @NotNull boolean openToSky,
            @NotNull boolean wholeWalls,
            @NotNull long patternId) {

        public static RoomView of(Room r) {
            return new RoomView(
                    r.id(),
                    r.name(),
                    r.level(),
                    VecMm.of(r.corner()),
                    r.width(),
                    r.depth(),
                    r.height(),
                    r.outline().loops().stream()
                            .map(l -> l.stream()
                                    .map(c -> new CornerView(
                                            c.edge(),
                                            new Length(c.x()),
                                            new Length(c.y()),
                                            c.wall() == 0 ? null : new Length(c.wall())))
                                    .toList())
                            .toList(),
                    r.region().area().doubleValue() / 1e12,
                    r.sky(),
                    r.whole(),
                    r.look());
        }
    }

    /** @param times how many alike its wall has, itself included */
    record OpeningView(
            @NotNull long id,
            @NotNull long roomId,
            @NotNull Opening.Kind kind,
            @NotNull int edge,
            @NotNull Length atMm,
            @NotNull Length widthMm,
            @NotNull Length heightMm,
            @NotNull Length sillMm,
            @NotNull Opening.Hold hold,
            @NotNull int times) {

        static OpeningView of(MassingService.OnWall on) {
            var o = on.opening();
            return new OpeningView(
                    o.id(),
                    o.roomId(),
                    o.kind(),
                    o.edge(),
                    o.at(),
                    o.width(),
                    o.height(),
                    o.sill(),
                    o.hold(),
                    on.alike());
        }
    }

    /**
     * @param cornerMm left out: clear of the rooms there are
     * @param heightMm left out: the site's storey height
     * @param levelId  left out: the ground level
     */
    record RoomBody(
            @NotNull String name,
            Long levelId,
            @Valid VecMm cornerMm,
            @NotNull Length widthMm,
            @NotNull Length depthMm,
            Length heightMm) {}

    /** Two corners as drawn; the room takes the nearest steps. */
    record DrawnRoomBody(
            @NotNull String name, Long levelId, @NotNull @Valid VecMm fromMm, @NotNull @Valid VecMm toMm) {}

    /** Only what is told changes. @param patternId that its walls are under; 0 for the site's */
    record RoomChange(
            String name,
            @Valid VecMm cornerMm,
            Length widthMm,
            Length depthMm,
            Length heightMm,
            Boolean openToSky,
            Boolean wholeWalls,
            Long patternId) {}

    /**
     * @param edge the number of the edge of the room's outline
     * @param side in place of the edge: the longest one of that side
     */
    record OpeningBody(
            @NotNull Opening.Kind kind,
            @Min(0) @Max(1023) Integer edge,
            Side side,
            @NotNull Length atMm,
            @NotNull Length widthMm,
            @NotNull Length heightMm,
            Length sillMm) {}

    record UsualOpeningBody(@NotNull Opening.Kind kind) {}

    /**
     * Only what is told changes.
     *
     * @param fromRightMm in place of atMm: from the right end of the wall
     * @param centred     in place of atMm: in the wall's middle
     */
    record OpeningChange(
            Opening.Kind kind,
            @Min(0) @Max(1023) Integer edge,
            Side side,
            Length atMm,
            Length widthMm,
            Length heightMm,
            Length sillMm,
            Opening.Hold hold,
            Length fromRightMm,
            Boolean centred) {}

    record GapView(@NotNull long openingId, @NotNull Opening.Kind kind, @NotNull Side side, @NotNull BoxMm box) {}

    record ChainView(
            @NotNull long roomId,
            @NotNull int edge,
            @NotNull Side side,
            @NotNull boolean inner,
            @NotNull VecMm fromMm,
            @NotNull VecMm toMm,
            @NotNull List<Length> ticksMm) {}

    /** @param fromMm from the start of the run, @param sillMm above its foot */
    record CutView(
            @NotNull Opening.Kind kind,
            @NotNull Length fromMm,
            @NotNull Length widthMm,
            @NotNull Length sillMm,
            @NotNull Length heightMm) {}

    /**
     * A stretch of wall from post to post.
     *
     * @param id lasts while the same stretch stands there
     */
    record StretchView(
            @NotNull String id,
            @NotNull long roomId,
            @NotNull int edge,
            @NotNull String name,
            @NotNull Length lengthMm,
            @NotNull Length heightMm,
            @NotNull Length depthMm,
            @NotNull BoxMm box,
            @NotNull List<CutView> openings) {

        static StretchView of(WallRun r, int number) {
            return new StretchView(
                    r.room() + "." + r.edge() + "." + r.tier() + "." + number,
                    r.room(),
                    r.edge(),
                    r.name(),
                    r.length(),
                    r.height(),
                    r.depth(),
                    BoxMm.of(r.box()),
                    r.panels().stream()
                            .map(p -> new CutView(
                                    p.opening().kind(),
                                    p.from(),
                                    p.opening().width(),
                                    p.sill(),
                                    p.opening().height()))
                            .toList());
        }

        /** Numbered along their edge. */
        static List<StretchView> of(List<WallRun> runs) {
            var counts = new HashMap<List<Object>, Integer>();
            return runs.stream()
                    .map(r -> of(r, counts.merge(List.of(r.room(), r.edge(), r.tier()), 1, Integer::sum)))
                    .toList();
        }
    }

    /** What should be heard about a size where it is typed. */
    record RemarkView(@NotNull long roomId, @NotNull String field, @NotNull String message) {}

    /**
     * @param cutMm  how high above their floor plans are cut
     * @param walls  what is filled in plan; see Drawing
     * @param over   the wall above and below openings
     * @param floors the slabs under the rooms
     */
    public record MassingView(
            @NotNull Length cutMm,
            @NotNull List<LevelController.LevelView> levels,
            @NotNull List<RoomView> rooms,
            @NotNull List<OpeningView> openings,
            @NotNull List<BoxMm> walls,
            @NotNull List<BoxMm> over,
            @NotNull List<BoxMm> floors,
            @NotNull List<GapView> gaps,
            @NotNull List<ChainView> chains,
            @NotNull List<RemarkView> remarks,
            @NotNull List<StairController.StairView> stairs,
            @NotNull List<StairController.MassView> solids,
            @NotNull List<BoxMm> guards,
            @NotNull List<StretchView> runs) {}

    @GetMapping("/massing")
    public MassingView find(@PathVariable long siteId) {
        var state = massing.find(siteId);
        var found = state.decisions().massing();
        var drawing = Drawing.of(found);
        return new MassingView(
                Drawing.CUT,
                levels.all(siteId, found.settings()).stream()
                        .map(LevelController.LevelView::of)
                        .toList(),
                found.rooms().stream().map(RoomView::of).toList(),
                found.openings().stream()
                        .map(o -> OpeningView.of(MassingService.OnWall.of(o, found.openings())))
                        .toList(),
                drawing.walls().stream().map(BoxMm::of).toList(),
                drawing.over().stream().map(BoxMm::of).toList(),
                drawing.floors().stream().map(BoxMm::of).toList(),
                drawing.openings().stream()
                        .map(g -> new GapView(g.opening().id(), g.opening().kind(), g.side(), BoxMm.of(g.box())))
                        .toList(),
                drawing.chains().stream()
                        .map(c -> new ChainView(
                                c.roomId(),
                                c.edge(),
                                c.side(),
                                c.inner(),
                                VecMm.of(c.from()),
                                VecMm.of(c.to()),
                                c.ticks()))
                        .toList(),
                Remark.of(state.set()).stream()
                        .map(r -> new RemarkView(r.roomId(), r.field(), r.message()))
                        .toList(),
                found.stairs().stream().map(StairController.StairView::of).toList(),
                found.solids().stream().map(StairController.MassView::of).toList(),
                drawing.guards().stream().map(g -> BoxMm.of(g.box())).toList(),
                StretchView.of(found.runs()));
    }

    private static <T> T orElse(T told, T standing) {
        return Optional.ofNullable(told).orElse(standing);
    }

    @PostMapping("/rooms")
    @ResponseStatus(HttpStatus.CREATED)
    RoomView addRoom(@PathVariable long siteId, Seen seen, @Valid @RequestBody RoomBody body) {
        return RoomView.of(massing.addRoom(siteId, seen, (id, standing) -> {
            var on = levels.find(siteId, orElse(body.levelId(), 0L), standing.settings());
            var room = new Room(
                    id,
                    body.name(),
                    body.cornerMm() == null
                            ? standing.freeCorner()
                            : body.cornerMm().toVec(),
                    body.widthMm(),
                    body.depthMm(),
                    orElse(
                            body.heightMm(),
                            on.storey().minus(standing.settings().wall())));
            // A corner that is told may be sunk below its level's floor, or raised.
            return body.cornerMm() == null ? room.on(on) : room.raised(on.id(), 0);
        }));
    }

    @PostMapping("/rooms/drawn")
    @Operation(summary = "Adds a room between two drawn corners, on the step")
    @ResponseStatus(HttpStatus.CREATED)
    RoomView drawRoom(@PathVariable long siteId, Seen seen, @Valid @RequestBody DrawnRoomBody body) {
        return RoomView.of(massing.drawRoom(
                siteId,
                seen,
                orElse(body.levelId(), 0L),
                body.name(),
                body.fromMm().toVec(),
                body.toMm().toVec()));
    }

    @PatchMapping("/rooms/{roomId}")
    RoomView changeRoom(
            @PathVariable long siteId, @PathVariable long roomId, Seen seen, @Valid @RequestBody RoomChange body) {
        return RoomView.of(massing.changeRoom(siteId, roomId, seen, r -> r.reshaped(
                        orElse(body.name(), r.name()),
                        body.cornerMm() == null ? r.corner() : body.cornerMm().toVec(),
                        orElse(body.widthMm(), r.width()),
                        orElse(body.depthMm(), r.depth()),
                        orElse(body.heightMm(), r.height()))
                .under(orElse(body.openToSky(), r.sky()))
                .ofWholeWalls(orElse(body.wholeWalls(), r.whole()))
                .looking(orElse(body.patternId(), r.look()))));
    }

    /**
     * @param quarterTurns counter-clockwise
     * @param copy         whether the room stays, and a copy of it is mirrored, turned and moved
     */
    record RoomArrangeBody(@Valid VecMm byMm, @Min(-3) @Max(3) Integer quarterTurns, Boolean mirror, Boolean copy) {}

    @PostMapping("/rooms/{roomId}/arrange")
    @Operation(summary = "Mirrors, turns and moves a room, or a copy of it, with its openings")
    RoomView arrange(
            @PathVariable long siteId, @PathVariable long roomId, Seen seen, @Valid @RequestBody RoomArrangeBody body) {
        return RoomView.of(massing.arrange(
                siteId,
                roomId,
                seen,
                orElse(body.mirror(), false),
                orElse(body.quarterTurns(), 0),
                body.byMm() == null ? Vec.ZERO : body.byMm().toVec(),
                orElse(body.copy(), false)));
    }

    /** Two corners of a rectangle as drawn; it takes the nearest steps. */
    record GroundBody(@NotNull @Valid VecMm fromMm, @NotNull @Valid VecMm toMm) {}

    record EdgeMove(@NotNull Length outwardMm) {}

    record EdgeLength(@NotNull Length lengthMm) {}

    @PostMapping("/rooms/{roomId}/join")
    @Operation(summary = "Joins a drawn rectangle to the room's ground")
    RoomView join(
            @PathVariable long siteId, @PathVariable long roomId, Seen seen, @Valid @RequestBody GroundBody body) {
        return RoomView.of(massing.join(
                siteId, roomId, seen, body.fromMm().toVec(), body.toMm().toVec()));
    }

    @PostMapping("/rooms/{roomId}/cut")
    @Operation(summary = "Cuts a drawn rectangle from the room's ground")
    RoomView cut(@PathVariable long siteId, @PathVariable long roomId, Seen seen, @Valid @RequestBody GroundBody body) {
        return RoomView.of(massing.cut(
                siteId, roomId, seen, body.fromMm().toVec(), body.toMm().toVec()));
    }

    @PostMapping("/rooms/{roomId}/edges/{edge}/move")
    @Operation(summary = "Moves one edge outward, or inward")
    RoomView moveEdge(
            @PathVariable long siteId,
            @PathVariable long roomId,
            @PathVariable int edge,
            Seen seen,
            @Valid @RequestBody EdgeMove body) {
        return RoomView.of(massing.moveEdge(siteId, roomId, seen, edge, body.outwardMm()));
    }

    record CornerMove(@NotNull @Valid VecMm byMm) {}

    @PostMapping("/rooms/{roomId}/edges/{edge}/corner")
    @Operation(summary = "Moves the corner in which an edge begins, with both edges that meet there")
    RoomView moveCorner(
            @PathVariable long siteId,
            @PathVariable long roomId,
            @PathVariable int edge,
            Seen seen,
            @Valid @RequestBody CornerMove body) {
        return RoomView.of(
                massing.moveCorner(siteId, roomId, seen, edge, body.byMm().toVec()));
    }

    @PostMapping("/rooms/{roomId}/edges/{edge}/length")
    @Operation(summary = "Makes one edge as long as told; the edge that follows it moves")
    RoomView setLength(
            @PathVariable long siteId,
            @PathVariable long roomId,
            @PathVariable int edge,
            Seen seen,
            @Valid @RequestBody EdgeLength body) {
        return RoomView.of(massing.setLength(siteId, roomId, seen, edge, body.lengthMm()));
    }

    /** @param wallMm left out: as the site's */
    record EdgeWall(Length wallMm) {}

    @PutMapping("/rooms/{roomId}/edges/{edge}/wall")
    @Operation(summary = "Says how thick the wall behind one edge is to be")
    RoomView setWall(
            @PathVariable long siteId,
            @PathVariable long roomId,
            @PathVariable int edge,
            Seen seen,
            @Valid @RequestBody EdgeWall body) {
        return RoomView.of(massing.setWall(siteId, roomId, seen, edge, orElse(body.wallMm(), Length.ZERO)));
    }

    @DeleteMapping("/rooms/{roomId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeRoom(@PathVariable long siteId, @PathVariable long roomId, Seen seen) {
        massing.removeRoom(siteId, roomId, seen);
    }

    @PostMapping("/rooms/{roomId}/openings")
    @ResponseStatus(HttpStatus.CREATED)
    OpeningView addOpening(
            @PathVariable long siteId, @PathVariable long roomId, Seen seen, @Valid @RequestBody OpeningBody body) {
        return OpeningView.of(massing.addOpening(
                siteId,
                seen,
                roomId,
                (id, room) -> new Opening(
                        id,
                        roomId,
                        body.kind(),
                        edge(room, body.edge(), body.side(), -1),
                        body.atMm(),
                        body.widthMm(),
                        body.heightMm(),
                        orElse(body.sillMm(), Length.ZERO))));
    }

    /** The number of the edge that is told, by number or by side. */
    private static int edge(Room room, Integer edge, Side side, int standing) {
        if (edge == null && side == null && standing < 0) {
            throw new Refused("edge", "Tell the edge of the room that the opening is in, or a side.");
        }
        if (edge != null && room.outline().edge(edge).isEmpty()) {
            throw new Refused("edge", "“" + room.name() + "” has no edge " + edge + ".");
        }
        return edge != null
                ? edge
                : side == null
                        ? standing
                        : room.outline().edges().stream()
                                .filter(e -> e.side() == side)
                                .max(Comparator.comparingLong(Outline.Edge::length))
                                .orElseThrow()
                                .number();
    }

    @PostMapping("/rooms/{roomId}/openings/usual")
    @Operation(summary = "Adds a door or window of usual size where the room has a place for it")
    @ResponseStatus(HttpStatus.CREATED)
    OpeningView addUsualOpening(
            @PathVariable long siteId,
            @PathVariable long roomId,
            Seen seen,
            @Valid @RequestBody UsualOpeningBody body) {
        return OpeningView.of(massing.addUsualOpening(siteId, seen, roomId, body.kind()));
    }

    @PatchMapping("/openings/{openingId}")
    OpeningView changeOpening(
            @PathVariable long siteId,
            @PathVariable long openingId,
            Seen seen,
            @Valid @RequestBody OpeningChange body) {
        return OpeningView.of(massing.changeOpening(siteId, openingId, seen, (o, room) -> {
            var changed = new Opening(
                    o.id(),
                    o.roomId(),
                    orElse(body.kind(), o.kind()),
                    edge(room, body.edge(), body.side(), o.edge()),
                    orElse(body.atMm(), o.at()),
                    orElse(body.widthMm(), o.width()),
                    orElse(body.heightMm(), o.height()),
                    orElse(body.sillMm(), o.sill()),
                    orElse(body.hold(), o.hold()));
            var wall = room.outline().edge(changed.edge());
            if (wall.isPresent() && body.fromRightMm() != null) {
                return changed.fromRight(wall.get(), body.fromRightMm());
            }
            return wall.isPresent() && Boolean.TRUE.equals(body.centred()) ? changed.centred(wall.get()) : changed;
        }));
    }

    @PostMapping("/rooms/{roomId}/edges/{edge}/spread")
    @Operation(summary = "Spreads the openings of one wall evenly")
    List<OpeningView> spread(@PathVariable long siteId, @PathVariable long roomId, @PathVariable int edge, Seen seen) {
        return massing.spreadOpenings(siteId, roomId, edge, seen).stream()
                .map(OpeningView::of)
                .toList();
    }

    /** @param count of those alike in its wall, itself included */
    record TimesBody(@NotNull Integer count) {}

    @PostMapping("/openings/{openingId}/times")
    @Operation(summary = "So many like it in its wall, spread evenly with all others of that wall")
    List<OpeningView> times(
            @PathVariable long siteId, @PathVariable long openingId, Seen seen, @Valid @RequestBody TimesBody body) {
        return massing.repeatOpening(siteId, openingId, body.count(), seen).stream()
                .map(OpeningView::of)
                .toList();
    }

    @DeleteMapping("/openings/{openingId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeOpening(@PathVariable long siteId, @PathVariable long openingId, Seen seen) {
        massing.removeOpening(siteId, openingId, seen);
    }
}
