package hausbau.server.http;

import hausbau.core.finish.Coat.Layer;
import hausbau.core.finish.Maps;
import hausbau.core.finish.SharedSheet.Placed;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Patch;
import hausbau.core.shape.Swatch;
import hausbau.server.journal.Seen;
import hausbau.server.work.SharedSheetService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.springframework.http.CacheControl;
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
@RequestMapping("/api/sites/{siteId}/shared-sheet")
@Tag(name = "Shared sheet")
class SharedSheetController {

    private final SharedSheetService sheets;

    SharedSheetController(SharedSheetService sheets) {
        this.sheets = sheets;
    }

    /** A swatch on the sheet, in cells from its left and its top. */
    record PlacedView(@NotNull Swatch swatch, @NotNull String name, @NotNull Patch.Kind kind, @NotNull int x, @NotNull int y, @NotNull int width, @NotNull int height,
            @NotNull Map<Layer, Long> pictures, @NotNull int roughness, @NotNull int metallic) {

        static PlacedView of(Placed p) {
            return new PlacedView(p.swatch(), p.name(), p.kind(), p.x(), p.y(), p.width(), p.height(), p.pictures(), p.roughness(), p.metallic());
        }
    }

    /** @param sheet tells one state of its pictures from another, @param free cells that nothing lies on */
    record SharedSheetView(@NotNull int cells, @NotNull int free, @NotNull String sheet, @NotNull List<PlacedView> placed) {
    }

    /** Only what is told changes; a new one is put where there is room, as large as its picture. A picture of 0 is taken out. */
    record PlacedBody(String name, Patch.Kind kind, Integer x, Integer y, Integer width, Integer height, Map<Layer, @NotNull Long> pictures, Integer roughness, Integer metallic) {

        SharedSheetService.Words words() {
            return new SharedSheetService.Words(name, kind, x, y, width, height, pictures, roughness, metallic);
        }
    }

    record CellsBody(@NotNull int cells) {
    }

    record PlacedIdView(@NotNull Swatch swatch) {
    }

    @GetMapping
    @Operation(summary = "The sheet that several swatches share")
    SharedSheetView find(@PathVariable long siteId) {
        var known = sheets.find(siteId);
        return new SharedSheetView(known.sheet().cells(), known.sheet().free(), known.tag(), known.sheet().placed().stream().map(PlacedView::of).toList());
    }

    @PostMapping("/swatches")
    @ResponseStatus(HttpStatus.CREATED)
    PlacedIdView add(@PathVariable long siteId, Seen seen, @Valid @RequestBody PlacedBody body) {
        return new PlacedIdView(sheets.add(siteId, seen, body.words()));
    }

    @PatchMapping("/swatches/{swatch}")
    @Operation(summary = "Moves or changes a swatch; what is made of it follows")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable long siteId, @PathVariable Swatch swatch, Seen seen, @Valid @RequestBody PlacedBody body) {
        sheets.change(siteId, swatch, seen, body.words());
    }

    @DeleteMapping("/swatches/{swatch}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable Swatch swatch, Seen seen) {
        sheets.remove(siteId, swatch, seen);
    }

    @PatchMapping
    @Operation(summary = "A finer or coarser grid")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void cells(@PathVariable long siteId, Seen seen, @Valid @RequestBody CellsBody body) {
        sheets.cells(siteId, seen, body.cells());
    }

    @PostMapping("/pack")
    @Operation(summary = "Lays all of them anew, without room between them as far as may be")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void pack(@PathVariable long siteId, Seen seen) {
        sheets.pack(siteId, seen);
    }

    @GetMapping(path = "/{picture}.png", produces = MediaType.IMAGE_PNG_VALUE)
    @Operation(summary = "COLOUR, NORMAL or SURFACE (occlusion, roughness, metallic)")
    ResponseEntity<byte[]> picture(@PathVariable long siteId, @PathVariable Maps.Kind picture, @RequestParam(required = false) String as, @RequestParam(defaultValue = "" + Finish.SHEET_PIXELS) int side) {
        if (side < 64 || side > Finish.SHEET_PIXELS || Integer.bitCount(side) != 1) {
            throw new Refused("side", "A sheet is 64, 128, 256, 512 or 1024 pixels wide.");
        }
        var known = sheets.find(siteId);
        var keep = known.tag().equals(as) ? CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable() : CacheControl.noCache();
        return ResponseEntity.ok().cacheControl(keep).contentType(MediaType.IMAGE_PNG).body(sheets.pictures(known.sheet(), side).of(picture));
    }
}
