package hausbau.server.http.brief;

import hausbau.core.budget.Brief;
import hausbau.core.budget.Budget;
import hausbau.server.journal.Seen;
import hausbau.server.work.brief.BriefService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
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
    record BudgetView(
            @NotNull Long triangles,
            @NotNull Long drawCalls,
            @NotNull Long textureBytes,
            @NotNull Long materials,
            @NotNull Long sheets,
            @NotNull Long lamps,
            @NotNull Long lampsAtOnce) {

        static BudgetView of(Budget b) {
            return new BudgetView(
                    b.triangles(),
                    b.drawCalls(),
                    b.textureBytes(),
                    b.materials(),
                    b.sheets(),
                    b.lamps(),
                    b.lampsAtOnce());
        }
    }

    record TargetView(@NotNull Budget.Target target, @NotNull BudgetView budget) {}

    /** @param spentSeconds of each of the seven stages, corrections included */
    record BriefView(
            @NotNull String intent,
            @NotNull String focal,
            @NotNull Budget.Target target,
            @NotNull BudgetView budget,
            @NotNull List<Long> plannedMinutes,
            @NotNull List<Long> spentSeconds,
            @NotNull List<TargetView> targets) {}

    /** Only what is told changes. */
    record BudgetChange(
            Long triangles,
            Long drawCalls,
            Long textureBytes,
            Long materials,
            Long sheets,
            Long lamps,
            Long lampsAtOnce) {

        Budget over(Budget b) {
            return new Budget(
                    or(triangles, b.triangles()),
                    or(drawCalls, b.drawCalls()),
                    or(textureBytes, b.textureBytes()),
                    or(materials, b.materials()),
                    or(sheets, b.sheets()),
                    or(lamps, b.lamps()),
                    or(lampsAtOnce, b.lampsAtOnce()));
        }
    }

    record StageTime(@NotNull @Min(0) @Max(6) Integer stage, @NotNull Long amount) {}

    /**
     * Only what is told changes.
     *
     * @param plannedMinutes time boxes of some stages, by their number
     * @param spentSeconds   what some stages have taken in all, where a person corrects it
     */
    record BriefChange(
            String intent,
            String focal,
            Budget.Target target,
            @Valid BudgetChange budget,
            List<@NotNull @Valid StageTime> plannedMinutes,
            List<@NotNull @Valid StageTime> spentSeconds) {

        Brief over(Brief b) {
            var planned = new ArrayList<>(b.plannedMinutes());
            or(plannedMinutes, List.<StageTime>of()).forEach(t -> planned.set(t.stage(), t.amount()));
            return new Brief(
                    or(intent, b.intent()),
                    or(focal, b.focal()),
                    or(target, b.target()),
                    budget == null ? b.budget() : budget.over(b.budget()),
                    planned,
                    b.correctedSeconds());
        }
    }

    private static <T> T or(T told, T standing) {
        return told == null ? standing : told;
    }

    record SpentBody(@NotNull Integer stage, @NotNull Long seconds) {}

    @GetMapping
    BriefView find(@PathVariable long siteId) {
        var standing = briefs.find(siteId);
        var b = standing.brief();
        return new BriefView(
                b.intent(),
                b.focal(),
                b.target(),
                BudgetView.of(b.budget()),
                b.plannedMinutes(),
                standing.spentSeconds(),
                Arrays.stream(Budget.Target.values())
                        .map(t -> new TargetView(t, BudgetView.of(t.budget())))
                        .toList());
    }

    @PatchMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable long siteId, Seen seen, @Valid @RequestBody BriefChange body) {
        briefs.change(
                siteId,
                seen,
                body::over,
                or(body.spentSeconds(), List.<StageTime>of()).stream()
                        .collect(Collectors.toMap(StageTime::stage, StageTime::amount, (first, last) -> last)));
    }

    @PostMapping("/spent")
    @Operation(summary = "Adds to the measured time of a stage; no edit, so nothing to undo")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void spend(@PathVariable long siteId, @Valid @RequestBody SpentBody body) {
        briefs.spend(siteId, body.stage(), body.seconds());
    }
}
