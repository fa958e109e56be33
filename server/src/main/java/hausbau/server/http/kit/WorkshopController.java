package hausbau.server.http.kit;

import hausbau.core.kit.Part;
import hausbau.core.kit.Pattern;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Profile;
import hausbau.core.kit.Role;
import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place.Origin;
import hausbau.core.shape.Density;
import hausbau.server.http.VecMm;
import hausbau.server.http.VecMm.BoxMm;
import hausbau.server.journal.Seen;
import hausbau.server.store.kit.PartWords;
import hausbau.server.store.kit.PartWords.Section;
import hausbau.server.work.kit.WorkshopService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
@RequestMapping("/api")
@Tag(name = "Workshop")
class WorkshopController {

    private final WorkshopService workshop;

    WorkshopController(WorkshopService workshop) {
        this.workshop = workshop;
    }

    /** What makes some of a piece stand, and how many. */
    record BenchUse(@NotNull Origin by, @NotNull long count) {}

    /**
     * Where a part lies, in the piece's own frame.
     *
     * @param boxesMm   that hold it
     * @param extentsMm what each of its copies takes in all
     */
    record PartView(@NotNull PartWords words, @NotNull List<BoxMm> boxesMm, @NotNull List<BoxMm> extentsMm) {

        static PartView of(Part part, Vec by) {
            return new PartView(PartWords.of(part), boxes(part.solids(), by), boxes(part.extents(), by));
        }

        private static List<BoxMm> boxes(List<Box> boxes, Vec by) {
            return boxes.stream().map(box -> BoxMm.of(box.movedBy(by))).toList();
        }
    }

    /**
     * @param own      whether it is made of told parts, and can be what it was before
     * @param open     how many edges are not closed
     * @param openMm   the ends of some of them, x, y, z of each, in its own frame
     * @param originMm where in its own frame the origin lies from which the places of parts are told
     */
    record BenchView(
            @NotNull long id,
            @NotNull String code,
            @NotNull String name,
            @NotNull Role role,
            @NotNull Pivot pivot,
            @NotNull boolean derived,
            @NotNull boolean own,
            @NotNull VecMm sizeMm,
            @NotNull BoxMm boxMm,
            @NotNull VecMm originMm,
            @NotNull int triangles,
            @NotNull double areaM2,
            @NotNull double volumeM3,
            @NotNull DensityView density,
            @NotNull int open,
            @NotNull List<Double> openMm,
            @NotNull List<BenchUse> uses,
            @NotNull List<PartView> parts) {

        private static final int MOST_OPEN = 5000;

        static BenchView of(long id, WorkshopService.Bench b) {
            var piece = b.piece();
            var mesh = b.mesh();
            var by = piece.kind().natural();
            var open = mesh.openEdges();
            return new BenchView(
                    id,
                    piece.code(),
                    piece.name(),
                    piece.role(),
                    piece.pivot(),
                    piece.role().isDerived(),
                    b.isOwn(),
                    VecMm.of(piece.size()),
                    BoxMm.of(piece.box()),
                    VecMm.of(by),
                    mesh.triangles(),
                    mesh.area() / 1e6,
                    mesh.volume() / 1e9,
                    DensityView.of(Density.of(mesh, b.state().kit().sheets())),
                    open.size(),
                    open.stream()
                            .limit(MOST_OPEN)
                            .flatMap(Stream::of)
                            .flatMap(p -> Stream.of(p.x(), p.y(), p.z()))
                            .toList(),
                    b.uses().entrySet().stream()
                            .map(e -> new BenchUse(e.getKey(), e.getValue()))
                            .toList(),
                    piece.parts().stream().map(p -> PartView.of(p, by)).toList());
        }
    }

    /** Pixels a metre, over all of its faces and directions. */
    record DensityView(@NotNull double least, @NotNull double greatest, @NotNull boolean stretched) {

        static DensityView of(Density d) {
            return new DensityView(d.least(), d.greatest(), d.isStretched());
        }
    }

    /** @param percent that was wanted; 0 is a box, @param errorMm how far it lies from the whole one */
    record DetailView(@NotNull int percent, @NotNull int triangles, @NotNull double errorMm) {}

    /** @param percents of the triangles that its levels have, @param hullTriangles of the convex hull about it */
    record DetailsView(@NotNull List<Integer> percents, @NotNull List<DetailView> levels, @NotNull int hullTriangles) {}

    record NewPieceBody(String code, @NotNull String name, Role role, Long copyOfId) {}

    /** @param details percent of the triangles that each level of detail has, falling */
    record PieceChange(String code, String name, Pivot pivot, @Size(max = 6) List<@NotNull Integer> details) {}

    record PartCopyBody(@NotNull long fromPieceId, @NotNull @Size(min = 1, max = 200) List<@NotNull Integer> parts) {}

    /** @param liesAt where a trim of it lies until it is told otherwise; left out where it may lie anywhere */
    record ProfileView(@NotNull Section section, @NotNull List<List<List<Double>>> ringsMm, Pattern.From liesAt) {

        static ProfileView of(Profile p) {
            return new ProfileView(
                    Section.of(p),
                    p.rings(0.5).stream()
                            .map(r -> r.points().stream()
                                    .map(at -> List.of(at.x(), at.y()))
                                    .toList())
                            .toList(),
                    Pattern.usualPlace(p.kind()).orElse(null));
        }
    }

    @GetMapping("/profiles")
    @Operation(summary = "The library of measured profiles, each with its outline")
    List<ProfileView> profiles() {
        return Profile.library().stream().map(ProfileView::of).toList();
    }

    @GetMapping("/sites/{siteId}/pieces/{pieceId}/bench")
    @Operation(summary = "A piece on its own page: its parts, measures and uses")
    BenchView bench(@PathVariable long siteId, @PathVariable long pieceId) {
        return BenchView.of(pieceId, workshop.bench(siteId, pieceId));
    }

    record PieceDensityView(
            @NotNull long pieceId, @NotNull String code, @NotNull double least, @NotNull double greatest) {}

    /**
     * @param bounds    shares of the site's density at which it is blurred no more, as the site, finer, and twice as fine
     * @param otherwise pieces that stand and whose pictures lie otherwise than the site has it, the coarsest first
     */
    record DensitiesView(@NotNull List<Double> bounds, @NotNull List<PieceDensityView> otherwise) {}

    @GetMapping("/sites/{siteId}/densities")
    @Operation(summary = "How finely pictures lie on what stands, against the site")
    DensitiesView densities(@PathVariable long siteId) {
        return new DensitiesView(
                Density.Band.bounds(),
                workshop.lyingOtherwise(siteId).stream()
                        .map(l -> new PieceDensityView(
                                l.pieceId(),
                                l.piece().code(),
                                l.density().least(),
                                l.density().greatest()))
                        .toList());
    }

    @GetMapping("/sites/{siteId}/pieces/{pieceId}/details")
    @Operation(summary = "A piece's levels of detail, a box the last, and the hull about it")
    DetailsView details(@PathVariable long siteId, @PathVariable long pieceId) {
        var d = workshop.details(siteId, pieceId);
        return new DetailsView(
                d.percents(),
                d.levels().stream()
                        .map(l -> new DetailView(l.percent(), l.mesh().triangles(), l.error()))
                        .toList(),
                d.hull().triangles());
    }

    @GetMapping(path = "/sites/{siteId}/pieces/{pieceId}/details/{level}.glb", produces = "model/gltf-binary")
    @Operation(summary = "A level of detail, from 0")
    ResponseEntity<byte[]> detail(@PathVariable long siteId, @PathVariable long pieceId, @PathVariable int level) {
        return file(workshop.detail(siteId, pieceId, level));
    }

    @GetMapping(path = "/sites/{siteId}/pieces/{pieceId}/hull.glb", produces = "model/gltf-binary")
    @Operation(summary = "The convex hull of a piece")
    ResponseEntity<byte[]> hull(@PathVariable long siteId, @PathVariable long pieceId) {
        return file(workshop.detail(siteId, pieceId, -1));
    }

    private static ResponseEntity<byte[]> file(byte[] glb) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noCache())
                .contentType(MediaType.parseMediaType("model/gltf-binary"))
                .body(glb);
    }

    @PostMapping("/sites/{siteId}/pieces")
    @Operation(summary = "A new piece of one's own, or a copy of another")
    @ResponseStatus(HttpStatus.CREATED)
    BenchView create(@PathVariable long siteId, Seen seen, @Valid @RequestBody NewPieceBody body) {
        return bench(
                siteId,
                workshop.create(
                        siteId,
                        seen,
                        new WorkshopService.Wanted(body.code(), body.name(), body.role(), body.copyOfId())));
    }

    @PatchMapping("/sites/{siteId}/pieces/{pieceId}")
    BenchView change(
            @PathVariable long siteId, @PathVariable long pieceId, Seen seen, @Valid @RequestBody PieceChange body) {
        workshop.change(
                siteId,
                pieceId,
                seen,
                new WorkshopService.Change(body.code(), body.name(), body.pivot(), body.details()));
        return bench(siteId, pieceId);
    }

    @DeleteMapping("/sites/{siteId}/pieces/{pieceId}")
    @Operation(summary = "Puts a piece away of which nothing stands")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void putAway(@PathVariable long siteId, @PathVariable long pieceId, Seen seen) {
        workshop.putAway(siteId, pieceId, seen);
    }

    @DeleteMapping("/sites/{siteId}/pieces/{pieceId}/parts")
    @Operation(summary = "Makes a piece what it was before its parts were told")
    BenchView goBack(@PathVariable long siteId, @PathVariable long pieceId, Seen seen) {
        workshop.goBack(siteId, pieceId, seen);
        return bench(siteId, pieceId);
    }

    @PostMapping("/sites/{siteId}/pieces/{pieceId}/parts")
    @Operation(summary = "Adds a part; only its form need be told")
    @ResponseStatus(HttpStatus.CREATED)
    int add(@PathVariable long siteId, @PathVariable long pieceId, Seen seen, @Valid @RequestBody PartWords body) {
        return workshop.add(siteId, pieceId, seen, body);
    }

    @PatchMapping("/sites/{siteId}/pieces/{pieceId}/parts/{number}")
    @Operation(summary = "Changes a part, numbered from 0; what is not told stays")
    BenchView change(
            @PathVariable long siteId,
            @PathVariable long pieceId,
            @PathVariable int number,
            Seen seen,
            @Valid @RequestBody PartWords body) {
        workshop.change(siteId, pieceId, number, seen, body);
        return bench(siteId, pieceId);
    }

    record PartChange(@NotNull Integer number, @NotNull @Valid PartWords words) {}

    record PartChanges(@NotEmpty @Size(max = 500) List<@NotNull @Valid PartChange> parts) {}

    @PatchMapping("/sites/{siteId}/pieces/{pieceId}/parts")
    @Operation(summary = "Changes several parts at once, each told once; what is not told stays")
    BenchView changeAll(
            @PathVariable long siteId, @PathVariable long pieceId, Seen seen, @Valid @RequestBody PartChanges body) {
        var words = body.parts().stream()
                .collect(Collectors.toMap(PartChange::number, PartChange::words, (first, again) -> {
                    throw new Refused("parts", "Each part is told once.");
                }));
        workshop.changeAll(siteId, pieceId, seen, words);
        return bench(siteId, pieceId);
    }

    @DeleteMapping("/sites/{siteId}/pieces/{pieceId}/parts/{number}")
    BenchView remove(@PathVariable long siteId, @PathVariable long pieceId, @PathVariable int number, Seen seen) {
        workshop.remove(siteId, pieceId, number, seen);
        return bench(siteId, pieceId);
    }

    /** @param at the number that it has then */
    record PartPlaceBody(@NotNull Integer at) {}

    @PutMapping("/sites/{siteId}/pieces/{pieceId}/parts/{number}/place")
    @Operation(summary = "Moves a part among the others: one that cuts is taken out of those before it")
    BenchView move(
            @PathVariable long siteId,
            @PathVariable long pieceId,
            @PathVariable int number,
            Seen seen,
            @Valid @RequestBody PartPlaceBody body) {
        workshop.move(siteId, pieceId, number, body.at(), seen);
        return bench(siteId, pieceId);
    }

    @PostMapping("/sites/{siteId}/pieces/{pieceId}/parts/copies")
    @Operation(summary = "Puts copies of another piece's parts, or of its own, among its parts")
    BenchView copy(
            @PathVariable long siteId, @PathVariable long pieceId, Seen seen, @Valid @RequestBody PartCopyBody body) {
        workshop.copy(siteId, body.fromPieceId(), body.parts(), pieceId, seen);
        return bench(siteId, pieceId);
    }
}
