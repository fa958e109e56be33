package hausbau.server.http.kit;

import hausbau.core.bring.Choices;
import hausbau.core.bring.Choices.Fix;
import hausbau.core.bring.Choices.Up;
import hausbau.core.bring.Report;
import hausbau.core.budget.Budget;
import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Swatch;
import hausbau.server.http.VecMm;
import hausbau.server.http.kit.KitController.BudgetLineView;
import hausbau.server.journal.Seen;
import hausbau.server.work.kit.DeliveryService;
import hausbau.server.work.kit.DeliveryService.Delivered;
import hausbau.server.work.kit.DeliveryService.Order;
import hausbau.server.work.kit.DeliveryService.Question;
import hausbau.server.work.kit.DeliveryService.Taken;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api")
@Tag(name = "Bring in")
class DeliveryController {

    private final DeliveryService deliveries;

    DeliveryController(DeliveryService deliveries) {
        this.deliveries = deliveries;
    }

    /** @param millimetres that one unit of the file is long */
    record ChoicesView(
            @NotNull double millimetres, @NotNull Up up, @NotNull boolean whole, @NotNull Set<@NotNull Fix> fixes) {

        static ChoicesView of(Choices c) {
            return new ChoicesView(c.millimetres(), c.up(), c.isWhole(), c.fixes());
        }

        Choices toChoices() {
            return new Choices(millimetres, up, whole, fixes);
        }
    }

    /**
     * @param open    edges that only one face has, @param tangled that more than two have
     * @param offMm   by how much it misses whole steps, or the piece whose place it takes
     * @param belowMm how far it lies below its file's ground
     */
    record FoundView(
            @NotNull int triangles,
            @NotNull int open,
            @NotNull int tangled,
            @NotNull int inward,
            @NotNull int doubled,
            @NotNull int flat,
            @NotNull int stray,
            @NotNull boolean uneven,
            @NotNull VecMm sizeMm,
            @NotNull VecMm offMm,
            @NotNull boolean fits,
            @NotNull Length belowMm) {

        static FoundView of(Report r) {
            return new FoundView(
                    r.triangles(),
                    r.open(),
                    r.tangled(),
                    r.inward(),
                    r.doubled(),
                    r.flat(),
                    r.stray(),
                    r.uneven(),
                    VecMm.of(r.size()),
                    VecMm.of(r.off()),
                    r.fits(),
                    new Length(r.below()));
        }
    }

    /** @param came as it is in the file, @param left once it is set right as was asked for; @param laidOut whether all of it has UVs of its own, @param triangles that the set would have with it */
    record ThingView(
            @NotNull int number,
            @NotNull String name,
            @NotNull FoundView came,
            @NotNull FoundView left,
            @NotNull VecMm.BoxMm boxMm,
            @NotNull List<String> materials,
            @NotNull boolean laidOut,
            @NotNull BudgetLineView triangles) {

        static ThingView of(DeliveryService.Thing t, Budget.Line spent) {
            return new ThingView(
                    t.number(),
                    t.settled().name(),
                    FoundView.of(t.settled().came()),
                    FoundView.of(t.settled().left()),
                    VecMm.BoxMm.of(t.box()),
                    List.copyOf(t.settled().shells().keySet()),
                    t.settled().shells().values().stream().allMatch(s -> s.isLaidOut()),
                    BudgetLineView.of(spent));
        }
    }

    /** @param swatch that its name stands for, @param colour of a new material that is made of it, unless another is chosen; absent where none is */
    record MaterialView(@NotNull String name, @NotNull Swatch swatch, @Nullable String colour) {

        static MaterialView of(String name, Swatch swatch, Delivered d) {
            var tone = d.unknown().contains(name) ? d.file().tones().get(name) : null;
            return new MaterialView(name, swatch, tone == null ? null : tone.colour());
        }
    }

    /** @param pictured materials whose pictures are there, @param sized whether the piece whose place it takes says how large it is to be, @param thing the one that was taken when it was brought in before */
    record DeliveryView(
            @NotNull UUID id,
            @NotNull String name,
            @NotNull ChoicesView choices,
            @NotNull List<MaterialView> materials,
            @NotNull List<String> textures,
            @NotNull List<String> missing,
            @NotNull List<String> leftOut,
            @NotNull List<String> pictured,
            @NotNull boolean sized,
            @NotNull List<ThingView> things,
            @NotNull int thing) {

        static DeliveryView of(Delivered d) {
            var file = d.file();
            return new DeliveryView(
                    d.id(),
                    file.name(),
                    ChoicesView.of(d.choices()),
                    file.materials().entrySet().stream()
                            .map(e -> MaterialView.of(e.getKey(), e.getValue(), d))
                            .toList(),
                    List.copyOf(file.textures()),
                    List.copyOf(file.missing()),
                    file.left(),
                    List.copyOf(file.pictures().keySet()),
                    d.isSized(),
                    d.things().stream()
                            .map(t -> ThingView.of(t, d.spent().get(t.number())))
                            .toList(),
                    d.thing());
        }
    }

    record DeliveredBody(@NotNull int number, Long pieceId, @Size(max = 80) String name, Role role) {}

    /** @param swatches of materials, where they are not those that were guessed; @param pictures whether those of the file are taken onto sheets of their own */
    record BringBody(
            @NotNull @Valid ChoicesView choices,
            @NotNull @Size(max = 1000) Map<String, @NotNull Swatch> swatches,
            @NotNull boolean laidOut,
            Boolean pictures,
            @NotNull @Size(min = 1, max = 300) List<@NotNull @Valid DeliveredBody> things) {}

    @PostMapping(path = "/sites/{siteId}/deliveries", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @Operation(
            summary =
                    "Hands files over to be looked at: .glb, .gltf, .obj or .stl with all that belongs to them, or a .zip of such; one delivery for each model")
    @ResponseStatus(HttpStatus.CREATED)
    List<DeliveryView> deliver(
            @PathVariable long siteId,
            @RequestParam("files") List<MultipartFile> files,
            @RequestParam(defaultValue = "") @Size(max = 80) String token,
            @RequestParam(required = false) Long pieceId)
            throws IOException {
        var all = new LinkedHashMap<String, byte[]>();
        for (var file : files) {
            var name = String.valueOf(file.getOriginalFilename());
            if (name.isBlank() || name.length() > 300) {
                throw new Refused("file", "A file has a name of 1 to 300 characters.");
            }
            if (all.put(name, file.getBytes()) != null) {
                throw new Refused("file", "There are two files “" + name + "”.");
            }
        }
        return deliveries.deliver(siteId, all, token, pieceId).stream()
                .map(DeliveryView::of)
                .toList();
    }

    private static Question question(
            @Nullable Double millimetres,
            @Nullable Up up,
            @Nullable Boolean whole,
            @Nullable Set<Fix> fixes,
            @Nullable Long pieceId) {
        if (Stream.of(millimetres, up, whole).allMatch(v -> v == null)) {
            return new Question(null, pieceId);
        }
        if (millimetres == null || up == null || whole == null) {
            throw new Refused("millimetres", "Tell millimetres, up and whole, or none of them.");
        }
        return new Question(new Choices(millimetres, up, whole, fixes == null ? Set.of() : fixes), pieceId);
    }

    @GetMapping("/sites/{siteId}/deliveries/{id}")
    @Operation(summary = "What would come of a delivery under other choices, and in place of a piece")
    DeliveryView look(
            @PathVariable long siteId,
            @PathVariable UUID id,
            @RequestParam(required = false) Double millimetres,
            @RequestParam(required = false) Up up,
            @RequestParam(required = false) Boolean whole,
            @RequestParam(required = false) Set<Fix> fixes,
            @RequestParam(required = false) Long pieceId) {
        return DeliveryView.of(deliveries.look(siteId, id, question(millimetres, up, whole, fixes, pieceId)));
    }

    @GetMapping(path = "/sites/{siteId}/deliveries/{id}/things/{number}/mesh.glb", produces = "model/gltf-binary")
    @Operation(summary = "One thing of a delivery as it would be brought in")
    ResponseEntity<byte[]> mesh(
            @PathVariable long siteId,
            @PathVariable UUID id,
            @PathVariable int number,
            @RequestParam(required = false) Double millimetres,
            @RequestParam(required = false) Up up,
            @RequestParam(required = false) Boolean whole,
            @RequestParam(required = false) Set<Fix> fixes,
            @RequestParam(required = false) Long pieceId) {
        var things = deliveries
                .look(siteId, id, question(millimetres, up, whole, fixes, pieceId))
                .things();
        if (number < 0 || number >= things.size()) {
            throw new Refused("number", "The file has no thing " + number + ".");
        }
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .contentType(MediaType.parseMediaType("model/gltf-binary"))
                .body(deliveries.glb(siteId, things.get(number)));
    }

    @PostMapping("/sites/{siteId}/deliveries/{id}/pieces")
    @Operation(summary = "Brings things in, as new pieces or in place of others, in one edit")
    @ResponseStatus(HttpStatus.CREATED)
    List<Long> bring(@PathVariable long siteId, @PathVariable UUID id, Seen seen, @Valid @RequestBody BringBody body) {
        return deliveries.bring(
                siteId,
                id,
                seen,
                new Order(
                        body.choices().toChoices(),
                        body.swatches(),
                        body.laidOut(),
                        Boolean.TRUE.equals(body.pictures()),
                        body.things().stream()
                                .map(t -> new Taken(t.number(), t.pieceId(), t.name(), t.role()))
                                .toList()));
    }

    @DeleteMapping("/sites/{siteId}/deliveries/{id}")
    @Operation(summary = "Lets go of files that were handed over")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable UUID id) {
        deliveries.remove(siteId, id);
    }
}
