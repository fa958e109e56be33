package hausbau.server.http.kit;

import hausbau.core.finish.Maps;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Swatch;
import hausbau.server.http.board.BoardController;
import hausbau.server.journal.Seen;
import hausbau.server.store.kit.CoatWords;
import hausbau.server.work.kit.ColourwayService;
import hausbau.server.work.kit.SheetShelf;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Colourways")
class ColourwayController {

    private final ColourwayService colourways;

    ColourwayController(ColourwayService colourways) {
        this.colourways = colourways;
    }

    /**
     * @param pixels to a side of its sheet, in all colourways, @param widthMm of that on a piece
     * @param sheet tells one state of its pictures from another
     * @param fittedXMm and @param fittedYMm what units are fitted to, so that the sheet tiles
     * @param units whether it is made of units of a size, and @param joints whether they are laid in rows with joints
     */
    record CoatView(
            @NotNull Swatch swatch,
            @NotNull CoatWords words,
            @NotNull int pixels,
            @NotNull Length widthMm,
            @NotNull String sheet,
            @NotNull Length fittedXMm,
            @NotNull Length fittedYMm,
            @NotNull boolean units,
            @NotNull boolean joints) {}

    /** @param id 0 is what a site has before one is made */
    record ColourwayView(@NotNull long id, @NotNull String name, @NotNull boolean used, @NotNull List<CoatView> coats) {

        static ColourwayView of(ColourwayService.Known k, List<Swatch> materials, Finish finish) {
            return new ColourwayView(
                    k.id(),
                    k.name(),
                    k.isUsed(),
                    materials.stream()
                            .map(material -> {
                                var coat = k.colourway().coat(material);
                                var sheet = finish.sheetWidth(material);
                                return new CoatView(
                                        material,
                                        CoatWords.of(coat),
                                        finish.sheets().side(material),
                                        millimetres(sheet),
                                        SheetShelf.tag(coat, sheet),
                                        millimetres(sheet / coat.across(sheet)),
                                        millimetres(sheet / coat.rows(sheet)),
                                        coat.grain().hasUnits(),
                                        coat.grain().hasJoints());
                            })
                            .toList());
        }
    }

    static Length millimetres(double mm) {
        return new Length(Math.round(mm * 1000));
    }

    record NewColourwayBody(Long copyOfId) {}

    /** Only what is told changes. */
    record ColourwayChange(String name, Map<Swatch, @NotNull @Valid CoatWords> coats) {}

    /** @param colourwayId 0 for what a site has before one is made */
    record UsedColourwayBody(@NotNull long colourwayId) {}

    @GetMapping("/colourways")
    List<ColourwayView> all(@PathVariable long siteId) {
        var finish = colourways.finish(siteId);
        var materials = colourways.materials(siteId);
        return colourways.all(siteId).stream()
                .map(k -> ColourwayView.of(k, materials, finish))
                .toList();
    }

    private ColourwayView one(long siteId, long id) {
        return all(siteId).stream().filter(c -> c.id() == id).findFirst().orElseThrow();
    }

    @PostMapping("/colourways")
    @Operation(summary = "A copy of a colourway, or of the one in use")
    @ResponseStatus(HttpStatus.CREATED)
    ColourwayView create(@PathVariable long siteId, Seen seen, @Valid @RequestBody NewColourwayBody body) {
        return one(siteId, colourways.create(siteId, seen, body.copyOfId()));
    }

    @PatchMapping("/colourways/{id}")
    ColourwayView change(
            @PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody ColourwayChange body) {
        colourways.change(siteId, id, seen, body.name(), Objects.requireNonNullElse(body.coats(), Map.of()));
        return one(siteId, id);
    }

    record PictureIdView(@NotNull long mediaId) {}

    @PostMapping(
            path = "/finish-pictures",
            consumes = {"image/*", MediaType.APPLICATION_OCTET_STREAM_VALUE})
    @Operation(summary = "Keeps a picture for finishes: PNG, JPEG or WebP, as it is, in the body")
    @ResponseStatus(HttpStatus.CREATED)
    PictureIdView addPicture(@PathVariable long siteId, HttpServletRequest request) throws IOException {
        return new PictureIdView(colourways.addPicture(siteId, BoardController.picture(request)));
    }

    @DeleteMapping("/colourways/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        colourways.remove(siteId, id, seen);
    }

    @PutMapping("/colourway")
    @Operation(summary = "Puts a colourway to use for the site; no mesh changes by that")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void use(@PathVariable long siteId, Seen seen, @Valid @RequestBody UsedColourwayBody body) {
        colourways.use(siteId, body.colourwayId(), seen);
    }

    @GetMapping(path = "/colourways/{id}/{swatch}/{picture}.png", produces = MediaType.IMAGE_PNG_VALUE)
    @Operation(
            summary =
                    "A picture of the sheet that a swatch is on: COLOUR, NORMAL or SURFACE (occlusion, roughness, metallic); of its own pixels where no side is told")
    ResponseEntity<byte[]> picture(
            @PathVariable long siteId,
            @PathVariable long id,
            @PathVariable Swatch swatch,
            @PathVariable Maps.Kind picture,
            @RequestParam(required = false) String as,
            @RequestParam(required = false) Integer side) {
        var made = colourways.made(siteId, id, swatch);
        var files = colourways.pictures(made, side == null ? made.pixels() : requireSide(side));
        return ResponseEntity.ok()
                .cacheControl(keep(made.tag().equals(as)))
                .contentType(MediaType.IMAGE_PNG)
                .body(files.of(picture));
    }

    static int requireSide(int side) {
        if (side < 64 || side > 4096 || Integer.bitCount(side) != 1) {
            throw new Refused(
                    "side", "A sheet is asked for with 64, 128, 256, 512, 1024, 2048 or 4096 pixels to a side.");
        }
        return side;
    }

    /** Asked for by its tag it never changes; else it is asked for again. */
    static CacheControl keep(boolean isByTag) {
        return isByTag
                ? CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable()
                : CacheControl.noCache();
    }
}
