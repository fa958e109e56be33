package hausbau.core.bring;

import hausbau.core.kit.Form;
import hausbau.core.kit.Part;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Makes parts of a piece from what was brought in: one for each material. */
public final class Fitting {

    /** The file's own origin is taken for the pivot where that fits as well as the middle does, but for this much over all sides, µm. Our own bound. */
    private static final long AS_WELL = 200_000;

    private static final int MOST = 150;
    private static final int MOST_NAME = 60;

    private Fitting() {}

    /** The size that it is to be of: what the massing sets down has its own, what a person does has the size that it comes in. */
    public static Optional<Vec> size(Optional<Piece> of) {
        return of.filter(p -> p.role().isDerived()).map(p -> p.recipe().size());
    }

    /**
     * @param swatches of each material
     * @param laidOut  whether it keeps the UVs that it came with
     * @param pictured materials whose pictures lie on sheets of their own, as their UVs have it
     * @param of       the piece that it becomes; what a person told about parts of the same names stays, and so do parts that were made here,
     *                 once some of it was brought in before
     * @throws Refused if it has too many materials
     */
    public static List<Part> parts(
            RepairedMesh settled,
            Map<String, Swatch> swatches,
            boolean laidOut,
            Set<String> pictured,
            Optional<Piece> of) {
        if (settled.shells().size() > MOST) {
            throw new Refused(
                    "file",
                    "“" + settled.name() + "” is of " + settled.shells().size() + " materials; a piece has at most "
                            + MOST + ". Join some of them first.");
        }
        var at = of.filter(p -> p.role().isDerived()).map(p -> at(settled, p)).orElse(Vec.ZERO);
        var fresh = new LinkedHashMap<String, Part>();
        settled.shells().forEach((material, shell) -> {
            var name = free(material, fresh);
            fresh.put(
                    name,
                    Part.of(
                                    swatches.getOrDefault(material, Swatch.PLASTER),
                                    new Form.Brought(
                                            shell, laidOut || pictured.contains(material), pictured.contains(material)),
                                    at)
                            .named(name));
        });
        var was = of.map(Piece::parts)
                .filter(parts -> parts.stream().anyMatch(p -> p.form() instanceof Form.Brought))
                .orElse(List.of());
        var parts = new ArrayList<Part>();
        for (var part : was) {
            if (!(part.form() instanceof Form.Brought)) {
                parts.add(part);
            } else if (fresh.containsKey(part.name())) {
                var now = fresh.remove(part.name());
                parts.add(pictured.contains(part.name()) ? part.of(now.form()).of(now.swatch()) : part.of(now.form()));
            }
        }
        parts.addAll(fresh.values());
        return parts;
    }

    /** A part's name of at most 60 characters; with a number where another material begins as this one does. */
    private static String free(String material, Map<String, Part> given) {
        var name = material.length() <= MOST_NAME ? material : material.substring(0, MOST_NAME);
        for (var n = 2; given.containsKey(name); n++) {
            name = material.substring(0, MOST_NAME - 5) + " " + n;
        }
        return name;
    }

    /** Where its least corner lies in a piece that the massing sets down: as its file has it, where that fits; else in the middle, on the ground. */
    private static Vec at(RepairedMesh settled, Piece of) {
        var size = of.recipe().size();
        var own = settled.left().size();
        var pivot = of.pivot();
        var asFile = pivot.in(size).minus(settled.origin());
        var hangs = pivot == Pivot.TOP_CENTRE || pivot == Pivot.TOP_CORNER;
        var inMiddle = new Vec((size.x() - own.x()) / 2, (size.y() - own.y()) / 2, hangs ? size.z() - own.z() : 0);
        return amiss(asFile, own, size) <= amiss(inMiddle, own, size) + AS_WELL ? asFile : inMiddle;
    }

    /** How far all of its sides lie from those of the piece. */
    private static long amiss(Vec at, Vec own, Vec size) {
        var far = at.plus(own).minus(size);
        return Math.abs(at.x())
                + Math.abs(at.y())
                + Math.abs(at.z())
                + Math.abs(far.x())
                + Math.abs(far.y())
                + Math.abs(far.z());
    }
}
