package hausbau.server.http.kit;

import hausbau.core.fit.Divider;
import hausbau.core.fit.Division;
import hausbau.core.fit.DivisionQuestion;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/divisions")
@Tag(name = "Divider")
class DivisionController {

    record FixedLengthBody(@NotNull String name, @NotNull Length lengthMm) {}

    record SideBody(@NotNull String name, @NotNull Length lengthMm, List<@NotNull @Valid FixedLengthBody> fixed) {}

    /** @param unit in which reasons name lengths; left out: millimetres */
    record DivisionBody(
            @NotNull List<@NotNull @Valid SideBody> sides,
            Boolean agree,
            List<@NotNull Length> knownMm,
            @NotNull Length stepMm,
            @NotNull Length minPieceMm,
            @NotNull Length maxPieceMm,
            Unit unit) {}

    record DivisionChangeView(@NotNull String side, String fixed, @NotNull Length byMm) {}

    record FilledView(
            @NotNull String name,
            @NotNull Length lengthMm,
            @NotNull List<FixedLengthBody> fixed,
            @NotNull List<Length> piecesMm) {}

    /** @param newPieceMm the piece that must be made for it; null for none */
    record DivisionView(
            @NotNull Division.Sort sort,
            Length newPieceMm,
            @NotNull List<DivisionChangeView> changes,
            @NotNull List<FilledView> sides,
            @NotNull int pieces,
            @NotNull int kinds,
            @NotNull String why) {}

    @PostMapping
    @Operation(summary = "Divides lengths into pieces, exactly; the best way first")
    List<DivisionView> divide(@Valid @RequestBody DivisionBody body) {
        var unit = Optional.ofNullable(body.unit()).orElse(Unit.MILLIMETRE);
        var question = new DivisionQuestion(
                body.sides().stream()
                        .map(s -> new DivisionQuestion.Side(
                                s.name(),
                                s.lengthMm(),
                                Optional.ofNullable(s.fixed()).orElse(List.of()).stream()
                                        .map(f -> new DivisionQuestion.Fixed(f.name(), f.lengthMm()))
                                        .toList()))
                        .toList(),
                Boolean.TRUE.equals(body.agree()),
                Optional.ofNullable(body.knownMm()).orElse(List.of()),
                body.stepMm(),
                body.minPieceMm(),
                body.maxPieceMm());
        return Divider.divide(question).stream().map(d -> view(d, unit)).toList();
    }

    private static DivisionView view(Division d, Unit unit) {
        return new DivisionView(
                d.sort(),
                d.newPiece().isPositive() ? d.newPiece() : null,
                d.changes().stream()
                        .map(c -> new DivisionChangeView(c.side(), c.fixed().isEmpty() ? null : c.fixed(), c.by()))
                        .toList(),
                d.filled().stream()
                        .map(f -> new FilledView(
                                f.side().name(),
                                f.length(),
                                f.side().fixed().stream()
                                        .map(x -> new FixedLengthBody(
                                                x.name(), x.length().plus(changeOf(d, f, x))))
                                        .toList(),
                                f.pieces()))
                        .toList(),
                d.pieces(),
                d.kinds(),
                d.why(unit));
    }

    private static Length changeOf(Division d, Division.FilledSide side, DivisionQuestion.Fixed item) {
        return d.changes().stream()
                .filter(c -> c.side().equals(side.side().name()) && c.fixed().equals(item.name()))
                .map(Division.Change::by)
                .reduce(Length.ZERO, Length::plus);
    }
}
