package hausbau.server.http.massing;

import hausbau.core.massing.Flow;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.server.work.massing.MassingService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Massing")
class FlowController {

    private final MassingService massing;

    FlowController(MassingService massing) {
        this.massing = massing;
    }

    /**
     * @param widthMm    of the narrowest place on the best way there, at most 3 m
     * @param narrow     whether a wheelchair does not get there
     * @param headroomMm least on the best way there, at most 3 m
     */
    record ReachedView(
            @NotNull long roomId,
            @NotNull Length widthMm,
            @NotNull Length headroomMm,
            @NotNull boolean deadEnd,
            @NotNull boolean narrow) {}

    /** @param from the room it begins in; absent if nobody can stand there */
    record FlowView(Long from, @NotNull List<ReachedView> reached, @NotNull List<Long> unreached) {}

    @GetMapping("/flow")
    @Operation(
            summary =
                    "Which rooms a person of the Figure's size reaches from a place, and how narrow and low the way is")
    FlowView flow(
            @PathVariable long siteId,
            @RequestParam BigDecimal x,
            @RequestParam BigDecimal y,
            @RequestParam(defaultValue = "0") BigDecimal z) {
        var start = Vec.of(Length.ofMillimetres(x), Length.ofMillimetres(y), Length.ofMillimetres(z));
        var found = new Flow(massing.find(siteId).decisions().massing()).from(start);
        return new FlowView(
                found.from().map(Room::id).orElse(null),
                found.reached().stream()
                        .map(r -> new ReachedView(r.room().id(), r.width(), r.headroom(), r.deadEnd(), r.isNarrow()))
                        .toList(),
                found.unreached().stream().map(Room::id).toList());
    }
}
