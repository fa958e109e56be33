package hausbau.server.http;

import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "Lengths")
class LengthController {

    record LengthView(@NotNull Length mm, @NotNull String text) {}

    record UnitView(@NotNull Unit unit, @NotNull String symbol, @NotNull Length lengthMm) {}

    @GetMapping("/lengths")
    @Operation(
            summary =
                    "Reads a typed length; a bare number is in the unit given, and what begins with a plus changes the length that stands")
    LengthView parse(
            @RequestParam String text, @RequestParam Unit unit, @RequestParam(required = false) BigDecimal standingMm) {
        var length = unit.parse(text, standingMm == null ? Length.ZERO : Length.ofMillimetres(standingMm));
        return new LengthView(length, unit.format(length));
    }

    @GetMapping("/units")
    List<UnitView> units() {
        return Arrays.stream(Unit.values())
                .map(u -> new UnitView(u, u.symbol(), new Length(u.um())))
                .toList();
    }
}
