package hausbau.server.http.board;

import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.takeoff.Calibration;
import hausbau.core.takeoff.Mark;
import hausbau.core.takeoff.Measured;
import hausbau.server.journal.Seen;
import hausbau.server.store.Stores;
import hausbau.server.store.board.BoardItemRow;
import hausbau.server.store.board.BoardItemRow.Lie;
import hausbau.server.store.board.BoardStore;
import hausbau.server.store.takeoff.MarkRow;
import hausbau.server.store.takeoff.PlaneRow;
import hausbau.server.store.takeoff.Points;
import hausbau.server.work.board.BoardService;
import hausbau.server.work.takeoff.TakeoffService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Board")
public class BoardController {

    private final BoardService board;
    private final TakeoffService takeoff;
    private final Stores store;

    BoardController(BoardService board, TakeoffService takeoff, Stores store) {
        this.board = board;
        this.takeoff = takeoff;
        this.store = store;
    }

    /**
     * @param x        middle of the item, right and down, in units of the sheet
     * @param turn     degrees clockwise
     * @param crop     the part of the picture that is shown: left, top, right, bottom, from 0 to 1
     * @param mediaId  of a picture; {@code pixelsX} and {@code pixelsY} are its whole size
     */
    public record BoardItemView(
            @NotNull long id,
            @NotNull BoardItemRow.Kind kind,
            @NotNull String name,
            @NotNull String text,
            @NotNull double x,
            @NotNull double y,
            @NotNull double width,
            @NotNull double height,
            @NotNull double turn,
            @NotNull boolean flipped,
            @NotNull List<Double> crop,
            @NotNull boolean locked,
            @NotNull boolean grey,
            @NotNull long groupId,
            Long mediaId,
            @NotNull int pixelsX,
            @NotNull int pixelsY) {

        public static BoardItemView of(BoardItemRow row, BoardStore.MediaSize media) {
            var l = row.lie();
            return new BoardItemView(
                    row.getId(),
                    row.kind(),
                    row.name(),
                    row.text(),
                    l.x(),
                    l.y(),
                    l.width(),
                    l.height(),
                    l.turn(),
                    l.flipped(),
                    l.crop(),
                    row.locked(),
                    row.grey(),
                    row.groupId(),
                    media == null ? null : media.id(),
                    media == null ? 0 : media.width(),
                    media == null ? 0 : media.height());
        }
    }

    public record PlaneView(
            @NotNull long id,
            @NotNull long pictureId,
            @NotNull String name,
            @NotNull Calibration.Kind kind,
            @NotNull List<Double> points,
            @NotNull Length widthMm,
            @NotNull Length heightMm,
            @NotNull double pickErrorPx) {

        public static PlaneView of(PlaneRow row) {
            var c = row.calibration();
            return new PlaneView(
                    row.getId(),
                    row.pictureId(),
                    row.name(),
                    c.kind(),
                    Points.flat(c.points()),
                    c.width(),
                    c.height(),
                    c.pickError());
        }
    }

    /** @param deviation its standard deviation, in the same unit */
    public record MeasuredView(@NotNull double value, @NotNull double deviation) {

        public static MeasuredView of(Measured m) {
            return new MeasuredView(m.value(), m.deviation());
        }
    }

    record TagView(
            @NotNull long id,
            @NotNull String letter,
            @NotNull String name,
            @NotNull Role role,
            @NotNull int seen,
            @NotNull int estimated,
            Long listedId) {}

    record MarkView(
            @NotNull long id,
            @NotNull long pictureId,
            Long planeId,
            @NotNull long tagId,
            @NotNull Mark.Shape kind,
            @NotNull List<Double> points,
            @NotNull boolean mirrored,
            @NotNull boolean turned,
            @NotNull String finish,
            MeasuredView width,
            MeasuredView height,
            MeasuredView length,
            MeasuredView area,
            @NotNull List<Double> outline) {}

    /** @param mostBytes the largest file that is taken */
    record SheetView(
            @NotNull long mostBytes,
            @NotNull List<BoardItemView> items,
            @NotNull List<PlaneView> planes,
            @NotNull List<TagView> tags,
            @NotNull List<MarkView> marks) {}

    record LieBody(
            @NotNull Double x,
            @NotNull Double y,
            @NotNull Double width,
            @NotNull Double height,
            @NotNull Double turn,
            @NotNull Boolean flipped,
            @NotNull List<@NotNull Double> crop) {

        Lie lie() {
            return new Lie(x, y, width, height, turn, flipped, crop);
        }
    }

    record ItemBody(@NotNull BoardItemRow.Kind kind, @NotNull String text, @NotNull @Valid LieBody lie) {}

    /** Only what is told changes. */
    record LieChange(
            Double x, Double y, Double width, Double height, Double turn, Boolean flipped, List<@NotNull Double> crop) {

        Lie over(Lie l) {
            return new Lie(
                    or(x, l.x()),
                    or(y, l.y()),
                    or(width, l.width()),
                    or(height, l.height()),
                    or(turn, l.turn()),
                    or(flipped, l.flipped()),
                    or(crop, l.crop()));
        }

        private static <T> T or(T told, T standing) {
            return told == null ? standing : told;
        }
    }

    /** Only what is told changes. */
    record ItemChange(@NotNull Long id, @Valid LieChange lie, String name, String text, Boolean locked, Boolean grey) {}

    /** @param does what the change does, as the undo button will name it */
    record ItemsChange(@NotNull String does, @NotNull List<@NotNull @Valid ItemChange> items) {}

    record BoardOrderBody(@NotNull List<@NotNull Long> ids, @NotNull Boolean front) {}

    record GroupBody(@NotNull List<@NotNull Long> ids, @NotNull Boolean together) {}

    public record IdsBody(@NotNull List<@NotNull Long> ids) {}

    @GetMapping("/board")
    SheetView find(@PathVariable long siteId) {
        var s = takeoff.find(siteId);
        return new SheetView(
                BoardService.mostBytes(),
                s.items().stream()
                        .map(i -> BoardItemView.of(i, s.media().get(i.mediaId())))
                        .toList(),
                s.planes().stream().map(PlaneView::of).toList(),
                s.tags().stream()
                        .map(t -> {
                            var seen = (int) s.marks().stream()
                                    .filter(m -> m.tagId() == t.getId())
                                    .count();
                            return new TagView(
                                    t.getId(),
                                    t.letter(),
                                    t.name(),
                                    t.role(),
                                    seen,
                                    Math.max(seen, t.estimated()),
                                    t.listedId() == 0 ? null : t.listedId());
                        })
                        .toList(),
                s.marks().stream().map(m -> mark(m, s.sizes().get(m.getId()))).toList());
    }

    private static MarkView mark(MarkRow m, Mark.Size size) {
        return new MarkView(
                m.getId(),
                m.pictureId(),
                m.planeId() == 0 ? null : m.planeId(),
                m.tagId(),
                m.shape(),
                m.picks(),
                m.look().mirrored(),
                m.look().turned(),
                m.look().finish(),
                size.width().map(MeasuredView::of).orElse(null),
                size.height().map(MeasuredView::of).orElse(null),
                size.length().map(MeasuredView::of).orElse(null),
                size.area().map(MeasuredView::of).orElse(null),
                Points.flat(size.outline()));
    }

    @PostMapping(
            path = "/board/pictures",
            consumes = {"image/*", MediaType.APPLICATION_OCTET_STREAM_VALUE})
    @Operation(summary = "Lays a picture on the board: PNG, JPEG or WebP, as it is, in the body")
    @ResponseStatus(HttpStatus.CREATED)
    BoardItemView addPicture(
            @PathVariable long siteId,
            Seen seen,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "0") double x,
            @RequestParam(defaultValue = "0") double y,
            HttpServletRequest request)
            throws IOException {
        var row = board.addPicture(siteId, seen, name, picture(request), x, y);
        return BoardItemView.of(row, store.boards().mediaSizes(siteId).get(row.mediaId()));
    }

    /**
     * A picture's file out of a body.
     *
     * @throws Refused if it is too large, before all of it is read
     */
    public static byte[] picture(HttpServletRequest request) throws IOException {
        var most = BoardService.mostBytes();
        var tooLarge = "The file is larger than " + most / 1024 / 1024
                + " MiB, the most that is taken. Make the picture smaller first.";
        if (request.getContentLengthLong() > most) {
            throw new Refused("file", tooLarge);
        }
        var file = request.getInputStream().readNBytes(most + 1);
        if (file.length > most) {
            throw new Refused("file", tooLarge);
        }
        return file;
    }

    @PostMapping("/board/items")
    @ResponseStatus(HttpStatus.CREATED)
    BoardItemView add(@PathVariable long siteId, Seen seen, @Valid @RequestBody ItemBody body) {
        return BoardItemView.of(
                board.add(siteId, seen, body.kind(), body.text(), body.lie().lie()), null);
    }

    @PatchMapping("/board/items")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable long siteId, Seen seen, @Valid @RequestBody ItemsChange body) {
        board.change(
                siteId,
                seen,
                body.does(),
                body.items().stream()
                        .map(i -> new BoardService.ItemChange(
                                i.id(),
                                i.lie() == null ? l -> l : i.lie()::over,
                                i.name(),
                                i.text(),
                                i.locked(),
                                i.grey()))
                        .toList());
    }

    @PostMapping("/board/order")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void order(@PathVariable long siteId, Seen seen, @Valid @RequestBody BoardOrderBody body) {
        board.order(siteId, seen, body.ids(), body.front());
    }

    @PostMapping("/board/groups")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void group(@PathVariable long siteId, Seen seen, @Valid @RequestBody GroupBody body) {
        board.group(siteId, seen, body.ids(), body.together());
    }

    @PostMapping("/board/removals")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, Seen seen, @Valid @RequestBody IdsBody body) {
        board.remove(siteId, seen, body.ids());
    }

    @GetMapping("/media/{mediaId}/original")
    @Operation(summary = "A picture in full, upright and without metadata")
    ResponseEntity<byte[]> original(@PathVariable long siteId, @PathVariable long mediaId) {
        var media = store.boards().media(siteId, mediaId);
        return unchanging(media.type(), media.original());
    }

    @GetMapping("/media/{mediaId}/preview")
    @Operation(summary = "A picture at 512 pixels a side at most, JPEG")
    ResponseEntity<byte[]> preview(@PathVariable long siteId, @PathVariable long mediaId) {
        return unchanging("image/jpeg", board.preview(siteId, mediaId));
    }

    private static ResponseEntity<byte[]> unchanging(String type, byte[] bytes) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type))
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable())
                .body(bytes);
    }
}
