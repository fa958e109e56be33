package hausbau.server.store.massing;

import hausbau.core.massing.Moulding;
import hausbau.core.measure.Length;
import hausbau.core.shape.Swatch;
import hausbau.server.store.kit.PartWords.Section;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;

/**
 * How a moulding is made and where it lies, as it is kept and as it is told over HTTP.
 *
 * @param legMm   how far a corner piece reaches along each wall
 * @param aboveMm its lower edge over the floor, where it is held to neither floor nor ceiling; else 0
 */
public record MouldingWords(
        @NotNull @Valid Section profile,
        @NotNull Swatch swatch,
        @NotNull Length legMm,
        @NotNull Moulding.At at,
        @NotNull Length aboveMm) {

    public static MouldingWords of(Moulding m) {
        return new MouldingWords(
                Section.of(m.make().profile()),
                m.make().swatch(),
                m.make().leg(),
                m.line().at(),
                m.line().above());
    }

    public Moulding.Make toMake() {
        return new Moulding.Make(profile.toProfile(), swatch, legMm);
    }

    public Moulding.Line toLine() {
        return new Moulding.Line(at, aboveMm);
    }
}
