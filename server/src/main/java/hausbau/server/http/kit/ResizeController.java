package hausbau.server.http.kit;

import hausbau.core.measure.Length;
import hausbau.core.standing.Resizing;
import hausbau.server.http.kit.KitPlanController.DoesView;
import hausbau.server.work.kit.KitPlanService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@Tag(name = "Kit")
class ResizeController {

    private final KitPlanService kit;

    ResizeController(KitPlanService kit) {
        this.kit = kit;
    }

    /** @param lengthMm along the wall, @param heightMm of its tier */
    record ResizeBody(@NotNull Length lengthMm, @NotNull Length heightMm) {}

    /** A stretch of a run, in a tier of this height. */
    record UnfitView(@NotNull String run, @NotNull Length atMm, @NotNull Length lengthMm, @NotNull Length heightMm) {

        static UnfitView of(Resizing.Stretch s) {
            return new UnfitView(s.run(), s.at(), s.length(), s.height());
        }
    }

    record AddedView(@NotNull Length lengthMm, @NotNull Length heightMm) {}

    /**
     * @param option     by which it is taken, as an option of a kit plan is
     * @param unfit      stretches that the other pieces and the new one do not fill
     * @param added      what is added so that they are filled
     * @param kinds      every derived kind that would stand
     * @param placements every derived placement
     */
    record ResizedView(
            @NotNull String option,
            @NotNull List<UnfitView> unfit,
            @NotNull List<AddedView> added,
            @NotNull int kindsNow,
            @NotNull int kinds,
            @NotNull long placementsNow,
            @NotNull long placements,
            @NotNull DoesView does) {

        static ResizedView of(KitPlanService.Resized r) {
            return new ResizedView(
                    r.resizing().choice().word(),
                    r.resizing().unfit().stream().map(UnfitView::of).toList(),
                    r.resizing().added().stream()
                            .map(s -> new AddedView(s.length(), s.height()))
                            .toList(),
                    r.kindsNow(),
                    r.kinds(),
                    r.placementsNow(),
                    r.placements(),
                    DoesView.of(r.does()));
        }
    }

    @PostMapping("/api/sites/{siteId}/pieces/{pieceId}/resized")
    @Operation(
            summary =
                    "The site's kit with one of its pieces of wall in another size, the others kept; nothing is changed")
    ResizedView resize(
            @PathVariable long siteId,
            @PathVariable long pieceId,
            @Valid @RequestBody ResizeBody body,
            @RequestParam(required = false) String token) {
        return ResizedView.of(
                kit.resize(siteId, pieceId, body.lengthMm(), body.heightMm(), KitPlanController.word(token)));
    }
}
