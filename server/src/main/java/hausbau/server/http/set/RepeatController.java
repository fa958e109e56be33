package hausbau.server.http.set;

import hausbau.core.measure.Length;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Standing;
import hausbau.core.repeat.Field;
import hausbau.core.standing.Body;
import hausbau.core.standing.Repeat;
import hausbau.server.http.VecMm.BoxMm;
import hausbau.server.journal.Seen;
import hausbau.server.standing.SiteState;
import hausbau.server.store.set.RuleWords;
import hausbau.server.work.set.RepeatService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Repeats")
public class RepeatController {

    /** Bodies that a preview draws; more are no more than grey. */
    private static final int DRAWN = 4000;

    private final RepeatService repeats;

    RepeatController(RepeatService repeats) {
        this.repeats = repeats;
    }

    /**
     * What a repeat follows: a room as it moves, one of its walls, or all of its ground.
     *
     * @param edge  the wall's edge, where it follows one
     * @param offMm how far inside the wall's face; left out: with the backs of what is repeated against it
     */
    record FollowingView(@NotNull long roomId, @NotNull Repeat.Hold hold, Integer edge, Length offMm) {

        static FollowingView of(Repeat.Host h) {
            return new FollowingView(h.room(), h.hold(), h.edge(), h.off());
        }

        RepeatService.Following toFollowing() {
            return new RepeatService.Following(
                    roomId, hold, Optional.ofNullable(edge).orElse(0), offMm);
        }
    }

    /** @param pieceIds of each body the piece that stands at its spot, or the first of several */
    public record RepeatView(
            @NotNull long id,
            @NotNull String name,
            @NotNull int count,
            @NotNull List<@NotNull Long> pieceIds,
            @NotNull boolean grouped,
            @NotNull RuleWords rule,
            FollowingView following,
            Long assemblyId,
            @Schema(description = "Of a field: how many columns and rows it has") FieldGridView grid) {

        static RepeatView of(Repeat r, SiteState state) {
            return new RepeatView(
                    r.id(),
                    r.name(),
                    state.set().of(new Source.Repeats(r.id())).size(),
                    r.bodies().stream()
                            .filter(b -> b.assembly() == 0)
                            .map(b -> state.id(b.members().get(0).kind()))
                            .toList(),
                    r.bodies().stream()
                            .anyMatch(b -> b.assembly() != 0 || b.members().size() > 1),
                    RuleWords.of(r.rule(state.decisions().massing())),
                    r.host().map(FollowingView::of).orElse(null),
                    r.bodies().stream()
                            .map(Body::assembly)
                            .filter(a -> a != 0)
                            .findFirst()
                            .orElse(null),
                    grid(r, state));
        }

        private static @Nullable FieldGridView grid(Repeat r, SiteState state) {
            return r.rule(state.decisions().massing()) instanceof Field field
                    ? field.grid(Repeat.box(r.bodies().get(0), state.decisions().assemblies()))
                            .map(g -> new FieldGridView(g.columns(), g.rows()))
                            .orElse(null)
                    : null;
        }
    }

    record FieldGridView(@NotNull int across, @NotNull int deep) {}

    /**
     * @param pieceIds     each may stand at a spot
     * @param placementIds in place of pieces: these stand together at each spot; those set down by hand are taken away
     * @param assemblyId   in place of pieces: this stands at each spot
     * @param insteadOfId  of a preview: the repeat that it would take the place of
     */
    record RepeatBody(
            List<@NotNull Long> pieceIds,
            List<@NotNull String> placementIds,
            @NotNull @Valid RuleWords rule,
            @Valid FollowingView following,
            Long assemblyId,
            Long insteadOfId) {

        RepeatService.Wanted wanted() {
            return new RepeatService.Wanted(
                    orElse(pieceIds),
                    orElse(placementIds).stream().map(Place::parse).toList(),
                    Optional.ofNullable(assemblyId),
                    rule,
                    Optional.ofNullable(following).map(FollowingView::toFollowing));
        }

        private static <T> List<T> orElse(List<T> told) {
            return told == null ? List.of() : told;
        }
    }

    /**
     * Only what is told changes.
     *
     * @param across columns that a field has, @param deep rows
     */
    record RepeatChange(
            String name,
            @Valid RuleWords rule,
            @Valid FollowingView following,
            Boolean followsNothing,
            List<@NotNull Long> pieceIds,
            Integer across,
            Integer deep) {

        @Nullable
        UnaryOperator<Field.Grid> grid() {
            return across == null && deep == null
                    ? null
                    : was -> new Field.Grid(across == null ? was.columns() : across, deep == null ? was.rows() : deep);
        }
    }

    /**
     * @param triangles that it adds
     * @param boxesMm   what its first pieces take
     */
    record RepeatPreview(@NotNull int count, @NotNull long triangles, @NotNull List<BoxMm> boxesMm) {}

    @GetMapping("/repeats")
    public List<RepeatView> list(@PathVariable long siteId) {
        var state = repeats.state(siteId);
        return state.decisions().repeats().stream()
                .map(r -> RepeatView.of(r, state))
                .toList();
    }

    @PostMapping("/repeats/preview")
    @Operation(summary = "Tells where a repeat would stand and what it would cost")
    RepeatPreview preview(@PathVariable long siteId, @Valid @RequestBody RepeatBody body) {
        var state = repeats.state(siteId);
        var standing = repeats.preview(state, body.wanted(), body.insteadOfId() == null ? 0 : body.insteadOfId())
                .standing(state.set());
        return new RepeatPreview(
                standing.size(),
                repeats.triangles(state, standing),
                standing.stream().limit(DRAWN).map(Standing::box).map(BoxMm::of).toList());
    }

    @PostMapping("/repeats")
    @ResponseStatus(HttpStatus.CREATED)
    RepeatView add(@PathVariable long siteId, Seen seen, @Valid @RequestBody RepeatBody body) {
        var made = repeats.add(siteId, seen, body.wanted());
        return RepeatView.of(made, repeats.state(siteId));
    }

    @PatchMapping("/repeats/{id}")
    RepeatView change(
            @PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody RepeatChange body) {
        var following = Boolean.TRUE.equals(body.followsNothing())
                ? Optional.<RepeatService.Following>empty()
                : body.following() == null ? null : Optional.of(body.following().toFollowing());
        return RepeatView.of(
                repeats.change(
                        siteId,
                        id,
                        seen,
                        new RepeatService.Change(body.name(), body.rule(), following, body.pieceIds(), body.grid())),
                repeats.state(siteId));
    }

    @DeleteMapping("/repeats/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        repeats.remove(siteId, id, seen);
    }

    @PostMapping("/repeats/{id}/dissolve")
    @Operation(summary = "Makes single placements of what stands by a repeat")
    List<String> dissolve(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        return repeats.dissolve(siteId, id, seen).stream().map(Place::toString).toList();
    }
}
