package hausbau.server.http;

import hausbau.core.survey.Finding;
import hausbau.server.http.VecMm.BoxMm;
import hausbau.server.work.SurveyService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}/survey")
@Tag(name = "Survey")
class SurveyController {

    /** A list longer than this helps nobody; the count tells the rest. */
    private static final int MOST_SHOWN = 1000;

    private final SurveyService surveys;

    SurveyController(SurveyService surveys) {
        this.surveys = surveys;
    }

    /** @param fix what the fix would do; null where none is plain */
    record FindingView(@NotNull String key, @NotNull Finding.Kind kind, @NotNull boolean fault, @NotNull String title,
            @NotNull String reason, @NotNull List<Long> placementIds, @NotNull BoxMm placeMm, String fix) {
    }

    /** @param total how many there are; at most 1000 are listed, faults first */
    record SurveyView(@NotNull int total, @NotNull List<FindingView> findings) {
    }

    record FixBody(@NotNull String key) {
    }

    @GetMapping
    SurveyView survey(@PathVariable long siteId) {
        var findings = surveys.survey(siteId);
        return new SurveyView(findings.size(), findings.stream().limit(MOST_SHOWN).map(f -> new FindingView(f.key(), f.kind(),
                f.kind().isFault(), f.title(), f.reason(), f.placements(), BoxMm.of(f.place()),
                f.fix().map(Finding.Fix::label).orElse(null))).toList());
    }

    @PostMapping("/fixes")
    @Operation(summary = "Carries out the fix that a finding offers")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void fix(@PathVariable long siteId, @RequestHeader(name = "If-Match", required = false) String ifMatch, @Valid @RequestBody FixBody body) {
        surveys.fix(siteId, Seen.revision(ifMatch), body.key());
    }
}
