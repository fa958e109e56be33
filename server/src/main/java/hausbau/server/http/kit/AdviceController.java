package hausbau.server.http.kit;

import hausbau.core.advice.Change;
import hausbau.core.advice.KitAdvice;
import hausbau.core.massing.Building;
import hausbau.core.massing.Level;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Unit;
import hausbau.server.journal.Seen;
import hausbau.server.work.kit.KitPlanService;
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

    private final KitPlanService kit;
    private final MassingService massing;

    AdviceController(KitPlanService kit, MassingService massing) {
        this.kit = kit;
        this.massing = massing;
    }

    /**
     * A change of one room, one opening or one level; only what changes is there.
     *
     * @param widthMm   of the opening, or of the room from west to east
     * @param depthMm   of the room, from south to north
     * @param patternId that the room is to be under, 0 for the site's
     * @param levelId   of the level whose floor is to lie at {@code floorMm}
     */
    record ChangeView(
            Long roomId,
            Long openingId,
            Length heightMm,
            Length widthMm,
            Length depthMm,
            Length atMm,
            Length sillMm,
            Long patternId,
            Long levelId,
            Length floorMm) {

        private static ChangeView ofRoom(long id, Length height, Length width, Length depth, Long pattern) {
            return new ChangeView(id, null, height, width, depth, null, null, pattern, null, null);
        }

        private static ChangeView ofOpening(long id, Length height, Length width, Length at, Length sill) {
            return new ChangeView(null, id, height, width, null, at, sill, null, null, null);
        }

        static ChangeView of(Change.One change) {
            if (change instanceof Change.RoomHeight c) {
                return ofRoom(c.thing(), c.height(), null, null, null);
            }
            if (change instanceof Change.RoomSize c) {
                return ofRoom(c.thing(), null, c.width(), c.depth(), null);
            }
            if (change instanceof Change.RoomPattern c) {
                return ofRoom(c.thing(), null, null, null, c.look());
            }
            if (change instanceof Change.OpeningAt c) {
                return ofOpening(c.thing(), null, null, c.at(), null);
            }
            if (change instanceof Change.OpeningSize c) {
                return ofOpening(c.thing(), c.height(), c.width(), null, c.sill());
            }
            var c = (Change.LevelFloor) change;
            var floor = new Length(c.level().floor() + c.by());
            return new ChangeView(null, null, null, null, null, null, null, null, c.thing(), floor);
        }

        /** @throws Refused if it is none, or changes something that is not there */
        Change.One in(Building building, List<Level> levels, Unit unit) {
            if (levelId != null && floorMm != null) {
                var level = find(levels, l -> l.id() == levelId && l.id() != 0);
                return new Change.LevelFloor(level, floorMm.um() - level.floor(), unit);
            }
            if (roomId != null) {
                var room = find(building.rooms(), r -> r.id() == roomId);
                if (patternId != null) {
                    return new Change.RoomPattern(room, patternId, patternId == 0 ? "the site’s pattern" : "a pattern");
                }
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
                    "A change tells a room and its height, both sides or its pattern, an opening and its place or its size and sill, or a level and its floor.");
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
        var unit = kit.state(siteId).settings().unit();
        massing.take(siteId, seen, (building, levels) -> {
            var changes = body.changes().stream()
                    .map(c -> c.in(building, levels, unit))
                    .toList();
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
        return kit.advice(siteId, body.toRules(), KitPlanController.word(token)).stream()
                .map(a -> AdviceView.of(a, unit))
                .toList();
    }
}
