package hausbau.server.http;

import hausbau.core.build.Remark;
import hausbau.server.journal.Seen;
import hausbau.core.massing.Drawing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.measure.Length;
import hausbau.server.http.VecMm.BoxMm;
import hausbau.server.work.MassingService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
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

    record RoomView(@NotNull long id, @NotNull String name, @NotNull VecMm cornerMm, @NotNull Length widthMm,
            @NotNull Length depthMm, @NotNull Length heightMm) {

        static RoomView of(Room r) {
            return new RoomView(r.id(), r.name(), VecMm.of(r.corner()), r.width(), r.depth(), r.height());
        }
    }

    record OpeningView(@NotNull long id, @NotNull long roomId, @NotNull Opening.Kind kind, @NotNull Side side, @NotNull Length atMm,
            @NotNull Length widthMm, @NotNull Length heightMm, @NotNull Length sillMm) {

        static OpeningView of(Opening o) {
            return new OpeningView(o.id(), o.roomId(), o.kind(), o.side(), o.at(), o.width(), o.height(), o.sill());
        }
    }

    /**
     * @param cornerMm left out: clear of the rooms there are
     * @param heightMm left out: the site's storey height
     */
    record RoomBody(@NotNull String name, @Valid VecMm cornerMm, @NotNull Length widthMm, @NotNull Length depthMm, Length heightMm) {
    }

    /** Two corners as drawn; the room takes the nearest steps. */
    record DrawnRoomBody(@NotNull String name, @NotNull @Valid VecMm fromMm, @NotNull @Valid VecMm toMm) {
    }

    /** Only what is told changes. */
    record RoomChange(String name, @Valid VecMm cornerMm, Length widthMm, Length depthMm, Length heightMm) {
    }

    record OpeningBody(@NotNull Opening.Kind kind, @NotNull Side side, @NotNull Length atMm, @NotNull Length widthMm,
            @NotNull Length heightMm, Length sillMm) {
    }

    record UsualOpeningBody(@NotNull Opening.Kind kind) {
    }

    /** Only what is told changes. */
    record OpeningChange(Opening.Kind kind, Side side, Length atMm, Length widthMm, Length heightMm, Length sillMm) {
    }

    record GapView(@NotNull long openingId, @NotNull Opening.Kind kind, @NotNull Side side, @NotNull BoxMm box) {
    }

    record ChainView(@NotNull long roomId, @NotNull Side side, @NotNull VecMm fromMm, @NotNull VecMm toMm, @NotNull List<Length> ticksMm) {
    }

    /** What should be heard about a size where it is typed. */
    record RemarkView(@NotNull long roomId, @NotNull String field, @NotNull String message) {
    }

    /** @param walls what is filled in plan; see Drawing. */
    record MassingView(@NotNull List<RoomView> rooms, @NotNull List<OpeningView> openings, @NotNull List<BoxMm> walls,
            @NotNull List<GapView> gaps, @NotNull List<ChainView> chains, @NotNull List<RemarkView> remarks) {
    }

    @GetMapping("/massing")
    MassingView find(@PathVariable long siteId) {
        var state = massing.find(siteId);
        var found = state.decisions().massing();
        var drawing = Drawing.of(found);
        return new MassingView(found.rooms().stream().map(RoomView::of).toList(),
                found.openings().stream().map(OpeningView::of).toList(),
                drawing.walls().stream().map(BoxMm::of).toList(),
                drawing.openings().stream().map(g -> new GapView(g.opening().id(), g.opening().kind(), g.opening().side(), BoxMm.of(g.box()))).toList(),
                drawing.chains().stream().map(c -> new ChainView(c.roomId(), c.side(), VecMm.of(c.from()), VecMm.of(c.to()), c.ticks())).toList(),
                Remark.of(state.set()).stream().map(r -> new RemarkView(r.roomId(), r.field(), r.message())).toList());
    }

    private static <T> T orElse(T told, T standing) {
        return Optional.ofNullable(told).orElse(standing);
    }

    @PostMapping("/rooms")
    @ResponseStatus(HttpStatus.CREATED)
    RoomView addRoom(@PathVariable long siteId, Seen seen,
            @Valid @RequestBody RoomBody body) {
        return RoomView.of(massing.addRoom(siteId, seen, (id, standing) -> new Room(id, body.name(),
                body.cornerMm() == null ? standing.freeCorner() : body.cornerMm().toVec(),
                body.widthMm(), body.depthMm(), orElse(body.heightMm(), standing.settings().storey()))));
    }

    @PostMapping("/rooms/drawn")
    @Operation(summary = "Adds a room between two drawn corners, on the step")
    @ResponseStatus(HttpStatus.CREATED)
    RoomView drawRoom(@PathVariable long siteId, Seen seen,
            @Valid @RequestBody DrawnRoomBody body) {
        return RoomView.of(massing.drawRoom(siteId, seen, body.name(), body.fromMm().toVec(), body.toMm().toVec()));
    }

    @PatchMapping("/rooms/{roomId}")
    RoomView changeRoom(@PathVariable long siteId, @PathVariable long roomId,
            Seen seen, @Valid @RequestBody RoomChange body) {
        return RoomView.of(massing.changeRoom(siteId, roomId, seen, r -> r.reshaped(
                orElse(body.name(), r.name()), body.cornerMm() == null ? r.corner() : body.cornerMm().toVec(),
                orElse(body.widthMm(), r.width()), orElse(body.depthMm(), r.depth()), orElse(body.heightMm(), r.height()))));
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
        return OpeningView.of(massing.addOpening(siteId, seen, id -> new Opening(id, roomId, body.kind(), body.side(),
                body.atMm(), body.widthMm(), body.heightMm(), orElse(body.sillMm(), Length.ZERO))));
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
        return OpeningView.of(massing.changeOpening(siteId, openingId, seen, o -> new Opening(o.id(), o.roomId(),
                orElse(body.kind(), o.kind()), orElse(body.side(), o.side()), orElse(body.atMm(), o.at()),
                orElse(body.widthMm(), o.width()), orElse(body.heightMm(), o.height()), orElse(body.sillMm(), o.sill()))));
    }

    @DeleteMapping("/openings/{openingId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeOpening(@PathVariable long siteId, @PathVariable long openingId, Seen seen) {
        massing.removeOpening(siteId, openingId, seen);
    }
}
