package hausbau.server.http.set;

import hausbau.core.measure.Turn;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.standing.Use;
import hausbau.server.http.VecMm;
import hausbau.server.http.VecMm.BoxMm;
import hausbau.server.journal.Seen;
import hausbau.server.work.set.AssemblyService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
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
@Tag(name = "Assemblies")
public class AssemblyController {

    /** Pieces that its picture is drawn of. */
    private static final int DRAWN = 200;

    private final AssemblyService assemblies;

    AssemblyController(AssemblyService assemblies) {
        this.assemblies = assemblies;
    }

    /**
     * @param uses   how often it is set down, not counting where another assembly holds it
     * @param pieces of one use, through all depths
     * @param boxMm  what it takes about its pivot
     * @param piecesMm what its first pieces take about its pivot
     */
    record AssemblyView(
            @NotNull long id,
            @NotNull String name,
            @NotNull int uses,
            @NotNull long pieces,
            @NotNull BoxMm boxMm,
            @NotNull List<BoxMm> piecesMm) {}

    record UseView(
            @NotNull long id,
            @NotNull long assemblyId,
            @NotNull VecMm atMm,
            @NotNull int quarterTurns,
            @NotNull boolean mirrored,
            @NotNull double freeDegrees) {

        static UseView of(Use u) {
            var s = u.stance();
            return new UseView(
                    u.id(), u.assembly(), VecMm.of(s.at()), s.turn().quarters(), s.mirrored(), s.freeDegrees());
        }
    }

    public record AssembliesView(@NotNull List<AssemblyView> assemblies, @NotNull List<UseView> uses) {}

    /** @param pivot where the assembly's pivot lies; left out: in the middle of what is named, on its base */
    record PartsBody(@NotNull List<@NotNull String> placementIds, @Valid StanceBody pivot) {

        List<Place> places() {
            return placementIds.stream().map(Place::parse).toList();
        }
    }

    record StanceBody(@NotNull @Valid VecMm atMm, @Min(0) @Max(3) Integer quarterTurns) {

        static StanceBody of(Stance s) {
            return new StanceBody(VecMm.of(s.at()), s.turn().quarters());
        }

        Stance toStance() {
            return Stance.at(atMm.toVec(), new Turn(orElse(quarterTurns, 0)));
        }
    }

    /** @param snap left out: true */
    record UseBody(@NotNull @Valid VecMm atMm, @Min(0) @Max(3) Integer quarterTurns, Boolean mirrored, Boolean snap) {}

    /** Only what is told changes. */
    record UseChange(
            @Valid VecMm atMm,
            @Min(0) @Max(3) Integer quarterTurns,
            Boolean mirrored,
            @Min(-359) @Max(359) Double freeDegrees) {}

    record OpenedView(@NotNull long assemblyId, @NotNull StanceBody pivot, @NotNull List<String> placementIds) {}

    record AssemblyName(@NotNull String name) {}

    private static <T> T orElse(T told, T standing) {
        return Optional.ofNullable(told).orElse(standing);
    }

    @GetMapping("/assemblies")
    public AssembliesView list(@PathVariable long siteId) {
        var all = assemblies.state(siteId).decisions().assemblies();
        return new AssembliesView(
                all.all().stream()
                        .map(a -> new AssemblyView(
                                a.id(),
                                a.name(),
                                (int) all.uses().stream()
                                        .filter(u -> u.assembly() == a.id())
                                        .count(),
                                all.size(a.id()),
                                BoxMm.of(all.box(a.id())),
                                all.boxes(a.id()).stream()
                                        .limit(DRAWN)
                                        .map(BoxMm::of)
                                        .toList()))
                        .toList(),
                all.uses().stream().map(UseView::of).toList());
    }

    @PostMapping("/assemblies")
    @Operation(summary = "Saves what hands set down as an assembly; its first use stands in for it")
    @ResponseStatus(HttpStatus.CREATED)
    UseView save(@PathVariable long siteId, Seen seen, @Valid @RequestBody PartsBody body) {
        return UseView.of(assemblies.save(siteId, seen, body.places()));
    }

    @PutMapping("/assemblies/{id}/parts")
    @Operation(summary = "Makes an assembly of what is named from now on; all its uses follow")
    UseView saveOver(@PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody PartsBody body) {
        return UseView.of(assemblies.saveOver(
                siteId,
                id,
                seen,
                body.places(),
                Optional.ofNullable(body.pivot()).map(StanceBody::toStance)));
    }

    @PatchMapping("/assemblies/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void rename(@PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody AssemblyName body) {
        assemblies.rename(siteId, id, seen, body.name());
    }

    @DeleteMapping("/assemblies/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        assemblies.remove(siteId, id, seen);
    }

    @PostMapping("/assemblies/{id}/uses")
    @ResponseStatus(HttpStatus.CREATED)
    UseView use(@PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody UseBody body) {
        return UseView.of(assemblies.use(
                siteId,
                id,
                seen,
                new Stance(
                        body.atMm().toVec(),
                        new Turn(orElse(body.quarterTurns(), 0)),
                        orElse(body.mirrored(), false),
                        0),
                orElse(body.snap(), true)));
    }

    @PatchMapping("/uses/{id}")
    UseView changeUse(@PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody UseChange body) {
        return UseView.of(assemblies.changeUse(
                siteId,
                id,
                seen,
                s -> new Stance(
                        body.atMm() == null ? s.at() : body.atMm().toVec(),
                        body.quarterTurns() == null ? s.turn() : new Turn(body.quarterTurns()),
                        orElse(body.mirrored(), s.mirrored()),
                        orElse(body.freeDegrees(), s.freeDegrees()),
                        s.lean())));
    }

    @PostMapping("/uses/{id}/open")
    @Operation(summary = "Takes a use apart, one level deep, so that hands can change it and save it over its assembly")
    OpenedView open(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        var opened = assemblies.open(siteId, id, seen);
        return new OpenedView(
                opened.assembly(),
                StanceBody.of(opened.pivot()),
                opened.places().stream().map(Place::toString).toList());
    }

    @PostMapping("/uses/{id}/dissolve")
    List<String> dissolve(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        return assemblies.dissolve(siteId, id, seen).stream()
                .map(Place::toString)
                .toList();
    }

    @PostMapping("/uses/{id}/own")
    @Operation(summary = "Gives one use an assembly of its own")
    UseView makeOwn(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        return UseView.of(assemblies.makeOwn(siteId, id, seen));
    }
}
