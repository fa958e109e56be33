package hausbau.server.http.kit;

import hausbau.core.advice.Change;
import hausbau.core.advice.KitAdvice;
import hausbau.core.massing.Building;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Unit;
import hausbau.server.journal.Seen;
import hausbau.server.work.kit.KitService;
import hausbau.server.work.massing.MassingService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.function.Predicate;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}/kit-advice")
@Tag(name = "Kit")
class AdviceController {

    private final KitService kit;
    private final MassingService massing;

    AdviceController(KitService kit, MassingService massing) {
        this.kit = kit;
        this.massing = massing;
    }

    /**
     * A change of one room or of one opening; only what changes is there.
     *
     * @param widthMm of the opening, or of the room from west to east
     * @param depthMm of the room, from south to north
     */
    record ChangeView(
            Long roomId, Long openingId, Length heightMm, Length widthMm, Length depthMm, Length atMm, Length sillMm) {

        static ChangeView of(Change change) {
            if (change instanceof Change.RoomHeight c) {
                return new ChangeView(c.room().id(), null, c.height(), null, null, null, null);
            }
            if (change instanceof Change.RoomSize c) {
                return new ChangeView(c.room().id(), null, null, c.width(), c.depth(), null, null);
            }
            if (change instanceof Change.OpeningAt c) {
                return new ChangeView(null, c.opening().id(), null, null, null, c.at(), null);
            }
            var c = (Change.OpeningSize) change;
            return new ChangeView(null, c.opening().id(), c.height(), c.width(), null, null, c.sill());
        }

        /** @throws Refused if it is none, or changes something that is not there */
        Change in(Building building) {
            if (roomId != null) {
                var room = find(building.rooms(), r -> r.id() == roomId);
                if (heightMm != null && widthMm == null && depthMm == null) {
                    return new Change.RoomHeight(room, heightMm);
                }
                if (heightMm == null && widthMm != null && depthMm != null) {
                    return new Change.RoomSize(room, widthMm, depthMm);
                }
            } else if (openingId != null) {
                var opening = find(building.openings(), o -> o.id() == openingId);
                var room = find(building.rooms(), r -> r.id() == opening.roomId());
                if (atMm != null && widthMm == null && heightMm == null) {
                    return new Change.OpeningAt(opening, room, atMm);
                }
                if (atMm == null && widthMm != null && heightMm != null && sillMm != null) {
                    return new Change.OpeningSize(opening, room, widthMm, heightMm, sillMm);
                }
            }
            throw new Refused(
                    "changes",
                    "A change tells a room and its height or both sides, or an opening and its place or its size and sill.");
        }

        private static <T> T find(List<T> all, Predicate<T> which) {
            return all.stream()
                    .filter(which)
                    .findFirst()
                    .orElseThrow(() -> new Refused("changes", "What this changes is not there any more."));
        }
    }

    /**
     * @param text            the change in words
     * @param changes         what to send to take it
     * @param kindsSaved      how many kinds fewer the smallest kit has then
     * @param kinds           of walls, posts and panels that the smallest kit has then
     * @param placementsSaved how many pieces fewer a kit of as many kinds as the recommended one has
     */
    record AdviceView(
            @NotNull String text,
            @NotNull List<ChangeView> changes,
            @NotNull int kindsSaved,
            @NotNull int kinds,
            @NotNull long placementsSaved) {

        static AdviceView of(KitAdvice.Advice a, Unit unit) {
            return new AdviceView(
                    a.change().describe(unit),
                    a.change().parts().stream().map(ChangeView::of).toList(),
                    a.kindsSaved(),
                    a.kinds(),
                    a.placementsSaved());
        }
    }

    /** @param changes at least one, of different things */
    record TakenBody(@NotNull @Size(min = 1, max = 500) List<@NotNull ChangeView> changes) {}

    @PutMapping
    @Operation(summary = "Takes changes of rooms and openings in one step that can be undone")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void take(@PathVariable long siteId, Seen seen, @Valid @RequestBody TakenBody body) {
        massing.take(siteId, seen, building -> {
            var changes = body.changes().stream().map(c -> c.in(building)).toList();
            return changes.size() == 1 ? changes.get(0) : new Change.Together(changes);
        });
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
