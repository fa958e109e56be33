package hausbau.server.http.survey;

import hausbau.core.place.Place;
import hausbau.core.survey.Finding;
import hausbau.server.http.VecMm.BoxMm;
import hausbau.server.journal.Seen;
import hausbau.server.work.survey.SurveyService;
import hausbau.server.work.survey.SurveyService.Found;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}/survey")
@Tag(name = "Survey")
public class SurveyController {

    private static final int MOST_SHOWN = 1000;
    private static final int MOST_OF_A_CARD = 60;

    private final SurveyService surveys;

    SurveyController(SurveyService surveys) {
        this.surveys = surveys;
    }

    /**
     * @param card         the key of what it shares with those that are alike
     * @param placementIds the ids of what it concerns
     * @param fix          what would mend it; null where that is not plain
     * @param accepted     why a person accepts it as it is; null where nobody does
     */
    record FindingView(
            @NotNull String key,
            @NotNull Finding.Check kind,
            @NotNull boolean fault,
            @NotNull String title,
            @NotNull String reason,
            @NotNull String card,
            @NotNull List<String> placementIds,
            @NotNull BoxMm placeMm,
            String fix,
            String accepted) {

        static FindingView of(Found found) {
            var f = found.finding();
            return new FindingView(
                    f.key(),
                    f.check(),
                    f.check().isFault(),
                    f.title(),
                    f.reason(),
                    f.card().key(),
                    f.places().stream().map(Place::toString).toList(),
                    BoxMm.of(f.box()),
                    f.fix().map(Finding.Fix::label).orElse(null),
                    found.isOpen() ? null : found.accepted());
        }
    }

    /**
     * Findings alike.
     *
     * @param room     empty where they are in no room
     * @param findings the first of them
     * @param mendable how many of them have a plain fix
     */
    public record CardView(
            @NotNull String key,
            @NotNull Finding.Check kind,
            @NotNull boolean fault,
            @NotNull String heading,
            @NotNull String room,
            @NotNull boolean accepted,
            @NotNull int count,
            @NotNull int mendable,
            @NotNull List<FindingView> findings) {

        static CardView of(SurveyService.Card card) {
            var of = card.of();
            return new CardView(
                    of.key(),
                    of.check(),
                    of.check().isFault(),
                    of.heading(),
                    of.room(),
                    !card.findings().get(0).isOpen(),
                    card.findings().size(),
                    (int) card.findings().stream()
                            .filter(f -> f.finding().fix().isPresent())
                            .count(),
                    card.findings().stream()
                            .limit(MOST_OF_A_CARD)
                            .map(FindingView::of)
                            .toList());
        }
    }

    /**
     * @param faults   open faults, @param cautions open cautions; what is accepted counts in neither
     * @param findings at most 1000, faults first
     * @param revision of the site that was surveyed
     */
    public record SurveyView(
            @NotNull long faults,
            @NotNull long cautions,
            @NotNull long accepted,
            @NotNull List<FindingView> findings,
            @NotNull long revision) {}

    /** @param key of a finding, or of a card for all on it */
    record KeyBody(@NotNull String key) {}

    /** @param reason left out or empty: it is accepted no longer */
    record AcceptBody(@NotNull String key, String reason) {}

    @GetMapping
    public SurveyView survey(@PathVariable long siteId) {
        var report = surveys.survey(siteId);
        return new SurveyView(
                report.faults(),
                report.cautions(),
                report.findings().size() - report.faults() - report.cautions(),
                report.findings().stream()
                        .limit(MOST_SHOWN)
                        .map(FindingView::of)
                        .toList(),
                report.revision());
    }

    @GetMapping("/cards")
    @Operation(summary = "The findings, those alike on one card")
    public List<CardView> cards(@PathVariable long siteId, @RequestParam(defaultValue = "500") int most) {
        return surveys.survey(siteId).cards().stream()
                .limit(Math.max(0, Math.min(5000, most)))
                .map(CardView::of)
                .toList();
    }

    @PostMapping("/fixes")
    @Operation(summary = "Carries out the fix that a finding offers, or those of all findings alike")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void fix(@PathVariable long siteId, Seen seen, @Valid @RequestBody KeyBody body) {
        surveys.fix(siteId, seen, body.key());
    }

    @PostMapping("/accepted")
    @Operation(summary = "Accepts findings as they are, until what they are about changes")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void accept(@PathVariable long siteId, Seen seen, @Valid @RequestBody AcceptBody body) {
        surveys.accept(
                siteId, seen, body.key(), Optional.ofNullable(body.reason()).orElse(""));
    }
}
