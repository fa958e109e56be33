package hausbau.server.http.kit;

import hausbau.core.fit.TierPlan;
import hausbau.core.fit.TierQuestion;
import hausbau.core.fit.TierWall;
import hausbau.core.measure.Length;
import hausbau.server.work.kit.KitPlanService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/tier-plans")
@Tag(name = "Kit")
class TierController {

    private final KitPlanService kit;

    TierController(KitPlanService kit) {
        this.kit = kit;
    }

    record TierOpeningBody(
            @NotNull Length atMm, @NotNull Length lengthMm, @NotNull Length sillMm, @NotNull Length heightMm) {

        TierWall.Opening toOpening() {
            return new TierWall.Opening(atMm, lengthMm, sillMm, heightMm);
        }
    }

    record TierWallBody(
            @NotNull String name,
            @NotNull Length lengthMm,
            @NotNull Length heightMm,
            @Valid List<@NotNull TierOpeningBody> openings) {

        TierWall toWall() {
            var open = Optional.ofNullable(openings).orElse(List.of());
            return new TierWall(
                    name,
                    lengthMm,
                    heightMm,
                    open.stream().map(TierOpeningBody::toOpening).toList());
        }
    }

    record TierPlanBody(
            @NotNull Length stepMm,
            @NotNull Length minPieceMm,
            @NotNull Length maxPieceMm,
            @NotNull Length minTierMm,
            @NotNull Length maxTierMm,
            @NotNull Integer maxKinds,
            @NotNull @Valid List<@NotNull TierWallBody> walls) {

        TierQuestion toQuestion() {
            return new TierQuestion(
                    stepMm,
                    minPieceMm,
                    maxPieceMm,
                    minTierMm,
                    maxTierMm,
                    maxKinds,
                    walls.stream().map(TierWallBody::toWall).toList());
        }
    }

    record TierPieceView(@NotNull Length lengthMm, @NotNull Length heightMm) {}

    /** @param openingHeightMm of the opening in it, @param sillMm of the opening above the panel's foot */
    record TierPanelView(
            @NotNull Length lengthMm,
            @NotNull Length openingHeightMm,
            @NotNull Length sillMm,
            @NotNull Length heightMm) {}

    /** @param tiersMm of each wall from bottom to top, in the order in which the walls were given */
    record TierOptionView(
            @NotNull int kinds,
            @NotNull long placements,
            @NotNull boolean proven,
            @NotNull List<TierPieceView> piecesMm,
            @NotNull List<TierPanelView> panelsMm,
            @NotNull List<List<Length>> tiersMm) {

        static TierOptionView of(TierPlan.Option o) {
            return new TierOptionView(
                    o.kinds(),
                    o.placements(),
                    o.proven(),
                    o.pieces().stream()
                            .map(p -> new TierPieceView(p.length(), p.height()))
                            .toList(),
                    o.panels().stream()
                            .map(p -> new TierPanelView(p.length(), p.openingHeight(), p.sill(), p.height()))
                            .toList(),
                    o.tiers());
        }
    }

    /** A wall that no allowed tiers and pieces can build. */
    record UnfillableWallView(@NotNull String wall, @NotNull Length lengthMm, @NotNull Length heightMm) {}

    record TierPlanView(@NotNull List<TierOptionView> options, @NotNull List<UnfillableWallView> unfillable) {}

    @PostMapping
    @Operation(summary = "Walls cut into tiers and pieces, for walls that belong to no site")
    TierPlanView plan(@Valid @RequestBody TierPlanBody body, @RequestParam(required = false) String token) {
        var question = body.toQuestion();
        var plan = kit.plan(question, KitPlanController.word(token));
        var unfillable = new HashSet<>(plan.unfillable());
        return new TierPlanView(
                plan.options().stream().map(TierOptionView::of).toList(),
                question.walls().stream()
                        .filter(unfillable::contains)
                        .map(w -> new UnfillableWallView(w.name(), w.length(), w.height()))
                        .toList());
    }
}
