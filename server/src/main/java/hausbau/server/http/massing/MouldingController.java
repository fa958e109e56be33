package hausbau.server.http.massing;

import hausbau.core.kit.Profile;
import hausbau.core.massing.Moulding;
import hausbau.core.measure.Length;
import hausbau.server.journal.Seen;
import hausbau.server.store.massing.MouldingWords;
import hausbau.server.work.massing.MouldingService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.List;
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
@RequestMapping("/api/sites/{siteId}/mouldings")
@Tag(name = "Mouldings")
class MouldingController {

    private final MouldingService mouldings;

    MouldingController(MouldingService mouldings) {
        this.mouldings = mouldings;
    }

    /**
     * @param ruleId    the rule of the whole building that a room has it in place of; 0 for such a rule itself
     * @param roomId    the only room that it goes through; 0 for all
     * @param lengthsMm of its straight pieces, falling
     * @param pieces    how many stand of it; of a rule with what rooms have in its place
     * @param pieceIds  what has to be modelled for it, the longest first
     */
    record MouldingView(
            @NotNull long id,
            @NotNull String name,
            @NotNull long ruleId,
            @NotNull long roomId,
            @NotNull boolean on,
            @NotNull MouldingWords words,
            @NotNull List<Length> lengthsMm,
            @NotNull long pieces,
            @NotNull List<Long> pieceIds) {

        static MouldingView of(MouldingService.Laid laid) {
            var m = laid.moulding();
            return new MouldingView(
                    m.id(),
                    m.name(),
                    m.instead().moulding(),
                    m.instead().room(),
                    m.on(),
                    MouldingWords.of(m),
                    m.lengths(),
                    laid.pieces(),
                    laid.kinds());
        }
    }

    record NewMouldingBody(@NotNull Profile.Kind profile) {}

    record MouldingIdView(@NotNull long id) {}

    /** Only what is told changes. @param place how many stand before it in the list */
    record MouldingChange(String name, Boolean on, @Valid MouldingWords words, @Min(0) Integer place) {}

    @GetMapping
    List<MouldingView> all(@PathVariable long siteId) {
        return mouldings.all(siteId).stream().map(MouldingView::of).toList();
    }

    @PostMapping
    @Operation(summary = "Adds a moulding of usual size along the walls of all rooms")
    @ResponseStatus(HttpStatus.CREATED)
    MouldingIdView add(@PathVariable long siteId, Seen seen, @Valid @RequestBody NewMouldingBody body) {
        return new MouldingIdView(mouldings.add(siteId, seen, body.profile()));
    }

    @PostMapping("/{id}/rooms/{roomId}")
    @Operation(
            summary = "Gives a room one of its own in the place of a rule of the whole building, to begin with alike")
    @ResponseStatus(HttpStatus.CREATED)
    MouldingIdView addFor(@PathVariable long siteId, @PathVariable long id, @PathVariable long roomId, Seen seen) {
        return new MouldingIdView(mouldings.addFor(siteId, id, roomId, seen));
    }

    @PatchMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody MouldingChange body) {
        if (body.place() != null) {
            mouldings.order(siteId, id, seen, body.place());
        }
        if (body.name() != null || body.on() != null || body.words() != null) {
            mouldings.change(siteId, id, seen, was -> changed(was, body));
        }
    }

    private static Moulding changed(Moulding was, MouldingChange body) {
        return new Moulding(
                was.id(),
                body.name() == null ? was.name() : body.name().strip(),
                was.instead(),
                body.on() == null ? was.on() : body.on(),
                body.words() == null ? was.make() : body.words().toMake(),
                body.words() == null ? was.line() : body.words().toLine(),
                was.lengths());
    }

    @DeleteMapping("/{id}")
    @Operation(
            summary = "Takes a moulding away; where a room had it in place of a rule, the rule runs through it again")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        mouldings.remove(siteId, id, seen);
    }
}
