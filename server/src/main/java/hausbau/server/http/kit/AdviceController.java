package hausbau.server.http.kit;

import hausbau.core.advice.Change;
import hausbau.core.advice.KitAdvice;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import hausbau.server.work.kit.KitService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}/kit-advice")
@Tag(name = "Kit")
class AdviceController {

    private final KitService kit;

    AdviceController(KitService kit) {
        this.kit = kit;
    }

    /** What to send to take it: to the room, or to the opening; only what changes is there. */
    record ChangeView(Length heightMm, Length atMm, Length widthMm, Length sillMm) {}

    /**
     * @param text            the change in words
     * @param roomId          of the room to change; null for an opening
     * @param openingId       of the opening to change; null for a room
     * @param kindsSaved      how many kinds fewer the smallest kit has then
     * @param kinds           of walls, posts and panels that the smallest kit has then
     * @param placementsSaved how many pieces fewer a kit of as many kinds as the recommended one has
     */
    record AdviceView(
            @NotNull String text,
            Long roomId,
            Long openingId,
            @NotNull ChangeView change,
            @NotNull int kindsSaved,
            @NotNull int kinds,
            @NotNull long placementsSaved) {

        static AdviceView of(KitAdvice.Advice a, Unit unit) {
            var change = a.change();
            var text = change.describe(unit);
            if (change instanceof Change.RoomHeight c) {
                return new AdviceView(
                        text,
                        c.room().id(),
                        null,
                        new ChangeView(c.height(), null, null, null),
                        a.kindsSaved(),
                        a.kinds(),
                        a.placementsSaved());
            }
            if (change instanceof Change.OpeningAt c) {
                return new AdviceView(
                        text,
                        null,
                        c.opening().id(),
                        new ChangeView(null, c.at(), null, null),
                        a.kindsSaved(),
                        a.kinds(),
                        a.placementsSaved());
            }
            var c = (Change.OpeningSize) change;
            return new AdviceView(
                    text,
                    null,
                    c.opening().id(),
                    new ChangeView(c.height(), null, c.width(), c.sill()),
                    a.kindsSaved(),
                    a.kinds(),
                    a.placementsSaved());
        }
    }

    @PostMapping
    @Operation(summary = "Changes of rooms and openings that make the kit smaller, each worked out in full")
    List<AdviceView> advice(
            @PathVariable long siteId,
            @Valid @RequestBody KitRulesBody body,
            @RequestParam(required = false) String token) {
        var unit = kit.state(siteId).settings().unit();
        return kit.advice(siteId, body.toRules(), KitController.word(token)).stream()
                .map(a -> AdviceView.of(a, unit))
                .toList();
    }
}
