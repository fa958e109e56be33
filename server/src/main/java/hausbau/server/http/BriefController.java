package hausbau.server.http;

import hausbau.core.build.Brief;
import hausbau.core.build.Budget;
import hausbau.server.work.BriefService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.Arrays;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}/brief")
@Tag(name = "Brief")
class BriefController {

    private final BriefService briefs;

    BriefController(BriefService briefs) {
        this.briefs = briefs;
    }

    /** What may be spent; 0 is no limit. */
    record BudgetView(@NotNull Long triangles, @NotNull Long drawCalls, @NotNull Long textureBytes, @NotNull Long materials, @NotNull Long sheets) {

        static BudgetView of(Budget b) {
            return new BudgetView(b.triangles(), b.drawCalls(), b.textureBytes(), b.materials(), b.sheets());
        }

        Budget budget() {
            return new Budget(triangles, drawCalls, textureBytes, materials, sheets);
        }
    }

    record TargetView(@NotNull Budget.Target target, @NotNull BudgetView budget) {
    }

    /** @param spentSeconds of each of the seven stages, corrections included */
    record BriefView(@NotNull String intent, @NotNull String focal, @NotNull Budget.Target target, @NotNull BudgetView budget,
            @NotNull List<Long> plannedMinutes, @NotNull List<Long> spentSeconds, @NotNull List<TargetView> targets) {
    }

    /** @param spentSeconds told only where a person corrects them */
    record BriefBody(@NotNull String intent, @NotNull String focal, @NotNull Budget.Target target, @NotNull @Valid BudgetView budget,
            @NotNull List<@NotNull Long> plannedMinutes, List<@NotNull Long> spentSeconds) {
    }

    record SpentBody(@NotNull Integer stage, @NotNull Long seconds) {
    }

    @GetMapping
    BriefView find(@PathVariable long siteId) {
        var standing = briefs.find(siteId);
        var b = standing.brief();
        return new BriefView(b.intent(), b.focal(), b.target(), BudgetView.of(b.budget()), b.plannedMinutes(), standing.spentSeconds(),
                Arrays.stream(Budget.Target.values()).map(t -> new TargetView(t, BudgetView.of(t.budget()))).toList());
    }

    @PutMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable long siteId, @RequestHeader(name = "If-Match", required = false) String ifMatch, @Valid @RequestBody BriefBody body) {
        briefs.change(siteId, Seen.revision(ifMatch), new Brief(body.intent(), body.focal(), body.target(), body.budget().budget(), body.plannedMinutes(),
                Brief.EMPTY.correctedSeconds()), body.spentSeconds() == null ? List.of() : body.spentSeconds());
    }

    @PostMapping("/spent")
    @Operation(summary = "Adds to the measured time of a stage; no edit, so nothing to undo")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void spend(@PathVariable long siteId, @Valid @RequestBody SpentBody body) {
        briefs.spend(siteId, body.stage(), body.seconds());
    }
}
