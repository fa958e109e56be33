package hausbau.server.http.set;

import hausbau.core.dress.Traits;
import hausbau.core.dress.Variety;
import hausbau.core.kit.Held;
import hausbau.core.measure.Length;
import hausbau.core.place.Place;
import hausbau.core.variety.Looks;
import hausbau.core.variety.Repetition;
import hausbau.server.http.VecMm;
import hausbau.server.journal.Seen;
import hausbau.server.standing.SiteState;
import hausbau.server.store.light.LampWords;
import hausbau.server.work.set.TraitService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.IntStream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Traits")
public class TraitController {

    private final TraitService traits;

    TraitController(TraitService traits) {
        this.traits = traits;
    }

    /** @param tint such as #d8c0a0; empty for none, @param wear percent, 0 where it is not told */
    record LookView(@NotNull long pieceId, @NotNull String tint, Integer wear, @NotNull int weight) {

        public static LookView of(Variety.Look look, SiteState state) {
            return new LookView(state.id(look.kind()), look.tint(), look.wear(), look.weight());
        }
    }

    public record TraitView(
            @NotNull Held held, @NotNull List<LookView> looks, @NotNull long seed, @NotNull LampWords lamps) {

        public static TraitView of(Traits.Trait trait, SiteState state) {
            return new TraitView(
                    trait.held(),
                    trait.variety().looks().stream()
                            .map(l -> LookView.of(l, state))
                            .toList(),
                    trait.variety().seed(),
                    LampWords.of(trait.lamps()));
        }
    }

    /** Only what is told changes. @param looks empty: all look like the piece itself */
    record TraitBody(Held held, List<@NotNull @Valid LookView> looks, Long seed, LampWords lamps) {}

    @PatchMapping("/pieces/{pieceId}/traits")
    @Operation(summary = "How a piece is held, the looks given out among its placements, and its lamps")
    TraitView change(
            @PathVariable long siteId, @PathVariable long pieceId, Seen seen, @Valid @RequestBody TraitBody body) {
        var looks = body.looks() == null
                ? null
                : body.looks().stream()
                        .map(l -> new TraitService.Look(
                                l.pieceId(), l.tint(), Objects.requireNonNullElse(l.wear(), 0), l.weight()))
                        .toList();
        var trait = traits.change(
                siteId,
                pieceId,
                seen,
                new TraitService.Change(
                        body.held(),
                        looks,
                        body.seed(),
                        body.lamps() == null ? null : body.lamps().toLamps()));
        return TraitView.of(trait, traits.state(siteId));
    }

    /** @param looks for each row of the chunk the number of its look; -1 for one that looks like its piece */
    record DealtView(@NotNull String chunk, @NotNull List<@NotNull Integer> looks) {}

    /** How a piece looks where it stands. @param onFloor whether its foot wears as well, @param colourwayId 0 is the site's */
    record GuiseView(
            @NotNull long pieceId,
            @NotNull String tint,
            @NotNull int wear,
            @NotNull boolean onFloor,
            @NotNull long colourwayId) {

        public static GuiseView of(Looks.Guise g, SiteState state) {
            return new GuiseView(state.id(g.kind()), g.tint(), g.wear(), g.onFloor(), g.colourway());
        }
    }

    public record LooksView(@NotNull List<GuiseView> all, @NotNull List<DealtView> dealt) {

        public static final LooksView NONE = new LooksView(List.of(), List.of());
    }

    @GetMapping("/looks")
    @Operation(summary = "Which look each placement has that does not look like its piece")
    public LooksView looks(@PathVariable long siteId) {
        var state = traits.state(siteId);
        var looks = traits.looks(state);
        return new LooksView(
                looks.all().stream().map(g -> GuiseView.of(g, state)).toList(),
                looks.dealt().stream()
                        .map(d -> new DealtView(
                                d.chunk().name(),
                                IntStream.of(d.looks()).boxed().toList()))
                        .toList());
    }

    /** What is seen. @param without pieces that are hidden */
    record SightBody(@NotNull Length lowMm, @NotNull Length highMm, Set<@NotNull Long> without) {}

    record AlikeView(@NotNull long pieceId, @NotNull String tint, @NotNull long count) {}

    record RowOfEquals(
            @NotNull long pieceId,
            @NotNull String tint,
            @NotNull List<@NotNull String> ids,
            @NotNull VecMm.BoxMm placeMm) {}

    /** @param longest null where no two equals stand side by side */
    record RepetitionView(@NotNull List<AlikeView> alike, RowOfEquals longest) {}

    @PostMapping("/repetition")
    @Operation(summary = "What looks alike among what is seen, and the longest row of equals")
    RepetitionView repetition(@PathVariable long siteId, @Valid @RequestBody SightBody body) {
        var state = traits.state(siteId);
        var found = traits.repetition(
                state, body.lowMm().um(), body.highMm().um(), body.without() == null ? Set.of() : body.without());
        return new RepetitionView(
                found.alike().stream()
                        .map(a -> new AlikeView(
                                state.id(a.look().kind()), a.look().tint(), a.count()))
                        .toList(),
                found.longest().map(r -> row(r, state)).orElse(null));
    }

    private static RowOfEquals row(Repetition.Row row, SiteState state) {
        return new RowOfEquals(
                state.id(row.look().kind()),
                row.look().tint(),
                row.places().stream().map(Place::toString).toList(),
                VecMm.BoxMm.of(row.box()));
    }
}
