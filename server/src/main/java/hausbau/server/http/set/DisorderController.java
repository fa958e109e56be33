package hausbau.server.http.set;

import hausbau.core.hand.Disorder;
import hausbau.core.measure.Length;
import hausbau.core.place.Place;
import hausbau.server.journal.Seen;
import hausbau.server.work.set.DisorderService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
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
@RequestMapping("/api/sites/{siteId}/placements")
@Tag(name = "Placements")
class DisorderController {

    private final DisorderService disorder;

    DisorderController(DisorderService disorder) {
        this.disorder = disorder;
    }

    /**
     * What is not told is 0, the seed 1.
     *
     * @param toppled chance, percent
     * @param leftOut chance, percent
     */
    record DisorderBody(
            @NotNull List<@NotNull String> ids,
            Length shiftMm,
            Integer turnDegrees,
            Integer tiltDegrees,
            Integer toppled,
            Integer leftOut,
            Long seed) {

        Disorder disorder() {
            return new Disorder(
                    Optional.ofNullable(shiftMm).orElse(Length.ZERO),
                    or(turnDegrees),
                    or(tiltDegrees),
                    or(toppled),
                    or(leftOut),
                    Optional.ofNullable(seed).orElse(1L));
        }

        private static int or(Integer told) {
            return Optional.ofNullable(told).orElse(0);
        }
    }

    record OrderBody(@NotNull List<@NotNull String> ids) {}

    private static List<Place> places(List<String> ids) {
        return ids.stream().map(Place::parse).toList();
    }

    @PostMapping("/disorder")
    @Operation(
            summary =
                    "Shifts, turns, tilts, topples or leaves out placements by a seed, from where they stood in order")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void disturb(@PathVariable long siteId, Seen seen, @Valid @RequestBody DisorderBody body) {
        disorder.disturb(siteId, seen, places(body.ids()), body.disorder());
    }

    @PostMapping("/order")
    @Operation(summary = "Puts what is in disorder back where it stood first")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void order(@PathVariable long siteId, Seen seen, @Valid @RequestBody OrderBody body) {
        disorder.order(siteId, seen, places(body.ids()));
    }
}
