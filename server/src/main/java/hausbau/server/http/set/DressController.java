package hausbau.server.http.set;

import hausbau.core.dress.Dress;
import hausbau.core.place.Place;
import hausbau.server.journal.Seen;
import hausbau.server.work.set.DressService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Objects;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}/dresses")
@Tag(name = "Dresses")
public class DressController {

    private final DressService dresses;

    DressController(DressService dresses) {
        this.dresses = dresses;
    }

    /** @param tint empty, @param wear and @param lamps below 0 and @param colourwayId 0 where nothing is told */
    public record DressView(
            @NotNull List<@NotNull String> ids,
            @NotNull List<@NotNull Long> roomIds,
            @NotNull String tint,
            @NotNull int wear,
            @NotNull long colourwayId,
            @NotNull int lamps) {

        static DressView of(DressService.Dressed d) {
            return new DressView(
                    d.pieces().stream().map(Place::toString).toList(),
                    d.rooms(),
                    d.dress().tint(),
                    d.dress().wear(),
                    d.dress().colourway(),
                    d.dress().lamps());
        }
    }

    /** Only what is told changes. @param tint empty, @param wear and @param lamps {@value Dress#UNTOLD} and @param colourwayId 0: nothing is told any more */
    record DressBody(
            List<@NotNull String> ids,
            List<@NotNull Long> roomIds,
            String tint,
            Integer wear,
            Long colourwayId,
            Integer lamps) {}

    @GetMapping
    public List<DressView> all(@PathVariable long siteId) {
        return dresses.all(siteId).stream().map(DressView::of).toList();
    }

    @PatchMapping
    @Operation(summary = "Tint, wear, colourway and lamps of placements, or of all that is in rooms")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable long siteId, Seen seen, @Valid @RequestBody DressBody body) {
        dresses.change(
                siteId,
                seen,
                Objects.requireNonNullElse(body.ids(), List.<String>of()).stream()
                        .map(Place::parse)
                        .toList(),
                Objects.requireNonNullElse(body.roomIds(), List.of()),
                new DressService.Change(body.tint(), body.wear(), body.colourwayId(), body.lamps()));
    }
}
