package hausbau.server.http.massing;

import hausbau.core.massing.Solid;
import hausbau.core.massing.Stair;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.server.http.VecMm;
import hausbau.server.http.VecMm.BoxMm;
import hausbau.server.journal.Seen;
import hausbau.server.work.massing.StairService;
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
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Stairs and solids")
class StairController {

    private final StairService stairs;

    StairController(StairService stairs) {
        this.stairs = stairs;
    }

    /**
     * @param right    whether it turns right
     * @param footMm   the corner at the right hand of whoever sets out
     * @param riserMm  how high each step rises
     * @param bodiesMm what its flights and landings take, in boxes
     * @param treadsMm surfaces to step on, as flat boxes, from below
     * @param wayMm    the line that one walks up
     */
    record StairView(
            @NotNull long id,
            @NotNull long levelId,
            @NotNull Stair.Shape shape,
            @NotNull boolean right,
            @NotNull VecMm footMm,
            @NotNull int quarterTurns,
            @NotNull Length widthMm,
            @NotNull Length riseMm,
            @NotNull int risers,
            @NotNull Length riserMm,
            @NotNull Length goingMm,
            @NotNull List<BoxMm> bodiesMm,
            @NotNull List<BoxMm> treadsMm,
            @NotNull List<VecMm> wayMm) {

        static StairView of(Stair s) {
            return new StairView(
                    s.id(),
                    s.level(),
                    s.shape(),
                    s.right(),
                    VecMm.of(s.foot()),
                    s.up().quarters(),
                    s.width(),
                    s.rise(),
                    s.risers(),
                    new Length(s.rise().um() / s.risers()),
                    s.going(),
                    s.bodies().stream().map(BoxMm::of).toList(),
                    s.treads().stream()
                            .map(t -> BoxMm.of(Box.of(
                                    t.ground().x0(),
                                    t.ground().y0(),
                                    t.z(),
                                    t.ground().x1(),
                                    t.ground().y1(),
                                    t.z())))
                            .toList(),
                    s.way().stream().map(VecMm::of).toList());
        }
    }

    /** From the middle of the first step toward where they lead; they arrive on the step. */
    record DrawnStairBody(Long levelId, @NotNull @Valid VecMm fromMm, @NotNull @Valid VecMm toMm, Stair.Shape shape) {}

    /** Only what is told changes. Another shape or rise has its steps anew as the rule has them. */
    record StairChange(
            Stair.Shape shape,
            Boolean right,
            @Valid VecMm footMm,
            @Min(0) @Max(3) Integer quarterTurns,
            Length widthMm,
            Length riseMm,
            @Min(1) @Max(1000) Integer risers,
            Length goingMm) {}

    @PostMapping("/stairs/drawn")
    @Operation(summary = "Adds stairs to the floor above, as drawn")
    @ResponseStatus(HttpStatus.CREATED)
    StairView draw(@PathVariable long siteId, Seen seen, @Valid @RequestBody DrawnStairBody body) {
        return StairView.of(stairs.add(siteId, seen, orElse(body.levelId(), 0L), (id, level, rise, settings) -> {
            var straight = Stair.drawn(
                    id, level, body.fromMm().toVec(), body.toMm().toVec(), Stair.USUAL_WIDTH, rise, settings);
            return body.shape() == null ? straight : straight.shaped(body.shape(), settings);
        }));
    }

    @PostMapping("/rooms/{roomId}/stairs/usual")
    @Operation(summary = "Adds stairs from a room to the floor above, where it has a place for them")
    @ResponseStatus(HttpStatus.CREATED)
    StairView addUsual(@PathVariable long siteId, @PathVariable long roomId, Seen seen) {
        return StairView.of(stairs.addUsual(siteId, seen, roomId));
    }

    record UsualSolidBody(@NotNull String name) {}

    @PostMapping("/rooms/{roomId}/solids/usual")
    @Operation(summary = "Adds a pier of half a metre to the middle of a room")
    @ResponseStatus(HttpStatus.CREATED)
    MassView addUsualSolid(
            @PathVariable long siteId, @PathVariable long roomId, Seen seen, @Valid @RequestBody UsualSolidBody body) {
        return MassView.of(stairs.addUsualSolid(siteId, seen, roomId, body.name()));
    }

    @PatchMapping("/stairs/{stairId}")
    StairView change(
            @PathVariable long siteId, @PathVariable long stairId, Seen seen, @Valid @RequestBody StairChange body) {
        return StairView.of(stairs.change(siteId, stairId, seen, (s, settings) -> {
            var shaped = body.shape() == null || body.shape() == s.shape() ? s : s.shaped(body.shape(), settings);
            var risen = body.riseMm() == null ? shaped : shaped.rising(body.riseMm(), settings.unit());
            var laid = new Stair(
                    risen.id(),
                    risen.level(),
                    risen.shape(),
                    orElse(body.right(), risen.right()),
                    body.footMm() == null ? risen.foot() : body.footMm().toVec(),
                    body.quarterTurns() == null ? risen.up() : new Turn(body.quarterTurns()),
                    orElse(body.widthMm(), risen.width()),
                    risen.rise(),
                    risen.risers(),
                    risen.going());
            return body.risers() == null && body.goingMm() == null
                    ? laid
                    : laid.stepped(orElse(body.risers(), laid.risers()), Optional.ofNullable(body.goingMm()));
        }));
    }

    @DeleteMapping("/stairs/{stairId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable long stairId, Seen seen) {
        stairs.remove(siteId, stairId, seen);
    }

    record MassView(@NotNull long id, @NotNull String name, @NotNull long levelId, @NotNull BoxMm boxMm) {

        static MassView of(Solid s) {
            return new MassView(s.id(), s.name(), s.level(), BoxMm.of(s.box()));
        }
    }

    /**
     * Two corners as drawn; the solid takes the nearest steps.
     *
     * @param heightMm left out: up to under the slab above
     */
    record DrawnSolidBody(
            @NotNull String name,
            Long levelId,
            @NotNull @Valid VecMm fromMm,
            @NotNull @Valid VecMm toMm,
            Length heightMm) {}

    /** Only what is told changes. */
    record SolidChange(String name, @Valid VecMm cornerMm, Length widthMm, Length depthMm, Length heightMm) {}

    @PostMapping("/solids/drawn")
    @Operation(summary = "Adds a mass that stays, between two drawn corners")
    @ResponseStatus(HttpStatus.CREATED)
    MassView drawSolid(@PathVariable long siteId, Seen seen, @Valid @RequestBody DrawnSolidBody body) {
        return MassView.of(stairs.addSolid(
                siteId,
                seen,
                orElse(body.levelId(), 0L),
                body.name(),
                body.fromMm().toVec(),
                body.toMm().toVec(),
                usual -> orElse(body.heightMm(), usual)));
    }

    @PatchMapping("/solids/{solidId}")
    MassView changeSolid(
            @PathVariable long siteId, @PathVariable long solidId, Seen seen, @Valid @RequestBody SolidChange body) {
        return MassView.of(stairs.changeSolid(siteId, solidId, seen, s -> {
            var size = s.box().size();
            var corner =
                    body.cornerMm() == null ? s.box().min() : body.cornerMm().toVec();
            return Solid.of(
                    s.id(),
                    orElse(body.name(), s.name()),
                    s.level(),
                    corner,
                    Vec.of(
                            orElse(body.widthMm(), new Length(size.x())),
                            orElse(body.depthMm(), new Length(size.y())),
                            orElse(body.heightMm(), new Length(size.z()))));
        }));
    }

    @DeleteMapping("/solids/{solidId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeSolid(@PathVariable long siteId, @PathVariable long solidId, Seen seen) {
        stairs.removeSolid(siteId, solidId, seen);
    }

    private static <T> T orElse(T told, T standing) {
        return Optional.ofNullable(told).orElse(standing);
    }
}
