package hausbau.server.http.light;

import hausbau.core.irradiance.LampShadows;
import hausbau.core.irradiance.StandingLamps;
import hausbau.core.light.Emitter;
import hausbau.core.light.Lamp;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Point;
import hausbau.server.http.light.MoodController.RgbView;
import hausbau.server.http.light.MoodController.SunView;
import hausbau.server.standing.SiteState;
import hausbau.server.work.light.LightService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}/light")
@Tag(name = "Light")
class LightController {

    private final LightService light;

    LightController(LightService light) {
        this.light = light;
    }

    /**
     * A place that light comes from: what is long or wide is several of them.
     *
     * @param id      of its placement, @param lamp which lamp of its piece, from 0
     * @param at      metres, @param way the middle of its cone, across its panel, or along its tube
     * @param candela where it shines most, whatever the exposure, @param cosine of half of its cone, @param reachM metres
     */
    record EmitterView(
            @NotNull String id,
            @NotNull long pieceId,
            @NotNull int lamp,
            @NotNull Lamp.Kind kind,
            @NotNull SunView at,
            @NotNull SunView way,
            @NotNull RgbView candela,
            @NotNull double cosine,
            @NotNull double reachM) {

        static EmitterView of(StandingLamps.Lit lit, Emitter e, SiteState state) {
            return new EmitterView(
                    lit.place().toString(),
                    state.id(lit.kind()),
                    lit.number(),
                    e.kind(),
                    point(e.at()),
                    point(e.way()),
                    RgbView.of(e.candela()),
                    e.cosine(),
                    e.reach());
        }

        private static SunView point(Point p) {
            return new SunView(p.x(), p.y(), p.z());
        }
    }

    /** A placement that does not glow as its finishes say. @param share 0 is out */
    record DimmedView(@NotNull String id, @NotNull double share) {}

    /** @param shadowSide ways across the square of each that tells how far it shines */
    record LampsView(
            @NotNull List<@NotNull EmitterView> emitters,
            @NotNull int shadowSide,
            @NotNull List<@NotNull DimmedView> dimmed) {}

    @GetMapping("/lamps")
    @Operation(summary = "All lamps that are lit, where they stand")
    LampsView lamps(@PathVariable long siteId) {
        var state = light.state(siteId);
        return new LampsView(
                light.lamps(siteId).stream()
                        .flatMap(lit -> lit.emitters().stream().map(e -> EmitterView.of(lit, e, state)))
                        .toList(),
                LampShadows.SIDE,
                light.dimmed(siteId).stream()
                        .map(d -> new DimmedView(d.place().toString(), d.share()))
                        .toList());
    }

    @GetMapping(path = "/shadows", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @Operation(
            summary =
                    "How far each place that light comes from shines, in the order of the lamps: a byte for each way of an unfolded octahedron, 255 is its reach")
    ResponseEntity<byte[]> shadows(
            @PathVariable long siteId, @RequestParam(defaultValue = "") @Size(max = 80) String token) {
        return bytes(light.shadows(siteId, token));
    }

    @GetMapping(path = "/volume", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @Operation(
            summary =
                    "The light that bounces about the set in a mood, in places of a grid; nothing where nothing stands or the mood is even")
    ResponseEntity<byte[]> volume(
            @PathVariable long siteId,
            @RequestParam long moodId,
            @RequestParam(defaultValue = "500") BigDecimal spacingMm,
            @RequestParam(defaultValue = "") @Size(max = 80) String token) {
        var spacing = Length.ofMillimetres(spacingMm);
        if (spacing.um() < 100_000 || spacing.um() > 20_000_000) {
            throw new Refused("spacingMm", "The spacing is from 100 to 20 000 mm.");
        }
        return bytes(light.volume(siteId, moodId, spacing, token));
    }

    private static ResponseEntity<byte[]> bytes(byte[] bytes) {
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(bytes);
    }
}
