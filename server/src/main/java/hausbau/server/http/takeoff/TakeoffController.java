package hausbau.server.http.takeoff;

import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.core.takeoff.Calibration;
import hausbau.core.takeoff.Mark;
import hausbau.core.takeoff.PlaneGrid;
import hausbau.core.takeoff.Quantity;
import hausbau.server.http.IdView;
import hausbau.server.http.board.BoardController;
import hausbau.server.http.board.BoardController.BoardItemView;
import hausbau.server.http.board.BoardController.MeasuredView;
import hausbau.server.http.board.BoardController.PlaneView;
import hausbau.server.journal.Seen;
import hausbau.server.store.Stores;
import hausbau.server.store.takeoff.MarkRow;
import hausbau.server.store.takeoff.Points;
import hausbau.server.work.takeoff.MarkService;
import hausbau.server.work.takeoff.TakeoffService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
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
@Tag(name = "Takeoff")
class TakeoffController {

    private final TakeoffService takeoff;
    private final MarkService marks;
    private final Stores store;

    TakeoffController(TakeoffService takeoff, MarkService marks, Stores store) {
        this.takeoff = takeoff;
        this.marks = marks;
        this.store = store;
    }

    /**
     * @param points      x and y by turns: two points for a flat plane, the four corners from the lower left on for one in perspective
     * @param widthMm     the known length, or the rectangle's width
     * @param heightMm    the rectangle's height; a flat plane needs none
     * @param pickErrorPx standard deviation of a pick; left out: 1
     */
    record CalibrationBody(
            @NotNull Calibration.Kind kind,
            @NotNull List<@NotNull Double> points,
            @NotNull Length widthMm,
            Length heightMm,
            Double pickErrorPx) {

        Calibration calibration() {
            return new Calibration(
                    kind, Points.pixels(points), widthMm, or(heightMm, Length.ZERO), or(pickErrorPx, 1.0));
        }
    }

    record PlaneBody(@NotNull Long pictureId, @NotNull String name, @NotNull @Valid CalibrationBody calibration) {}

    record PlaneChange(@NotNull String name, @NotNull @Valid CalibrationBody calibration) {}

    record GridBody(@NotNull Integer pixelsX, @NotNull Integer pixelsY, @NotNull @Valid CalibrationBody calibration) {}

    /**
     * @param pitchMm the step, or as many steps as keep the lines apart
     * @param lines   from x, y to x, y by turns, in pixels of the picture
     */
    record GridView(@NotNull Length pitchMm, @NotNull List<List<Double>> lines) {}

    record MeasureBody(@NotNull Long planeId, @NotNull Quantity quantity, @NotNull List<@NotNull Double> points) {}

    /** @param letter left out or empty: the next free one */
    record TagBody(String letter, @NotNull String name, @NotNull Role role) {}

    /** Only what is told changes. */
    record TagChange(String letter, String name, Role role, Integer estimated) {}

    /** Only what is told changes; a plane of 0 takes the mark off its plane. */
    record MarkChange(
            Long planeId, Long tagId, List<@NotNull Double> points, Boolean mirrored, Boolean turned, String finish) {

        MarkService.MarkTold over(MarkRow m) {
            return new MarkService.MarkTold(
                    m.pictureId(),
                    or(planeId, m.planeId()),
                    or(tagId, m.tagId()),
                    m.shape(),
                    or(points, m.picks()),
                    new MarkRow.Look(
                            or(mirrored, m.look().mirrored()),
                            or(turned, m.look().turned()),
                            or(finish, m.look().finish())));
        }
    }

    private static <T> T or(T told, T standing) {
        return told == null ? standing : told;
    }

    record MarkBody(
            @NotNull Long pictureId,
            Long planeId,
            @NotNull Long tagId,
            @NotNull Mark.Shape kind,
            @NotNull List<@NotNull Double> points,
            Boolean mirrored,
            Boolean turned,
            String finish) {

        MarkService.MarkTold told() {
            return new MarkService.MarkTold(
                    pictureId,
                    or(planeId, 0L),
                    tagId,
                    kind,
                    points,
                    new MarkRow.Look(or(mirrored, false), or(turned, false), or(finish, "")));
        }
    }

    record PixelBody(@NotNull Double x, @NotNull Double y) {}

    record MemberView(@NotNull long tagId, @NotNull String letter, @NotNull boolean turned) {}

    /**
     * @param name            of the first of its tags; {@code code} one to begin from
     * @param widthResidualMm how much larger than measured the piece would be; {@code widthResidualSteps} the same in steps
     * @param changesTheLook  rounding changes a side by more than 3 %
     */
    record ProposalView(
            @NotNull String name,
            @NotNull String code,
            @NotNull Role role,
            @NotNull List<MemberView> tags,
            @NotNull MeasuredView width,
            @NotNull MeasuredView height,
            @NotNull Length widthMm,
            @NotNull Length heightMm,
            @NotNull double widthResidualMm,
            @NotNull double heightResidualMm,
            @NotNull double widthResidualSteps,
            @NotNull double heightResidualSteps,
            @NotNull boolean changesTheLook,
            @NotNull int seen,
            @NotNull int estimated) {

        static ProposalView of(MarkService.Named named) {
            var p = named.proposal();
            var step = p.step().um() / 1000.0;
            return new ProposalView(
                    named.name(),
                    p.suggestedCode(named.name()),
                    p.role(),
                    p.tags().stream()
                            .map(m -> new MemberView(m.tagId(), m.letter(), m.turned()))
                            .toList(),
                    MeasuredView.of(p.measured().width()),
                    MeasuredView.of(p.measured().height()),
                    p.width(),
                    p.height(),
                    p.widthResidual(),
                    p.heightResidual(),
                    p.widthResidual() / step,
                    p.heightResidual() / step,
                    p.changesTheLook(),
                    p.seen(),
                    p.estimated());
        }
    }

    record ProposalAcceptBody(
            @NotNull List<@NotNull Long> tagIds,
            @NotNull String code,
            @NotNull String name,
            @NotNull Length widthMm,
            @NotNull Length depthMm,
            @NotNull Length heightMm) {}

    @PostMapping("/planes/grid")
    @Operation(summary = "The grid that a calibration would lay over a picture; nothing is kept")
    GridView grid(@PathVariable long siteId, @Valid @RequestBody GridBody body) {
        var step = store.sites().site(siteId).settings().step();
        var grid = PlaneGrid.of(body.calibration().calibration().plane(), body.pixelsX(), body.pixelsY(), step);
        return new GridView(
                grid.pitch(),
                grid.lines().stream()
                        .map(l -> List.of(l.from().x(), l.from().y(), l.to().x(), l.to().y()))
                        .toList());
    }

    @PostMapping("/planes")
    @ResponseStatus(HttpStatus.CREATED)
    PlaneView addPlane(@PathVariable long siteId, Seen seen, @Valid @RequestBody PlaneBody body) {
        return PlaneView.of(takeoff.addPlane(
                siteId, seen, body.pictureId(), body.name(), body.calibration().calibration()));
    }

    @PutMapping("/planes/{id}")
    PlaneView changePlane(
            @PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody PlaneChange body) {
        return PlaneView.of(takeoff.changePlane(
                siteId, seen, id, body.name(), body.calibration().calibration()));
    }

    @DeleteMapping("/planes/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removePlane(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        takeoff.removePlane(siteId, seen, id);
    }

    @GetMapping(path = "/planes/{id}/rectified.png", produces = "image/png")
    @Operation(summary = "The plane as it would look square on")
    byte[] rectified(@PathVariable long siteId, @PathVariable long id) {
        return takeoff.rectified(siteId, id);
    }

    @PostMapping("/planes/{id}/rectified")
    @Operation(summary = "Lays the plane's view square on on the board, beside its picture")
    @ResponseStatus(HttpStatus.CREATED)
    BoardItemView keepRectified(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        var row = takeoff.keepRectified(siteId, seen, id);
        return BoardItemView.of(row, store.boards().mediaSizes(siteId).get(row.mediaId()));
    }

    @PostMapping("/measurements")
    @Operation(summary = "Measures on a calibrated plane; nothing is kept")
    MeasuredView measure(@PathVariable long siteId, @Valid @RequestBody MeasureBody body) {
        return MeasuredView.of(takeoff.measure(siteId, body.planeId(), body.quantity(), body.points()));
    }

    @PostMapping("/tags")
    @ResponseStatus(HttpStatus.CREATED)
    IdView addTag(@PathVariable long siteId, Seen seen, @Valid @RequestBody TagBody body) {
        return new IdView(marks.addTag(siteId, seen, or(body.letter(), ""), body.name(), body.role())
                .getId());
    }

    @PatchMapping("/tags/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changeTag(@PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody TagChange body) {
        marks.changeTag(
                siteId,
                seen,
                id,
                t -> new MarkService.TagTold(
                        or(body.letter(), t.letter()),
                        or(body.name(), t.name()),
                        or(body.role(), t.role()),
                        or(body.estimated(), t.estimated())));
    }

    @DeleteMapping("/tags/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeTag(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        marks.removeTag(siteId, seen, id);
    }

    @PostMapping("/marks")
    @ResponseStatus(HttpStatus.CREATED)
    IdView addMark(@PathVariable long siteId, Seen seen, @Valid @RequestBody MarkBody body) {
        return new IdView(marks.addMark(siteId, seen, body.told()).getId());
    }

    @PostMapping("/marks/{id}/again")
    @Operation(summary = "Marks the next thing of the same kind, as large in its plane")
    @ResponseStatus(HttpStatus.CREATED)
    IdView stamp(@PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody PixelBody body) {
        return new IdView(marks.stamp(siteId, seen, id, body.x(), body.y()).getId());
    }

    @PatchMapping("/marks/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changeMark(@PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody MarkChange body) {
        marks.changeMark(siteId, seen, id, body::over);
    }

    @PostMapping("/marks/removals")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeMarks(@PathVariable long siteId, Seen seen, @Valid @RequestBody BoardController.IdsBody body) {
        marks.removeMarks(siteId, seen, body.ids());
    }

    @GetMapping("/proposals")
    @Operation(summary = "Which tags may be one piece, and its size on the step")
    List<ProposalView> proposals(@PathVariable long siteId) {
        return marks.proposals(siteId).stream().map(ProposalView::of).toList();
    }

    @PostMapping("/proposals/accepted")
    @Operation(summary = "Puts a piece on the list for some tags")
    @ResponseStatus(HttpStatus.CREATED)
    IdView accept(@PathVariable long siteId, Seen seen, @Valid @RequestBody ProposalAcceptBody body) {
        return new IdView(marks.accept(
                        siteId,
                        seen,
                        body.tagIds(),
                        body.code(),
                        body.name(),
                        body.widthMm(),
                        body.depthMm(),
                        body.heightMm())
                .getId());
    }

    record TagsBody(@NotNull List<@NotNull Long> tagIds) {}

    @PostMapping("/proposals/declined")
    @Operation(summary = "Will not have these tags proposed as one piece again")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void decline(@PathVariable long siteId, Seen seen, @Valid @RequestBody TagsBody body) {
        marks.decline(siteId, seen, body.tagIds());
    }
}
