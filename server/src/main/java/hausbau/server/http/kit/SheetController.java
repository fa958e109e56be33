package hausbau.server.http.kit;

import hausbau.core.exchange.Sheet;
import hausbau.core.massing.Section;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import hausbau.server.work.kit.SheetService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Drawings")
class SheetController {

    private final SheetService sheets;

    SheetController(SheetService sheets) {
        this.sheets = sheets;
    }

    /** A point of the section: along the line, and up. */
    record SpotView(@NotNull Length x, @NotNull Length y) {}

    /** A rectangle of the section. */
    record SectionBox(@NotNull Length x0, @NotNull Length y0, @NotNull Length x1, @NotNull Length y1) {

        static SectionBox of(Rect r) {
            return new SectionBox(new Length(r.x0()), new Length(r.y0()), new Length(r.x1()), new Length(r.y1()));
        }
    }

    /** @param distanceMm from the line */
    record SeenFaceView(@NotNull List<List<SpotView>> loops, @NotNull Length distanceMm) {}

    record CutRoomView(@NotNull String name, @NotNull Length heightMm, @NotNull SectionBox box) {}

    /**
     * @param cut       loops that bound what is cut, even-odd
     * @param beyond    what is seen behind, from the nearest on
     * @param heightsMm floors and ceilings that are cut
     * @param widthsMm  where rooms begin and end along the line
     */
    record SectionView(
            @NotNull List<List<SpotView>> cut,
            @NotNull List<SeenFaceView> beyond,
            @NotNull List<CutRoomView> rooms,
            @NotNull List<Length> heightsMm,
            @NotNull List<Length> widthsMm,
            @NotNull SectionBox extent) {

        static SectionView of(Section s) {
            return new SectionView(
                    loops(s.cut()),
                    s.beyond().stream()
                            .map(f -> new SeenFaceView(loops(f.seen()), new Length(f.distance())))
                            .toList(),
                    s.rooms().stream()
                            .map(v -> new CutRoomView(v.room().name(), v.room().height(), SectionBox.of(v.cut())))
                            .toList(),
                    s.heights().stream().map(Length::new).toList(),
                    s.widths(Long.MIN_VALUE, Long.MAX_VALUE).stream()
                            .map(Length::new)
                            .toList(),
                    SectionBox.of(s.extent()));
        }

        private static List<List<SpotView>> loops(Region region) {
            return region.loops().stream()
                    .map(l -> l.corners().stream()
                            .map(c -> new SpotView(new Length(c.x()), new Length(c.y())))
                            .toList())
                    .toList();
        }
    }

    @GetMapping("/section")
    @Operation(summary = "The building cut open along a line, seen to the left of whoever walks along it")
    SectionView section(
            @PathVariable long siteId,
            @RequestParam BigDecimal fromX,
            @RequestParam BigDecimal fromY,
            @RequestParam BigDecimal toX,
            @RequestParam BigDecimal toY) {
        return SectionView.of(sheets.section(siteId, spot(fromX, fromY), spot(toX, toY)));
    }

    @GetMapping(
            path = "/handover/plan.{format}",
            produces = {"image/svg+xml", "image/vnd.dxf"})
    @Operation(summary = "The plan of a level as SVG to a scale, or as DXF in millimetres")
    ResponseEntity<byte[]> plan(
            @PathVariable long siteId,
            @PathVariable String format,
            @RequestParam(defaultValue = "0") long level,
            @RequestParam(defaultValue = "50") @Min(1) @Max(10_000) int scale) {
        var sheet = sheets.planSheet(siteId, level);
        return file(sheet, format, scale, "Plan " + sheet.title());
    }

    @GetMapping(
            path = "/handover/section.{format}",
            produces = {"image/svg+xml", "image/vnd.dxf"})
    @Operation(summary = "A section along a line as SVG to a scale, or as DXF in millimetres")
    ResponseEntity<byte[]> section(
            @PathVariable long siteId,
            @PathVariable String format,
            @RequestParam BigDecimal fromX,
            @RequestParam BigDecimal fromY,
            @RequestParam BigDecimal toX,
            @RequestParam BigDecimal toY,
            @RequestParam(defaultValue = "50") @Min(1) @Max(10_000) int scale) {
        return file(sheets.sectionSheet(siteId, spot(fromX, fromY), spot(toX, toY)), format, scale, "Section");
    }

    /** A place of the plan, millimetres. */
    private static Vec spot(BigDecimal x, BigDecimal y) {
        return Vec.of(Length.ofMillimetres(x), Length.ofMillimetres(y), Length.ZERO);
    }

    private static ResponseEntity<byte[]> file(Sheet sheet, String format, int scale, String name) {
        var bytes = SheetService.file(sheet, format, scale).getBytes(StandardCharsets.UTF_8);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(format.equals("svg") ? "image/svg+xml" : "image/vnd.dxf"))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name + "." + format, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(bytes);
    }
}
