package hausbau.server.http.kit;

import hausbau.core.shape.Swatch;
import hausbau.server.journal.Seen;
import hausbau.server.work.kit.MaterialService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.util.List;
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
@RequestMapping("/api/sites/{siteId}/materials")
@Tag(name = "Materials")
class MaterialController {

    private final MaterialService materials;

    MaterialController(MaterialService materials) {
        this.materials = materials;
    }

    /** @param named whether the site says what it is called, @param pixels to a side of its sheet, in all colourways, @param shared whether several swatches share it */
    record SheetMaterialView(
            @NotNull Swatch swatch,
            @NotNull String name,
            @NotNull boolean named,
            @NotNull int pixels,
            @NotNull boolean shared) {}

    /** Only what is told changes. @param name blank is as its swatch, @param pixels 256, 512, 1024, 2048 or 4096, @param place in the site's lists, from 0 */
    record MaterialChange(String name, Integer pixels, @PositiveOrZero Integer place) {}

    /** @param name blank is “material” with a number */
    record MaterialBody(@Size(max = 40) String name) {}

    record MaterialIdView(@NotNull Swatch swatch) {}

    @GetMapping
    @Operation(summary = "What surfaces are drawn in: those with a sheet to themselves, then shared sheets")
    List<SheetMaterialView> all(@PathVariable long siteId) {
        return materials.all(siteId).stream()
                .map(m -> new SheetMaterialView(
                        m.swatch(),
                        m.name(),
                        !m.name().equals(m.swatch().label()),
                        m.pixels(),
                        m.swatch().isSharedSheet()))
                .toList();
    }

    @PatchMapping("/{swatch}")
    @Operation(
            summary =
                    "Calls a material otherwise, or gives its sheet other pixels, in all colourways; what lies on it is laid out anew")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(
            @PathVariable long siteId,
            @PathVariable Swatch swatch,
            Seen seen,
            @Valid @RequestBody MaterialChange body) {
        if (body.place() != null) {
            materials.order(siteId, swatch, seen, body.place());
        }
        if (body.pixels() != null || body.name() != null) {
            materials.change(siteId, swatch, seen, body.pixels(), body.name());
        }
    }

    @PostMapping
    @Operation(summary = "Adds a material of the site's own")
    @ResponseStatus(HttpStatus.CREATED)
    MaterialIdView add(@PathVariable long siteId, Seen seen, @Valid @RequestBody MaterialBody body) {
        return new MaterialIdView(materials.add(siteId, seen, body.name() == null ? "" : body.name()));
    }

    @DeleteMapping("/{swatch}")
    @Operation(summary = "Takes a material away that nothing is made of")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable Swatch swatch, Seen seen) {
        materials.remove(siteId, swatch, seen);
    }
}
