package hausbau.server.http.set;

import hausbau.core.place.Place;
import hausbau.server.journal.Seen;
import hausbau.server.work.set.SelectionService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
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
@RequestMapping("/api/sites/{siteId}/selections")
@Tag(name = "Selections")
public class SelectionController {

    private final SelectionService selections;

    SelectionController(SelectionService selections) {
        this.selections = selections;
    }

    /** @param ids those of its places where something stands */
    public record SelectionView(@NotNull long id, @NotNull String name, @NotNull List<@NotNull String> ids) {}

    record SelectionBody(@NotNull String name, @NotNull List<@NotNull String> ids) {}

    @GetMapping
    public List<SelectionView> list(@PathVariable long siteId) {
        return selections.all(siteId).stream()
                .map(n -> new SelectionView(
                        n.id(),
                        n.name(),
                        n.standing().stream().map(Place::toString).toList()))
                .toList();
    }

    @PostMapping
    @Operation(summary = "Keeps a selection under a name; one of that name is kept over. Answers its id")
    @ResponseStatus(HttpStatus.CREATED)
    long keep(@PathVariable long siteId, Seen seen, @Valid @RequestBody SelectionBody body) {
        return selections.keep(
                siteId, seen, body.name(), body.ids().stream().map(Place::parse).toList());
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void forget(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        selections.forget(siteId, id, seen);
    }
}
