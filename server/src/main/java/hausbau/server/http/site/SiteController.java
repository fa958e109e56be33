package hausbau.server.http.site;

import hausbau.core.exchange.ChunkBytes;
import hausbau.core.massing.Corners;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import hausbau.server.http.Feed;
import hausbau.server.http.kit.KitRulesBody;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Maker;
import hausbau.server.journal.Seen;
import hausbau.server.work.handover.HandoverService;
import hausbau.server.work.site.SitePictures;
import hausbau.server.work.site.SiteService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
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
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

@RestController
@RequestMapping("/api/sites")
@Tag(name = "Sites")
public class SiteController {

    private static final int PICTURE_WIDTH = 168;
    private static final int PICTURE_HEIGHT = 112;

    private final SiteService sites;
    private final Journal journal;
    private final HandoverService handover;
    private final Feed feed;
    private final SitePictures pictures;

    SiteController(SiteService sites, Journal journal, HandoverService handover, Feed feed, SitePictures pictures) {
        this.pictures = pictures;
        this.handover = handover;
        this.feed = feed;
        this.sites = sites;
        this.journal = journal;
    }

    record SiteSummary(
            @NotNull long id,
            @NotNull String name,
            @NotNull long revision,
            @NotNull Unit unit,
            @NotNull long rooms,
            @NotNull long placements,
            @NotNull Instant changedAt) {}

    /** @param option its id as an option of a kit plan, @param stepMm the step it was worked out on */
    record KitView(
            @NotNull String option,
            @NotNull Length stepMm,
            @NotNull List<Length> kindsMm,
            @NotNull List<Length> tilesMm,
            @NotNull KitRulesBody rules) {}

    /**
     * @param bothSides whether walls are dressed on both sides
     * @param outsidePatternId the pattern of sides that look outside, 0 the site's
     * @param kit  absent until one is chosen
     * @param undo what undo would undo, one's own last step; empty if nothing
     * @param redo what redo would do again; empty if nothing
     * @param others the last step of all where another made it, which is undone with {@code anyones=true}; empty else
     * @param leftOut derived pieces that a hand took away
     * @param lost what a hand changed and whose place is gone
     */
    public record SiteView(
            @NotNull long id,
            @NotNull String name,
            @NotNull long revision,
            @NotNull Unit unit,
            @NotNull Length stepMm,
            @NotNull Length wallMm,
            @NotNull Length storeyMm,
            @NotNull int pixelsPerMetre,
            @NotNull boolean tilesByCentre,
            @NotNull boolean tilesTurned,
            @NotNull boolean tilesMirrored,
            @NotNull boolean skins,
            @NotNull Length guardDropMm,
            @NotNull Corners.Kind corners,
            @NotNull Length cornerLegMm,
            @NotNull boolean bothSides,
            @NotNull long outsidePatternId,
            KitView kit,
            @NotNull String undo,
            @NotNull String redo,
            @NotNull String others,
            @NotNull long leftOut,
            @NotNull long lost) {

        public static SiteView of(SiteService.Standing standing) {
            var site = standing.site();
            var s = site.settings();
            return new SiteView(
                    site.getId(),
                    site.name(),
                    site.revision(),
                    s.unit(),
                    s.step(),
                    s.wall(),
                    s.storey(),
                    s.pixelsPerMetre(),
                    s.tiles().byCentre(),
                    s.tiles().turned(),
                    s.tiles().mirrored(),
                    s.skins(),
                    s.guardDrop(),
                    s.corners().kind(),
                    s.corners().leg(),
                    s.facing().bothSides(),
                    s.facing().outside(),
                    site.kit()
                            .map(k -> new KitView(k.word(), k.step(), k.kinds(), k.tiles(), KitRulesBody.of(k.rules())))
                            .orElse(null),
                    standing.steps().undo(),
                    standing.steps().redo(),
                    standing.steps().others(),
                    standing.leftOut(),
                    standing.lost());
        }
    }

    /** Every field but the name may be left out: it then stays, or takes the usual value. */
    record SiteBody(
            @NotNull String name,
            Unit unit,
            Length stepMm,
            Length wallMm,
            Length storeyMm,
            Integer pixelsPerMetre,
            Boolean tilesByCentre,
            Boolean tilesTurned,
            Boolean tilesMirrored,
            Boolean skins,
            Length guardDropMm,
            Corners.Kind corners,
            Length cornerLegMm) {

        UnaryOperator<SiteSettings> over() {
            return s -> new SiteSettings(
                    orElse(unit, s.unit()),
                    orElse(stepMm, s.step()),
                    orElse(wallMm, s.wall()),
                    orElse(storeyMm, s.storey()),
                    orElse(pixelsPerMetre, s.pixelsPerMetre()),
                    new SiteSettings.Tiles(
                            orElse(tilesByCentre, s.tiles().byCentre()),
                            orElse(tilesTurned, s.tiles().turned()),
                            orElse(tilesMirrored, s.tiles().mirrored())),
                    orElse(skins, s.skins()),
                    orElse(guardDropMm, s.guardDrop()),
                    new Corners(
                            orElse(corners, s.corners().kind()),
                            orElse(cornerLegMm, s.corners().leg())),
                    s.facing());
        }

        private static <T> T orElse(T told, T standing) {
            return Optional.ofNullable(told).orElse(standing);
        }
    }

    record NameBody(@NotNull String name) {}

    @GetMapping
    List<SiteSummary> list() {
        return sites.list().stream()
                .map(o -> new SiteSummary(
                        o.id(), o.name(), o.revision(), o.unit(), o.rooms(), o.placements(), o.changedAt()))
                .toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    SiteView create(
            @Valid @RequestBody SiteBody body,
            @Parameter(description = "Whether it begins with a few plain props") @RequestParam(defaultValue = "false")
                    boolean props) {
        return SiteView.of(sites.create(body.name(), body.over(), props));
    }

    @GetMapping("/{id}")
    SiteView find(@PathVariable long id, Maker maker) {
        return SiteView.of(sites.find(id, maker));
    }

    @PatchMapping("/{id}")
    SiteView change(@PathVariable long id, Seen seen, @Valid @RequestBody SiteBody body) {
        return SiteView.of(sites.change(id, seen, body.name(), body.over()));
    }

    @PostMapping("/{id}/copies")
    @ResponseStatus(HttpStatus.CREATED)
    SiteView copy(@PathVariable long id, Maker maker, @Valid @RequestBody NameBody body) {
        return SiteView.of(sites.copy(id, body.name(), maker));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable long id) {
        sites.delete(id);
    }

    @GetMapping(path = "/{id}/chunks/{digest}", produces = "application/octet-stream")
    @Operation(summary = "A chunk of the set as binary columns; what a digest names never changes")
    ResponseEntity<byte[]> chunk(
            @PathVariable long id,
            @PathVariable String digest,
            @RequestHeader(name = "If-None-Match", required = false) String known) {
        var tag = "\"" + digest + "\"";
        if (tag.equals(known)) {
            return ResponseEntity.status(HttpStatus.NOT_MODIFIED).eTag(tag).build();
        }
        var sent = sites.chunk(id, digest);
        return ResponseEntity.ok()
                .eTag(tag)
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(30)).cachePrivate().immutable())
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .body(ChunkBytes.of(sent.chunk(), sent.state()::id));
    }

    @GetMapping(path = "/{id}/feed", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    @Operation(
            summary =
                    "Server-sent events: the number of each new revision as it is made; -1 where some may have been missed")
    SseEmitter feed(@PathVariable long id) {
        return feed.listenTo(id, () -> sites.revision(id));
    }

    @GetMapping(path = "/{id}/plan.svg", produces = "image/svg+xml")
    @Operation(summary = "The plan as a small picture")
    ResponseEntity<String> plan(@PathVariable long id) {
        var picture = handover.picture(id, PICTURE_WIDTH, PICTURE_HEIGHT);
        return ResponseEntity.ok()
                .eTag("\"" + picture.revision() + "\"")
                .cacheControl(CacheControl.noCache())
                .contentType(MediaType.valueOf("image/svg+xml"))
                .body(picture.svg());
    }

    @GetMapping(path = "/{id}/picture.png", produces = MediaType.IMAGE_PNG_VALUE)
    @Operation(summary = "What stands, seen at an angle and cut open, as a small picture; 204 where nothing stands")
    ResponseEntity<byte[]> picture(
            @PathVariable long id, @RequestHeader(value = "If-None-Match", required = false) String known) {
        var tag = "\"" + sites.revision(id) + "\"";
        if (tag.equals(known)) {
            return ResponseEntity.status(HttpStatus.NOT_MODIFIED).eTag(tag).build();
        }
        var picture = pictures.picture(id);
        if (picture.png().length == 0) {
            return ResponseEntity.noContent().build();
        }
        return ResponseEntity.ok()
                .eTag("\"" + picture.revision() + "\"")
                .cacheControl(CacheControl.noCache())
                .body(picture.png());
    }

    @PostMapping("/{id}/undo")
    @Operation(
            summary =
                    "Undoes one's own last edit, or with anyones=true the last one whoever made it; 204 if there is none; 412 where what it touched has been changed since")
    ResponseEntity<SiteView> undo(
            @PathVariable long id, Seen seen, @RequestParam(defaultValue = "false") boolean anyones) {
        return answer(id, journal.undo(id, seen, anyones), seen);
    }

    @PostMapping("/{id}/redo")
    @Operation(
            summary =
                    "Does one's own last undone edit again; 204 if there is none; 412 where what it touches has been changed since")
    ResponseEntity<SiteView> redo(@PathVariable long id, Seen seen) {
        return answer(id, journal.redo(id, seen), seen);
    }

    private ResponseEntity<SiteView> answer(long id, Optional<String> done, Seen seen) {
        return done.isEmpty()
                ? ResponseEntity.noContent().build()
                : ResponseEntity.ok(SiteView.of(sites.find(id, new Maker(seen.maker()))));
    }
}
