package hausbau.server.http;

import hausbau.core.build.Remark;
import hausbau.server.journal.Seen;
import hausbau.core.massing.Drawing;
import hausbau.core.massing.Level;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Outline;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.server.http.VecMm.BoxMm;
import hausbau.server.work.MassingService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
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
@Tag(name = "Massing")
class MassingController {

    private final MassingService massing;

    MassingController(MassingService massing) {
        this.massing = massing;
    }

    /** @param storeyMm from its floor to the floor above, slab included */
    record LevelView(@NotNull long id, @NotNull String name, @NotNull Length floorMm, @NotNull Length storeyMm) {

        static LevelView of(Level l) {
            return new LevelView(l.id(), l.name(), new Length(l.floor()), l.storey());
        }
    }

    /** Left out: on top of the highest level, as high as that. */
    record LevelBody(String name, Length floorMm, Length storeyMm) {
    }

    @PostMapping("/levels")
    @Operation(summary = "Adds a level")
    @ResponseStatus(HttpStatus.CREATED)
    LevelView addLevel(@PathVariable long siteId, Seen seen, @Valid @RequestBody LevelBody body) {
        return LevelView.of(massing.addLevel(siteId, seen, (id, all) -> {
            var top = all.get(all.size() - 1);
            return new Level(id, orElse(body.name(), "Level " + all.size()), body.floorMm() == null ? top.top() : body.floorMm().um(), orElse(body.storeyMm(), top.storey()));
        }));
    }

    @PatchMapping("/levels/{levelId}")
    @Operation(summary = "Changes a level; what is on it goes up and down with its floor")
    LevelView changeLevel(@PathVariable long siteId, @PathVariable long levelId, Seen seen, @Valid @RequestBody LevelBody body) {
        return LevelView.of(massing.changeLevel(siteId, levelId, seen, l -> new Level(l.id(), orElse(body.name(), l.name()),
                body.floorMm() == null ? l.floor() : body.floorMm().um(), orElse(body.storeyMm(), l.storey()))));
    }

    @DeleteMapping("/levels/{levelId}")
    @Operation(summary = "Removes a level with the rooms on it")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeLevel(@PathVariable long siteId, @PathVariable long levelId, Seen seen) {
        massing.removeLevel(siteId, levelId, seen);
    }

    @PostMapping("/levels/{levelId}/copies")
    @Operation(summary = "Copies a level with all that is on it, to stand on top of it")
    @ResponseStatus(HttpStatus.CREATED)
    LevelView copyLevel(@PathVariable long siteId, @PathVariable long levelId, Seen seen) {
        return LevelView.of(massing.copyLevel(siteId, levelId, seen));
    }

    /** @param edge the lasting number of the edge that begins here */
    record CornerView(@NotNull int edge, @NotNull Length x, @NotNull Length y) {
    }

    /**
     * @param cornerMm  the south-west corner of its extent, on its floor
     * @param widthMm   of its extent
     * @param depthMm   of its extent
     * @param outlineMm loop by loop, the room at the right hand
     * @param areaM2    clear floor area, square metres
     */
    record RoomView(@NotNull long id, @NotNull String name, @NotNull long levelId, @NotNull VecMm cornerMm, @NotNull Length widthMm,
            @NotNull Length depthMm, @NotNull Length heightMm, @NotNull List<List<CornerView>> outlineMm, @NotNull double areaM2, @NotNull boolean openToSky) {

        static RoomView of(Room r) {
            return new RoomView(r.id(), r.name(), r.level(), VecMm.of(r.corner()), r.width(), r.depth(), r.height(), r.outline().loops().stream()
                    .map(l -> l.stream().map(c -> new CornerView(c.edge(), new Length(c.x()), new Length(c.y()))).toList()).toList(),
                    r.region().area().doubleValue() / 1e12, r.sky());
        }
    }

    record OpeningView(@NotNull long id, @NotNull long roomId, @NotNull Opening.Kind kind, @NotNull int edge, @NotNull Length atMm,
            @NotNull Length widthMm, @NotNull Length heightMm, @NotNull Length sillMm) {

        static OpeningView of(Opening o) {
            return new OpeningView(o.id(), o.roomId(), o.kind(), o.edge(), o.at(), o.width(), o.height(), o.sill());
        }
    }

    /**
     * @param cornerMm left out: clear of the rooms there are
     * @param heightMm left out: the site's storey height
     * @param levelId  left out: the ground level
     */
    record RoomBody(@NotNull String name, Long levelId, @Valid VecMm cornerMm, @NotNull Length widthMm, @NotNull Length depthMm, Length heightMm) {
    }

    /** Two corners as drawn; the room takes the nearest steps. */
    record DrawnRoomBody(@NotNull String name, Long levelId, @NotNull @Valid VecMm fromMm, @NotNull @Valid VecMm toMm) {
    }

    /** Only what is told changes. */
    record RoomChange(String name, @Valid VecMm cornerMm, Length widthMm, Length depthMm, Length heightMm, Boolean openToSky) {
    }

    /**
     * @param edge the number of the edge of the room's outline
     * @param side in place of the edge: the longest one of that side
     */
    record OpeningBody(@NotNull Opening.Kind kind, @Min(0) @Max(1023) Integer edge, Side side, @NotNull Length atMm, @NotNull Length widthMm,
            @NotNull Length heightMm, Length sillMm) {
    }

    record UsualOpeningBody(@NotNull Opening.Kind kind) {
    }

    /** Only what is told changes. */
    record OpeningChange(Opening.Kind kind, @Min(0) @Max(1023) Integer edge, Side side, Length atMm, Length widthMm, Length heightMm, Length sillMm) {
    }

    record GapView(@NotNull long openingId, @NotNull Opening.Kind kind, @NotNull Side side, @NotNull BoxMm box) {
    }

    record ChainView(@NotNull long roomId, @NotNull int edge, @NotNull Side side, @NotNull boolean inner, @NotNull VecMm fromMm, @NotNull VecMm toMm, @NotNull List<Length> ticksMm) {
    }

    /** What should be heard about a size where it is typed. */
    record RemarkView(@NotNull long roomId, @NotNull String field, @NotNull String message) {
    }

    /**
     * @param walls  what is filled in plan; see Drawing
     * @param over   the wall above and below openings
     * @param floors the slabs under the rooms
     */
    record MassingView(@NotNull List<LevelView> levels, @NotNull List<RoomView> rooms, @NotNull List<OpeningView> openings, @NotNull List<BoxMm> walls,
            @NotNull List<BoxMm> over, @NotNull List<BoxMm> floors, @NotNull List<GapView> gaps, @NotNull List<ChainView> chains, @NotNull List<RemarkView> remarks) {
    }

    @GetMapping("/massing")
    MassingView find(@PathVariable long siteId) {
        var state = massing.find(siteId);
        var found = state.decisions().massing();
        var drawing = Drawing.of(found);
        return new MassingView(massing.levels(siteId, found.settings()).stream().map(LevelView::of).toList(), found.rooms().stream().map(RoomView::of).toList(),
                found.openings().stream().map(OpeningView::of).toList(),
                drawing.walls().stream().map(BoxMm::of).toList(), drawing.over().stream().map(BoxMm::of).toList(), drawing.floors().stream().map(BoxMm::of).toList(),
                drawing.openings().stream().map(g -> new GapView(g.opening().id(), g.opening().kind(), g.side(), BoxMm.of(g.box()))).toList(),
                drawing.chains().stream().map(c -> new ChainView(c.roomId(), c.edge(), c.side(), c.inner(), VecMm.of(c.from()), VecMm.of(c.to()), c.ticks())).toList(),
                Remark.of(state.set()).stream().map(r -> new RemarkView(r.roomId(), r.field(), r.message())).toList());
    }

    private static <T> T orElse(T told, T standing) {
        return Optional.ofNullable(told).orElse(standing);
    }

    @PostMapping("/rooms")
    @ResponseStatus(HttpStatus.CREATED)
    RoomView addRoom(@PathVariable long siteId, Seen seen,
            @Valid @RequestBody RoomBody body) {
        return RoomView.of(massing.addRoom(siteId, seen, (id, standing) -> {
            var on = massing.level(siteId, orElse(body.levelId(), 0L), standing.settings());
            var room = new Room(id, body.name(), body.cornerMm() == null ? standing.freeCorner() : body.cornerMm().toVec(),
                    body.widthMm(), body.depthMm(), orElse(body.heightMm(), on.storey().minus(standing.settings().wall())));
            // A corner that is told may be sunk below its level's floor, or raised.
            return body.cornerMm() == null ? room.on(on) : room.copied(id, room.name(), on.id(), 0);
        }));
    }

    @PostMapping("/rooms/drawn")
    @Operation(summary = "Adds a room between two drawn corners, on the step")
    @ResponseStatus(HttpStatus.CREATED)
    RoomView drawRoom(@PathVariable long siteId, Seen seen,
            @Valid @RequestBody DrawnRoomBody body) {
        return RoomView.of(massing.drawRoom(siteId, seen, orElse(body.levelId(), 0L), body.name(), body.fromMm().toVec(), body.toMm().toVec()));
    }

    @PatchMapping("/rooms/{roomId}")
    RoomView changeRoom(@PathVariable long siteId, @PathVariable long roomId,
            Seen seen, @Valid @RequestBody RoomChange body) {
        return RoomView.of(massing.changeRoom(siteId, roomId, seen, r -> r.reshaped(
                orElse(body.name(), r.name()), body.cornerMm() == null ? r.corner() : body.cornerMm().toVec(),
                orElse(body.widthMm(), r.width()), orElse(body.depthMm(), r.depth()), orElse(body.heightMm(), r.height())).under(orElse(body.openToSky(), r.sky()))));
    }

    /**
     * @param quarterTurns counter-clockwise
     * @param copy         whether the room stays, and a copy of it is mirrored, turned and moved
     */
    record ArrangeBody(@Valid VecMm byMm, @Min(-3) @Max(3) Integer quarterTurns, Boolean mirror, Boolean copy) {
    }

    @PostMapping("/rooms/{roomId}/arrange")
    @Operation(summary = "Mirrors, turns and moves a room, or a copy of it, with its openings")
    RoomView arrange(@PathVariable long siteId, @PathVariable long roomId, Seen seen, @Valid @RequestBody ArrangeBody body) {
        return RoomView.of(massing.arrange(siteId, roomId, seen, orElse(body.mirror(), false), orElse(body.quarterTurns(), 0),
                body.byMm() == null ? Vec.ZERO : body.byMm().toVec(), orElse(body.copy(), false)));
    }

    /** Two corners of a rectangle as drawn; it takes the nearest steps. */
    record GroundBody(@NotNull @Valid VecMm fromMm, @NotNull @Valid VecMm toMm) {
    }

    record EdgeMove(@NotNull Length outwardMm) {
    }

    record EdgeLength(@NotNull Length lengthMm) {
    }

    @PostMapping("/rooms/{roomId}/join")
    @Operation(summary = "Joins a drawn rectangle to the room's ground")
    RoomView join(@PathVariable long siteId, @PathVariable long roomId, Seen seen, @Valid @RequestBody GroundBody body) {
        return RoomView.of(massing.join(siteId, roomId, seen, body.fromMm().toVec(), body.toMm().toVec()));
    }

    @PostMapping("/rooms/{roomId}/cut")
    @Operation(summary = "Cuts a drawn rectangle from the room's ground")
    RoomView cut(@PathVariable long siteId, @PathVariable long roomId, Seen seen, @Valid @RequestBody GroundBody body) {
        return RoomView.of(massing.cut(siteId, roomId, seen, body.fromMm().toVec(), body.toMm().toVec()));
    }

    @PostMapping("/rooms/{roomId}/edges/{edge}/move")
    @Operation(summary = "Moves one edge outward, or inward")
    RoomView moveEdge(@PathVariable long siteId, @PathVariable long roomId, @PathVariable int edge, Seen seen, @Valid @RequestBody EdgeMove body) {
        return RoomView.of(massing.moveEdge(siteId, roomId, seen, edge, body.outwardMm()));
    }

    @PostMapping("/rooms/{roomId}/edges/{edge}/length")
    @Operation(summary = "Makes one edge as long as told; the edge that follows it moves")
    RoomView setLength(@PathVariable long siteId, @PathVariable long roomId, @PathVariable int edge, Seen seen, @Valid @RequestBody EdgeLength body) {
        return RoomView.of(massing.setLength(siteId, roomId, seen, edge, body.lengthMm()));
    }

    @DeleteMapping("/rooms/{roomId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeRoom(@PathVariable long siteId, @PathVariable long roomId, Seen seen) {
        massing.removeRoom(siteId, roomId, seen);
    }

    @PostMapping("/rooms/{roomId}/openings")
    @ResponseStatus(HttpStatus.CREATED)
    OpeningView addOpening(@PathVariable long siteId, @PathVariable long roomId,
            Seen seen, @Valid @RequestBody OpeningBody body) {
        return OpeningView.of(massing.addOpening(siteId, seen, roomId, (id, room) -> new Opening(id, roomId, body.kind(), edge(room, body.edge(), body.side(), -1),
                body.atMm(), body.widthMm(), body.heightMm(), orElse(body.sillMm(), Length.ZERO))));
    }

    /** The number of the edge that is told, by number or by side. */
    private static int edge(Room room, Integer edge, Side side, int standing) {
        if (edge == null && side == null && standing < 0) {
            throw new Refused("edge", "Tell the edge of the room that the opening is in, or a side.");
        }
        if (edge != null && room.outline().edge(edge).isEmpty()) {
            throw new Refused("edge", "“" + room.name() + "” has no edge " + edge + ".");
        }
        return edge != null ? edge : side == null ? standing : room.outline().edges().stream().filter(e -> e.side() == side)
                .max(Comparator.comparingLong(Outline.Edge::length)).orElseThrow().number();
    }

    @PostMapping("/rooms/{roomId}/openings/usual")
    @Operation(summary = "Adds a door or window of usual size where the room has a place for it")
    @ResponseStatus(HttpStatus.CREATED)
    OpeningView addUsualOpening(@PathVariable long siteId, @PathVariable long roomId,
            Seen seen, @Valid @RequestBody UsualOpeningBody body) {
        return OpeningView.of(massing.addUsualOpening(siteId, seen, roomId, body.kind()));
    }

    @PatchMapping("/openings/{openingId}")
    OpeningView changeOpening(@PathVariable long siteId, @PathVariable long openingId,
            Seen seen, @Valid @RequestBody OpeningChange body) {
        return OpeningView.of(massing.changeOpening(siteId, openingId, seen, (o, room) -> new Opening(o.id(), o.roomId(),
                orElse(body.kind(), o.kind()), edge(room, body.edge(), body.side(), o.edge()), orElse(body.atMm(), o.at()),
                orElse(body.widthMm(), o.width()), orElse(body.heightMm(), o.height()), orElse(body.sillMm(), o.sill()))));
    }

    @DeleteMapping("/openings/{openingId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeOpening(@PathVariable long siteId, @PathVariable long openingId, Seen seen) {
        massing.removeOpening(siteId, openingId, seen);
    }
}
