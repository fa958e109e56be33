package hausbau.server.store.kit;

import com.fasterxml.jackson.annotation.JsonInclude;
import hausbau.core.kit.Pattern;
import hausbau.core.kit.Pattern.At;
import hausbau.core.kit.Pattern.From;
import hausbau.core.kit.Surroundings;
import hausbau.core.measure.Length;
import hausbau.core.shape.Swatch;
import hausbau.server.store.Millimetres;
import hausbau.server.store.kit.PartWords.Section;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ObjectNode;

/** A pattern in words, as it is kept and as it is told over HTTP. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record PatternWords(
        @NotNull Length leastMm,
        @NotNull List<@NotNull @Valid BandWords> bands,
        @NotNull List<@NotNull @Valid TrimWords> trims,
        @NotNull List<@NotNull @Valid UprightWords> uprights,
        @Nullable @Valid SlabWords floor,
        @Nullable @Valid SlabWords ceiling,
        @Nullable @Valid TreadWords stairs,
        @Nullable @Valid RailingWords guards) {

    private static final int VERSION = 1;

    /** @param heightMm 0 takes what the others leave */
    public record BandWords(
            @NotNull String name, @NotNull Swatch swatch, @NotNull Length heightMm, @NotNull Length proudMm) {}

    /** @param atMm from the foot or the top to its nearer edge */
    public record TrimWords(
            @NotNull String name,
            @NotNull Swatch swatch,
            @NotNull @Valid Section profile,
            @NotNull From from,
            @NotNull Length atMm) {}

    /** @param pitchMm from one to the next at most, where they stand at a pitch */
    public record UprightWords(
            @NotNull String name,
            @NotNull Swatch swatch,
            @NotNull At at,
            @NotNull Length widthMm,
            @NotNull Length proudMm,
            @NotNull Length pitchMm,
            @NotNull Length lowMm,
            @NotNull Length highMm) {}

    /** @param widthMm of the border along a piece's edges, 0 for none; @param proudMm how far it hangs, of a ceiling's */
    public record SlabWords(
            @NotNull Swatch field, @NotNull Swatch border, @NotNull Length widthMm, @NotNull Length proudMm) {

        static @Nullable SlabWords of(Optional<Surroundings.Slab> slab) {
            return slab.map(s -> new SlabWords(s.field(), s.border(), new Length(s.width()), new Length(s.proud())))
                    .orElse(null);
        }

        static Optional<Surroundings.Slab> toSlab(@Nullable SlabWords words) {
            return Optional.ofNullable(words)
                    .map(w -> new Surroundings.Slab(w.field, w.border, w.widthMm.um(), w.proudMm.um()));
        }
    }

    /** @param thicknessMm of what one steps on, 0 for none */
    public record TreadWords(
            @NotNull Swatch body, @NotNull Swatch tread, @NotNull Length thicknessMm, @NotNull Length nosingMm) {}

    /** @param pitchMm from one bar to the next at most; @param widthMm of the rail, and @param heightMm of it */
    public record RailingWords(
            @NotNull Swatch bars,
            @NotNull Length pitchMm,
            @NotNull Length barMm,
            @NotNull Swatch rail,
            @NotNull Length widthMm,
            @NotNull Length heightMm) {}

    public static PatternWords of(Pattern p) {
        var around = p.around();
        return new PatternWords(
                new Length(p.least()),
                p.bands().stream()
                        .map(b -> new BandWords(b.name(), b.swatch(), new Length(b.height()), new Length(b.proud())))
                        .toList(),
                p.trims().stream()
                        .map(t -> new TrimWords(
                                t.name(), t.swatch(), Section.of(t.profile()), t.from(), new Length(t.at())))
                        .toList(),
                p.uprights().stream()
                        .map(u -> new UprightWords(
                                u.name(),
                                u.swatch(),
                                u.at(),
                                new Length(u.width()),
                                new Length(u.proud()),
                                new Length(u.pitch()),
                                new Length(u.low()),
                                new Length(u.high())))
                        .toList(),
                SlabWords.of(around.floor()),
                SlabWords.of(around.ceiling()),
                around.stairs()
                        .map(t ->
                                new TreadWords(t.body(), t.tread(), new Length(t.thickness()), new Length(t.nosing())))
                        .orElse(null),
                around.guards()
                        .map(g -> new RailingWords(
                                g.bars(),
                                new Length(g.pitch()),
                                new Length(g.bar()),
                                g.rail(),
                                new Length(g.width()),
                                new Length(g.height())))
                        .orElse(null));
    }

    /** @throws hausbau.core.measure.Refused if it cannot be */
    public Pattern toPattern() {
        return new Pattern(
                leastMm.um(),
                bands.stream()
                        .map(b -> new Pattern.Band(
                                b.name(),
                                b.swatch(),
                                b.heightMm().um(),
                                b.proudMm().um()))
                        .toList(),
                trims.stream()
                        .map(t -> new Pattern.Trim(
                                t.name(),
                                t.swatch(),
                                t.profile().toProfile(),
                                t.from(),
                                t.atMm().um()))
                        .toList(),
                uprights.stream()
                        .map(u -> new Pattern.Upright(
                                u.name(),
                                u.swatch(),
                                u.at(),
                                u.widthMm().um(),
                                u.proudMm().um(),
                                u.pitchMm().um(),
                                u.lowMm().um(),
                                u.highMm().um()))
                        .toList(),
                new Surroundings(
                        SlabWords.toSlab(floor),
                        SlabWords.toSlab(ceiling),
                        Optional.ofNullable(stairs)
                                .map(t -> new Surroundings.Tread(t.body, t.tread, t.thicknessMm.um(), t.nosingMm.um())),
                        Optional.ofNullable(guards)
                                .map(g -> new Surroundings.Railing(
                                        g.bars,
                                        g.pitchMm.um(),
                                        g.barMm.um(),
                                        g.rail,
                                        g.widthMm.um(),
                                        g.heightMm.um()))));
    }

    String write() {
        return Millimetres.JSON.writeValueAsString(
                Millimetres.JSON.<ObjectNode>valueToTree(this).put("version", VERSION));
    }

    /** @throws IllegalArgumentException if it is of a version that is not known */
    static PatternWords read(String text) {
        var json = (ObjectNode) Millimetres.JSON.readTree(text);
        var version = json.remove("version").asInt();
        if (version != VERSION) {
            throw new IllegalArgumentException("a pattern of version " + version + " cannot be read");
        }
        return Millimetres.JSON.treeToValue(json, PatternWords.class);
    }
}
