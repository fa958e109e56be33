package hausbau.server.http;

import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import hausbau.server.http.PlacementController.PlacementView;
import hausbau.server.journal.Journal;
import hausbau.server.work.SiteService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites")
@Tag(name = "Sites")
class SiteController {

    private final SiteService sites;
    private final Journal journal;

    SiteController(SiteService sites, Journal journal) {
        this.sites = sites;
        this.journal = journal;
    }

    record SiteSummary(@NotNull long id, @NotNull String name, @NotNull long revision, @NotNull Unit unit,
            @NotNull long rooms, @NotNull long placements, @NotNull Instant changedAt) {
    }

    record KitView(@NotNull List<Length> kindsMm, @NotNull Length minPieceMm, @NotNull Length maxPieceMm) {
    }

    /**
     * @param kit  absent until one is chosen
     * @param undo what undo would undo; empty if nothing
     * @param redo what redo would do again; empty if nothing
     * @param leftOut places of the massing that a hand has emptied
     */
    record SiteView(@NotNull long id, @NotNull String name, @NotNull long revision, @NotNull Unit unit, @NotNull Length stepMm,
            @NotNull Length wallMm, @NotNull Length storeyMm, @NotNull int pixelsPerMetre, @NotNull boolean tilesByCentre,
            KitView kit, @NotNull String undo, @NotNull String redo, @NotNull long leftOut) {

        static SiteView of(SiteService.Standing standing) {
            var site = standing.site();
            var s = site.settings();
            return new SiteView(site.getId(), site.name(), site.revision(), s.unit(), s.step(), s.wall(), s.storey(),
                    s.pixelsPerMetre(), s.tilesByCentre(),
                    site.kit().map(k -> new KitView(k.kinds(), k.minPiece(), k.maxPiece())).orElse(null),
                    standing.undo(), standing.redo(), standing.leftOut());
        }
    }

    /** Every field but the name may be left out: it then stays, or takes the usual value. */
    record SiteBody(@NotNull String name, Unit unit, Length stepMm, Length wallMm, Length storeyMm, Integer pixelsPerMetre,
            Boolean tilesByCentre) {

        UnaryOperator<SiteSettings> over() {
            return s -> new SiteSettings(orElse(unit, s.unit()), orElse(stepMm, s.step()), orElse(wallMm, s.wall()),
                    orElse(storeyMm, s.storey()), orElse(pixelsPerMetre, s.pixelsPerMetre()),
                    orElse(tilesByCentre, s.tilesByCentre()));
        }

        private static <T> T orElse(T told, T standing) {
            return Optional.ofNullable(told).orElse(standing);
        }
    }

    record NameBody(@NotNull String name) {
    }

    /**
     * @param all everything may have changed: fetch it anew
     */
    record NewsView(@NotNull SiteView site, @NotNull boolean all, @NotNull boolean rooms, @NotNull boolean pieces, @NotNull boolean board,
            @NotNull List<PlacementView> changed, @NotNull List<Long> removed) {
    }

    @GetMapping
    List<SiteSummary> list() {
        return sites.list().stream().map(o -> new SiteSummary(o.site().getId(), o.site().name(), o.site().revision(),
                o.site().settings().unit(), o.rooms(), o.placements(), o.site().changedAt())).toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    SiteView create(@Valid @RequestBody SiteBody body) {
        return SiteView.of(sites.create(body.name(), body.over()));
    }

    @GetMapping("/{id}")
    SiteView find(@PathVariable long id) {
        return SiteView.of(sites.find(id));
    }

    @PatchMapping("/{id}")
    SiteView change(@PathVariable long id, @RequestHeader(name = "If-Match", required = false) String ifMatch,
            @Valid @RequestBody SiteBody body) {
        return SiteView.of(sites.change(id, Seen.revision(ifMatch), body.name(), body.over()));
    }

    @PostMapping("/{id}/copies")
    @ResponseStatus(HttpStatus.CREATED)
    SiteView copy(@PathVariable long id, @Valid @RequestBody NameBody body) {
        return SiteView.of(sites.copy(id, body.name()));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable long id) {
        sites.delete(id);
    }

    @GetMapping("/{id}/news")
    @Operation(summary = "What has changed since a revision")
    NewsView news(@PathVariable long id, @RequestParam long since) {
        var news = sites.newsSince(id, since);
        return new NewsView(SiteView.of(news.standing()), news.all(), news.rooms(), news.pieces(), news.board(),
                news.changed().stream().map(PlacementView::of).toList(), news.removed());
    }

    @PostMapping("/{id}/undo")
    @Operation(summary = "Undoes the last edit; 204 if there is none")
    ResponseEntity<SiteView> undo(@PathVariable long id, @RequestHeader(name = "If-Match", required = false) String ifMatch) {
        return answer(id, journal.undo(id, Seen.revision(ifMatch)));
    }

    @PostMapping("/{id}/redo")
    @Operation(summary = "Does the last undone edit again; 204 if there is none")
    ResponseEntity<SiteView> redo(@PathVariable long id, @RequestHeader(name = "If-Match", required = false) String ifMatch) {
        return answer(id, journal.redo(id, Seen.revision(ifMatch)));
    }

    private ResponseEntity<SiteView> answer(long id, Optional<String> done) {
        return done.isEmpty() ? ResponseEntity.noContent().build() : ResponseEntity.ok(find(id));
    }
}
