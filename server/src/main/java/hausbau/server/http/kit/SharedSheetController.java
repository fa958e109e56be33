package hausbau.server.http.kit;

import hausbau.core.finish.Coat.Layer;
import hausbau.core.finish.Maps;
import hausbau.core.finish.SharedSheet.Placed;
import hausbau.core.measure.Length;
import hausbau.core.shape.Patch;
import hausbau.core.shape.Swatch;
import hausbau.server.journal.Seen;
import hausbau.server.work.kit.ColourwayService;
import hausbau.server.work.kit.SharedSheetService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
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
@RequestMapping("/api/sites/{siteId}/shared-sheets")
@Tag(name = "Shared sheets")
class SharedSheetController {

    private final SharedSheetService sheets;
    private final ColourwayService colourways;

    SharedSheetController(SharedSheetService sheets, ColourwayService colourways) {
        this.sheets = sheets;
        this.colourways = colourways;
    }

    /** A swatch on the sheet, in cells from its left and its top. */
    record PlacedView(
            @NotNull Swatch swatch,
            @NotNull String name,
            @NotNull Patch.Kind kind,
            @NotNull int x,
            @NotNull int y,
            @NotNull int width,
            @NotNull int height,
            @NotNull Map<Layer, Long> pictures,
            @NotNull int roughness,
            @NotNull int metallic) {

        static PlacedView of(Placed p) {
            return new PlacedView(
                    p.swatch(),
                    p.name(),
                    p.kind(),
                    p.x(),
                    p.y(),
                    p.width(),
                    p.height(),
                    p.pictures(),
                    p.roughness(),
                    p.metallic());
        }
    }

    /** @param pixels to a side, @param widthMm on a piece, @param free cells that nothing lies on, @param sheet tells one state of its pictures from another */
    record SharedSheetView(
            @NotNull Swatch material,
            @NotNull int pixels,
            @NotNull Length widthMm,
            @NotNull int cells,
            @NotNull int free,
            @NotNull String sheet,
            @NotNull List<PlacedView> placed) {}

    /** Only what is told changes; a new one is put where there is room, as large as its picture. A picture of 0 is taken out. */
    record PlacedBody(
            String name,
            Patch.Kind kind,
            Integer x,
            Integer y,
            Integer width,
            Integer height,
            Map<Layer, @NotNull Long> pictures,
            Integer roughness,
            Integer metallic) {

        SharedSheetService.Words words() {
            return new SharedSheetService.Words(name, kind, x, y, width, height, pictures, roughness, metallic);
        }
    }

    /** Only what is told changes. @param pixels to a side */
    record SharedSheetChange(Integer cells, Integer pixels) {}

    record SharedSheetIdView(@NotNull Swatch material) {}

    record PlacedIdView(@NotNull Swatch swatch) {}

    @GetMapping
    @Operation(summary = "The sheets that several swatches share")
    List<SharedSheetView> all(@PathVariable long siteId) {
        var finish = colourways.finish(siteId);
        return sheets.all(siteId).stream()
                .map(known -> {
                    var sheet = known.sheet();
                    return new SharedSheetView(
                            sheet.material(),
                            sheet.side(),
                            ColourwayController.millimetres(finish.sheetWidth(sheet.material())),
                            sheet.cells(),
                            sheet.free(),
                            known.tag(),
                            sheet.placed().stream().map(PlacedView::of).toList());
                })
                .toList();
    }

    @PostMapping
    @Operation(summary = "Begins another sheet")
    @ResponseStatus(HttpStatus.CREATED)
    SharedSheetIdView begin(@PathVariable long siteId, Seen seen) {
        return new SharedSheetIdView(sheets.begin(siteId, seen));
    }

    @PatchMapping("/{material}")
    @Operation(summary = "A finer or coarser grid, or more or fewer pixels; all stays in its place")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(
            @PathVariable long siteId,
            @PathVariable Swatch material,
            Seen seen,
            @Valid @RequestBody SharedSheetChange body) {
        sheets.change(siteId, material, seen, body.cells(), body.pixels());
    }

    @DeleteMapping("/{material}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable Swatch material, Seen seen) {
        sheets.remove(siteId, material, seen);
    }

    @PostMapping("/{material}/swatches")
    @ResponseStatus(HttpStatus.CREATED)
    PlacedIdView add(
            @PathVariable long siteId, @PathVariable Swatch material, Seen seen, @Valid @RequestBody PlacedBody body) {
        return new PlacedIdView(sheets.add(siteId, material, seen, body.words()));
    }

    @PatchMapping("/swatches/{swatch}")
    @Operation(summary = "Moves or changes a swatch; what is made of it follows")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(
            @PathVariable long siteId, @PathVariable Swatch swatch, Seen seen, @Valid @RequestBody PlacedBody body) {
        sheets.change(siteId, swatch, seen, body.words());
    }

    @DeleteMapping("/swatches/{swatch}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeOff(@PathVariable long siteId, @PathVariable Swatch swatch, Seen seen) {
        sheets.takeOff(siteId, swatch, seen);
    }

    @PostMapping("/{material}/pack")
    @Operation(summary = "Lays all of them anew, without room between them as far as may be")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void pack(@PathVariable long siteId, @PathVariable Swatch material, Seen seen) {
        sheets.pack(siteId, material, seen);
    }

    @GetMapping(path = "/{material}/{picture}.png", produces = MediaType.IMAGE_PNG_VALUE)
    @Operation(
            summary =
                    "COLOUR, NORMAL or SURFACE (occlusion, roughness, metallic); of its own pixels where no side is told")
    ResponseEntity<byte[]> picture(
            @PathVariable long siteId,
            @PathVariable Swatch material,
            @PathVariable Maps.Kind picture,
            @RequestParam(required = false) String as,
            @RequestParam(required = false) Integer side) {
        var known = sheets.find(siteId, material);
        var files = sheets.pictures(
                known.sheet(), side == null ? known.sheet().side() : ColourwayController.requireSide(side));
        return ResponseEntity.ok()
                .cacheControl(ColourwayController.keep(known.tag().equals(as)))
                .contentType(MediaType.IMAGE_PNG)
                .body(files.of(picture));
    }
}
