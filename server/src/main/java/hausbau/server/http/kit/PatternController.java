package hausbau.server.http.kit;

import hausbau.core.massing.SiteSettings;
import hausbau.server.journal.Seen;
import hausbau.server.store.kit.PatternWords;
import hausbau.server.work.kit.KitService;
import hausbau.server.work.kit.PatternService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
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
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Patterns")
class PatternController {

    private final PatternService patterns;
    private final KitService kit;

    PatternController(PatternService patterns, KitService kit) {
        this.patterns = patterns;
        this.kit = kit;
    }

    /** @param rooms names of those that have it for their own, @param seams codes of pieces whose ends do not meet their neighbours' */
    record PatternView(
            @NotNull long id,
            @NotNull String name,
            @NotNull boolean used,
            @NotNull List<String> rooms,
            @NotNull PatternWords words,
            @NotNull List<String> seams) {

        static PatternView of(PatternService.Known k) {
            return new PatternView(k.id(), k.name(), k.isUsed(), k.rooms(), PatternWords.of(k.pattern()), k.seams());
        }
    }

    record NewPatternBody(Long copyOfId) {}

    /** Only what is told changes. */
    record PatternChange(String name, @Valid PatternWords words) {}

    /** @param patternId null for none */
    record UsedPatternBody(Long patternId) {}

    @GetMapping("/patterns")
    List<PatternView> all(@PathVariable long siteId) {
        return patterns.all(siteId).stream().map(PatternView::of).toList();
    }

    @PostMapping("/patterns")
    @ResponseStatus(HttpStatus.CREATED)
    PatternView create(@PathVariable long siteId, Seen seen, @Valid @RequestBody NewPatternBody body) {
        return one(siteId, patterns.create(siteId, seen, body.copyOfId()));
    }

    @PostMapping("/rooms/{roomId}/pattern")
    @Operation(summary = "Makes a pattern for one room, as its walls are now")
    @ResponseStatus(HttpStatus.CREATED)
    PatternView createFor(@PathVariable long siteId, @PathVariable long roomId, Seen seen) {
        return one(siteId, patterns.createFor(siteId, roomId, seen));
    }

    private PatternView one(long siteId, long id) {
        return all(siteId).stream().filter(p -> p.id() == id).findFirst().orElseThrow();
    }

    @PatchMapping("/patterns/{id}")
    PatternView change(
            @PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody PatternChange body) {
        patterns.change(
                siteId,
                id,
                seen,
                body.name(),
                body.words() == null ? null : body.words().toPattern());
        return one(siteId, id);
    }

    @DeleteMapping("/patterns/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        patterns.remove(siteId, id, seen);
    }

    @PutMapping("/pattern")
    @Operation(summary = "Puts a pattern to use for the site's walls, openings and posts, or none")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void use(@PathVariable long siteId, Seen seen, @Valid @RequestBody UsedPatternBody body) {
        patterns.use(siteId, body.patternId() == null ? 0 : body.patternId(), seen);
    }

    /**
     * @param bothSides        whether a wall is dressed on each side by what lies there, instead of on its room's side alone
     * @param outsidePatternId for sides that look outside; 0 for the site's
     */
    record FacingBody(@NotNull Boolean bothSides, @NotNull Long outsidePatternId) {}

    @PutMapping("/facing")
    @Operation(summary = "Says which sides of walls are dressed, and with what where they look outside")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void face(@PathVariable long siteId, Seen seen, @Valid @RequestBody FacingBody body) {
        patterns.face(siteId, new SiteSettings.Facing(body.bothSides(), body.outsidePatternId()), seen);
    }

    @GetMapping(path = "/patterns/{id}/pieces/{pieceId}/mesh.glb", produces = "model/gltf-binary")
    @Operation(summary = "A piece as this pattern would have it, binary glTF 2.0")
    ResponseEntity<byte[]> mesh(@PathVariable long siteId, @PathVariable long id, @PathVariable long pieceId) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noCache())
                .contentType(MediaType.parseMediaType("model/gltf-binary"))
                .body(kit.glb(siteId, patterns.dressed(siteId, id, pieceId)));
    }
}
