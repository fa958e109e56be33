package hausbau.server.http.kit;

import hausbau.core.advice.StepTrial;
import hausbau.core.massing.StepChange;
import hausbau.core.measure.Length;
import hausbau.server.http.kit.KitPlanController.DoesView;
import hausbau.server.journal.Seen;
import hausbau.server.work.massing.StepService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Kit")
class StepController {

    private final StepService steps;

    StepController(StepService steps) {
        this.steps = steps;
    }

    /** @param stepsMm that are looked at; the usual ones if none are told */
    record TrialsBody(@NotNull @Valid KitRulesBody rules, List<@NotNull Length> stepsMm) {}

    /**
     * @param roomId the room itself, or the one that it is in; 0 for what belongs to no room
     * @param edges  how many of its edges move
     * @param mostMm how far the one moves that moves farthest
     */
    record MovedView(@NotNull String text, @NotNull long roomId, @NotNull int edges, @NotNull Length mostMm) {

        static MovedView of(StepChange.Moved m) {
            return new MovedView(m.text(), m.roomId(), m.edges(), m.most());
        }
    }

    /**
     * A kit of another step.
     *
     * @param option     by which it is taken
     * @param kinds      every derived kind that stands then
     * @param placements every derived placement
     * @param faults     how many more the survey finds then
     */
    record TrialKitView(
            @NotNull String option,
            @NotNull int kinds,
            @NotNull long placements,
            @NotNull boolean proven,
            @NotNull DoesView does,
            @NotNull long faults) {}

    /**
     * @param edges   how many edges of rooms, openings and solids have to move
     * @param mostMm  how far the one that moves farthest
     * @param moved   everything that is not as it was
     * @param kit     null where there is none
     * @param refusal why there is no kit
     */
    record StepTrialView(
            @NotNull Length stepMm,
            @NotNull int edges,
            @NotNull Length mostMm,
            @NotNull List<MovedView> moved,
            TrialKitView kit,
            @NotNull String refusal) {

        static StepTrialView of(StepTrial t, long faults) {
            return new StepTrialView(
                    t.step(),
                    t.change().map(StepChange::edges).orElse(0),
                    t.change().map(StepChange::most).orElse(Length.ZERO),
                    t.change().map(StepChange::moved).orElse(List.of()).stream()
                            .map(MovedView::of)
                            .toList(),
                    t.built()
                            .map(b -> new TrialKitView(
                                    b.option().choice().word(),
                                    b.kinds(),
                                    b.placements(),
                                    b.option().proven(),
                                    DoesView.of(b.does()),
                                    b.faults() - faults))
                            .orElse(null),
                    t.refusal());
        }
    }

    /** @param option of the trial of this step */
    record StepBody(@NotNull Length stepMm, @NotNull String option) {}

    @PostMapping("/step-trials")
    @Operation(summary = "The site on other steps: what would have to move, and the kit it would be built from")
    List<StepTrialView> trials(
            @PathVariable long siteId,
            @Valid @RequestBody TrialsBody body,
            @RequestParam(required = false) String token) {
        var trials = steps.trials(
                siteId,
                body.rules().toRules(),
                body.stepsMm() == null ? List.of() : body.stepsMm(),
                KitPlanController.word(token));
        return trials.trials().stream()
                .map(t -> StepTrialView.of(t, trials.faults()))
                .toList();
    }

    @PutMapping("/step")
    @Operation(summary = "Goes over to another step: moves what has to move and builds from its kit, in one step back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void take(@PathVariable long siteId, Seen seen, @Valid @RequestBody StepBody body) {
        steps.take(siteId, seen, body.stepMm(), body.option());
    }
}
