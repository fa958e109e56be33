package hausbau.server.http.set;

import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.standing.Twin;
import hausbau.server.http.VecMm;
import hausbau.server.journal.Seen;
import hausbau.server.standing.SiteState;
import hausbau.server.work.set.TwinService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}/twins")
@Tag(name = "Twins")
public class TwinController {

    private final TwinService twins;

    TwinController(TwinService twins) {
        this.twins = twins;
    }

    /**
     * @param eastWest whether east and west are exchanged, and not north and south
     * @param atMm     X of the plane, else Y, as it lies now
     * @param roomId   whose middle it keeps to
     */
    public record TwinView(
            @NotNull long id,
            @NotNull String name,
            @NotNull int count,
            @NotNull boolean eastWest,
            @NotNull Length atMm,
            Long roomId) {

        static TwinView of(Twin t, SiteState state) {
            var plane = t.plane(state.decisions().massing());
            return new TwinView(
                    t.id(),
                    t.name(),
                    state.set().of(new Source.Twins(t.id())).size(),
                    plane.eastWest(),
                    new Length(plane.at()),
                    t.room() == 0 ? null : t.room());
        }
    }

    /**
     * @param eastWest needed unless two points tell
     * @param roomId   whose middle it keeps to; left out: that in which the first placement stands
     * @param atMm     in place of a room: where the plane lies
     * @param fromMm   in place of all of these: the first of two points of the line, with toMm
     */
    record TwinBody(
            @NotNull List<@NotNull String> placementIds,
            Boolean eastWest,
            Long roomId,
            Length atMm,
            @Valid VecMm fromMm,
            @Valid VecMm toMm) {

        private boolean isEastWest() {
            return Optional.ofNullable(eastWest)
                    .orElseThrow(() ->
                            new Refused("eastWest", "Tell whether east and west are exchanged, or north and south."));
        }

        Optional<Twin.Plane> plane(Length step) {
            return fromMm != null && toMm != null
                    ? Optional.of(Twin.Plane.through(fromMm.toVec(), toMm.toVec(), step))
                    : Optional.ofNullable(atMm).map(at -> new Twin.Plane(isEastWest(), at.um()));
        }
    }

    @GetMapping
    public List<TwinView> list(@PathVariable long siteId) {
        var state = twins.state(siteId);
        return state.decisions().twins().stream()
                .map(t -> TwinView.of(t, state))
                .toList();
    }

    @PostMapping
    @Operation(summary = "Sets placements down once more across a plane; they follow their originals")
    @ResponseStatus(HttpStatus.CREATED)
    TwinView add(@PathVariable long siteId, Seen seen, @Valid @RequestBody TwinBody body) {
        var made = twins.add(
                siteId,
                seen,
                body.placementIds().stream().map(Place::parse).toList(),
                body::isEastWest,
                Optional.ofNullable(body.roomId()),
                body.plane(twins.state(siteId).settings().step()));
        return TwinView.of(made, twins.state(siteId));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        twins.remove(siteId, id, seen);
    }

    @PostMapping("/{id}/dissolve")
    @Operation(summary = "Makes plain copies of what stands by a twin")
    List<String> dissolve(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        return twins.dissolve(siteId, id, seen).stream().map(Place::toString).toList();
    }
}
