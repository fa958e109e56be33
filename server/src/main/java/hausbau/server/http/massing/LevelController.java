package hausbau.server.http.massing;

import hausbau.core.massing.Level;
import hausbau.core.measure.Length;
import hausbau.server.journal.Seen;
import hausbau.server.work.massing.LevelService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}/levels")
@Tag(name = "Levels")
class LevelController {

    private final LevelService levels;

    LevelController(LevelService levels) {
        this.levels = levels;
    }

    /** @param storeyMm from its floor to the floor above, slab included */
    record LevelView(@NotNull long id, @NotNull String name, @NotNull Length floorMm, @NotNull Length storeyMm) {

        static LevelView of(Level l) {
            return new LevelView(l.id(), l.name(), new Length(l.floor()), l.storey());
        }
    }

    /** Left out: on top of the highest level, as high as that. */
    record LevelBody(String name, Length floorMm, Length storeyMm) {}

    @PostMapping
    @Operation(summary = "Adds a level")
    @ResponseStatus(HttpStatus.CREATED)
    LevelView add(@PathVariable long siteId, Seen seen, @Valid @RequestBody LevelBody body) {
        return LevelView.of(levels.add(siteId, seen, (id, all) -> {
            var top = all.get(all.size() - 1);
            return new Level(
                    id,
                    orElse(body.name(), "Level " + all.size()),
                    body.floorMm() == null ? top.top() : body.floorMm().um(),
                    orElse(body.storeyMm(), top.storey()));
        }));
    }

    @PatchMapping("/{levelId}")
    @Operation(summary = "Changes a level; what is on it goes up and down with its floor")
    LevelView change(
            @PathVariable long siteId, @PathVariable long levelId, Seen seen, @Valid @RequestBody LevelBody body) {
        return LevelView.of(levels.change(
                siteId,
                levelId,
                seen,
                l -> new Level(
                        l.id(),
                        orElse(body.name(), l.name()),
                        body.floorMm() == null ? l.floor() : body.floorMm().um(),
                        orElse(body.storeyMm(), l.storey()))));
    }

    /** @param up whether it goes above the level right over it, or under the one right below it */
    record LevelMove(@NotNull Boolean up) {}

    @PostMapping("/{levelId}/move")
    @Operation(summary = "Puts a level in the place of the one over or under it")
    LevelView move(
            @PathVariable long siteId, @PathVariable long levelId, Seen seen, @Valid @RequestBody LevelMove body) {
        return LevelView.of(levels.move(siteId, levelId, seen, body.up()));
    }

    @DeleteMapping("/{levelId}")
    @Operation(summary = "Removes a level with the rooms on it")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable long levelId, Seen seen) {
        levels.remove(siteId, levelId, seen);
    }

    @PostMapping("/{levelId}/copies")
    @Operation(summary = "Copies a level with all that is on it, to stand on top of it")
    @ResponseStatus(HttpStatus.CREATED)
    LevelView copy(@PathVariable long siteId, @PathVariable long levelId, Seen seen) {
        return LevelView.of(levels.copy(siteId, levelId, seen));
    }

    private static <T> T orElse(T told, T standing) {
        return Optional.ofNullable(told).orElse(standing);
    }
}
