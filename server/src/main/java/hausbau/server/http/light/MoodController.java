package hausbau.server.http.light;

import hausbau.core.light.Mood;
import hausbau.core.light.Rgb;
import hausbau.core.light.Sun;
import hausbau.core.light.Sunlight;
import hausbau.server.journal.Seen;
import hausbau.server.store.light.MoodWords;
import hausbau.server.work.light.MoodService;
import hausbau.server.work.light.MoodService.Known;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.stream.DoubleStream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Moods")
class MoodController {

    private final MoodService moods;

    MoodController(MoodService moods) {
        this.moods = moods;
    }

    /** Light in linear red, green and blue, as the mood's exposure has it: middle grey is 0.18. */
    record RgbView(@NotNull double r, @NotNull double g, @NotNull double b) {
        static RgbView of(Rgb c) {
            return new RgbView(c.r(), c.g(), c.b());
        }
    }

    /** Toward a light in the frame of the plan, of length 1. */
    record SunView(@NotNull double x, @NotNull double y, @NotNull double z) {
        static SunView of(Sun sun) {
            return new SunView(sun.x(), sun.y(), sun.z());
        }
    }

    /** @param light on what faces it */
    record BeamView(@NotNull SunView toward, @NotNull RgbView light) {
        static BeamView of(Sunlight.Beam b) {
            return new BeamView(SunView.of(b.toward()), RgbView.of(b.lux()));
        }
    }

    /**
     * What a mood comes to.
     *
     * @param even        for judging shape: light from all around, and nothing of what follows
     * @param middle      what is seen as middle grey, cd/m²
     * @param beams       the first casts shadows, @param sunDegrees how large it looks
     * @param above       what the sky gives on what faces up, @param below what the ground gives on what faces down
     * @param dome        red, green and blue in rows from the horizon to the zenith, counter-clockwise from east
     * @param domeAround  places in a row, @param domeUp rows
     * @param lamps       by how much the lamps of pieces are brighter than they are told
     * @param white       by how much each colour is multiplied before it is graded
     * @param airColour   what the air throws back, @param patchiness and @param shafts percent
     * @param extinction  of the air for each metre, @param airHeightM over which it thins to 37 %, 0 where it does not
     */
    record LightView(
            @NotNull boolean even,
            @NotNull double middle,
            @NotNull List<@NotNull BeamView> beams,
            @NotNull double sunDegrees,
            @NotNull RgbView above,
            @NotNull RgbView below,
            @NotNull int domeAround,
            @NotNull int domeUp,
            @NotNull List<@NotNull Double> dome,
            @NotNull RgbView ground,
            @NotNull RgbView haze,
            @NotNull double extinction,
            @NotNull double airHeightM,
            @NotNull RgbView airColour,
            @NotNull int patchiness,
            @NotNull int shafts,
            @NotNull int contrast,
            @NotNull int saturation,
            @NotNull int vignette,
            @NotNull int grain,
            @NotNull int bloom,
            @NotNull RgbView white,
            @NotNull double lamps) {

        static LightView of(Mood mood) {
            var lit = mood.lit();
            return new LightView(
                    mood.isEven(),
                    mood.exposure().middle(),
                    lit.beams().stream().map(BeamView::of).toList(),
                    mood.sun().degrees(),
                    RgbView.of(lit.above()),
                    RgbView.of(lit.below()),
                    Mood.AROUND,
                    Mood.UP,
                    lit.dome().stream()
                            .flatMapToDouble(c -> DoubleStream.of(c.r(), c.g(), c.b()))
                            .mapToObj(MoodController::shortened)
                            .toList(),
                    RgbView.of(lit.ground()),
                    RgbView.of(lit.haze()),
                    mood.air().extinction(),
                    mood.air().height(),
                    RgbView.of(Rgb.of(mood.air().colour())),
                    mood.air().patchiness(),
                    mood.air().shafts(),
                    mood.exposure().contrast(),
                    mood.exposure().saturation(),
                    mood.exposure().vignette(),
                    mood.exposure().grain(),
                    mood.exposure().bloom(),
                    RgbView.of(mood.exposure().balance()),
                    mood.lamps() / 100.0);
        }
    }

    /** To four places. */
    private static Double shortened(double value) {
        return Math.round(value * 1e4) / 1e4;
    }

    /** @param id below 0 for those that a site comes with, until one of them is changed or used */
    record MoodView(
            @NotNull long id,
            @NotNull String name,
            @NotNull boolean used,
            @NotNull MoodWords words,
            @NotNull LightView light) {
        static MoodView of(Known k) {
            return new MoodView(k.id(), k.name(), k.isUsed(), MoodWords.of(k.mood()), LightView.of(k.mood()));
        }
    }

    /** @param copyOfId left out: the one in use */
    record NewMoodBody(Long copyOfId) {}

    /** Only what is told changes. */
    record MoodChange(String name, @Valid MoodWords words) {}

    record UsedMoodBody(@NotNull Long moodId) {}

    @GetMapping("/moods")
    List<MoodView> all(@PathVariable long siteId) {
        return moods.all(siteId).stream().map(MoodView::of).toList();
    }

    private MoodView one(long siteId, long id) {
        return all(siteId).stream().filter(m -> m.id() == id).findFirst().orElseThrow();
    }

    @PostMapping("/moods")
    @Operation(summary = "A copy of a mood, or of the one in use; it is put to use")
    @ResponseStatus(HttpStatus.CREATED)
    MoodView create(@PathVariable long siteId, Seen seen, @Valid @RequestBody NewMoodBody body) {
        return one(siteId, moods.copy(siteId, seen, body.copyOfId()));
    }

    @PatchMapping("/moods/{id}")
    MoodView change(@PathVariable long siteId, @PathVariable long id, Seen seen, @Valid @RequestBody MoodChange body) {
        return one(siteId, moods.change(siteId, id, seen, body.name(), wordsOf(body.words())));
    }

    private static MoodWords wordsOf(MoodWords told) {
        return told == null ? MoodWords.NOTHING : told;
    }

    @PostMapping("/moods/{id}/preview")
    @Operation(summary = "The light of a mood with some of it told otherwise; nothing is changed")
    LightView preview(@PathVariable long siteId, @PathVariable long id, @Valid @RequestBody MoodWords words) {
        return LightView.of(moods.preview(siteId, id, words));
    }

    @PutMapping("/mood")
    @Operation(summary = "The set is seen in this mood from now on")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void use(@PathVariable long siteId, Seen seen, @Valid @RequestBody UsedMoodBody body) {
        moods.use(siteId, body.moodId(), seen);
    }

    @DeleteMapping("/moods/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, @PathVariable long id, Seen seen) {
        moods.remove(siteId, id, seen);
    }
}
