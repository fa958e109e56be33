package hausbau.server.http.massing;

import hausbau.core.exchange.SvgOutlines;
import hausbau.core.exchange.SvgShapes;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.plane.Loop;
import hausbau.core.plane.Region;
import hausbau.server.journal.Seen;
import hausbau.server.store.kit.PartWords;
import hausbau.server.work.massing.MassingService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "Outlines")
class OutlineController {

    private final MassingService massing;

    OutlineController(MassingService massing) {
        this.massing = massing;
    }

    record OutlineSpot(@NotNull Length x, @NotNull Length y) {}

    /** @param loops even-odd */
    record OutlineView(
            @NotNull @Size(max = 200) String name, @NotNull List<@NotNull List<@NotNull @Valid OutlineSpot>> loops) {

        static OutlineView of(SvgOutlines.Found found) {
            return new OutlineView(
                    found.name().length() > 200 ? found.name().substring(0, 200) : found.name(),
                    found.region().loops().stream()
                            .map(l -> l.corners().stream()
                                    .map(c -> new OutlineSpot(new Length(c.x()), new Length(c.y())))
                                    .toList())
                            .toList());
        }

        Region region() {
            for (var loop : loops) {
                for (var i = 0; i < loop.size(); i++) {
                    var next = loop.get((i + 1) % loop.size());
                    if (!loop.get(i).x().equals(next.x()) && !loop.get(i).y().equals(next.y())) {
                        throw new Refused("outlines", "“" + name + "” has a slanted line.");
                    }
                }
            }
            return Region.inside(loops.stream()
                    .map(l -> new Loop(l.stream()
                            .map(s -> new Loop.Corner(s.x().um(), s.y().um()))
                            .toList()))
                    .toList());
        }
    }

    /** What is drawn in the file and is no outline. */
    record ReportView(@NotNull String where, @NotNull String what) {}

    /** @param unitMm what one unit of the file is, its scale included */
    record ReadBody(@NotNull String svg, @NotNull Length unitMm) {}

    record ReadView(@NotNull List<OutlineView> outlines, @NotNull List<ReportView> reports) {}

    @PostMapping("/outlines/read")
    @Operation(summary = "Reads the right-angled outlines of an SVG file, and tells what in it is none; makes nothing")
    ReadView read(@Valid @RequestBody ReadBody body) {
        var reading = SvgOutlines.read(body.svg(), body.unitMm());
        return new ReadView(
                reading.outlines().stream().map(OutlineView::of).toList(),
                reading.reports().stream()
                        .map(r -> new ReportView(r.where(), r.what()))
                        .toList());
    }

    /** @param toleranceMm how far a chord may lie from its arc */
    record ReadShapesBody(@NotNull String svg, @NotNull Length unitMm, @NotNull Length toleranceMm) {}

    /** @param rings the outline, then its holes */
    record ShapeView(@NotNull String name, @NotNull List<@NotNull List<PartWords.@NotNull Bend>> rings) {}

    record ShapesView(@NotNull List<ShapeView> shapes, @NotNull List<ReportView> reports) {}

    @PostMapping("/shapes/read")
    @Operation(
            summary =
                    "Reads the closed shapes of an SVG file, straight and round, with their holes, and tells what in it is none; makes nothing")
    ShapesView readShapes(@Valid @RequestBody ReadShapesBody body) {
        var reading = SvgShapes.read(body.svg(), body.unitMm(), body.toleranceMm());
        return new ShapesView(
                reading.shapes().stream()
                        .map(s -> new ShapeView(
                                s.name(),
                                s.rings().stream().map(PartWords.Bend::of).toList()))
                        .toList(),
                reading.reports().stream()
                        .map(r -> new ReportView(r.where(), r.what()))
                        .toList());
    }

    record BringInBody(Long levelId, @NotNull @Size(min = 1, max = 200) List<@NotNull @Valid OutlineView> outlines) {}

    @PostMapping("/sites/{siteId}/rooms/outlines")
    @Operation(summary = "Adds a room of each outline to a level")
    @ResponseStatus(HttpStatus.CREATED)
    List<MassingController.RoomView> bringIn(
            @PathVariable long siteId, Seen seen, @Valid @RequestBody BringInBody body) {
        var grounds = body.outlines().stream()
                .map(o -> new MassingService.Ground(o.name(), o.region()))
                .toList();
        return massing.bringIn(siteId, seen, Optional.ofNullable(body.levelId()).orElse(0L), grounds).stream()
                .map(MassingController.RoomView::of)
                .toList();
    }
}
