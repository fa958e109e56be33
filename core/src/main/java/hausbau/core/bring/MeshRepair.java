package hausbau.core.bring;

import hausbau.core.bring.Choices.Fix;
import hausbau.core.bring.Choices.Up;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import java.util.List;
import java.util.Optional;

/**
 * Makes what a file holds into surfaces on whole micrometres: its units and axes become the site's, its lowest point is the ground,
 * what is plain to set right is.
 */
public final class MeshRepair {

    private static final int MOST_TRIANGLES = 4_000_000;
    private static final double MOST_UM = 200e6;

    private final Choices choices;
    private final Length step;

    public MeshRepair(Choices choices, Length step) {
        this.choices = choices;
        this.step = step;
    }

    /** Each thing of the file, or all of it as one. */
    public static List<ImportedObject> things(String file, List<ImportedObject> all, boolean isWhole) {
        if (!isWhole || all.size() < 2) {
            return all;
        }
        return List.of(new ImportedObject(
                file,
                all.stream().flatMap(l -> l.surfaces().stream()).toList(),
                all.stream().anyMatch(ImportedObject::uneven),
                all.stream().mapToInt(ImportedObject::stray).sum()));
    }

    /**
     * @param size of the piece that it takes the place of, where it has to be of that
     * @throws Refused if it has too many faces, or none, or is too large in this unit
     */
    public RepairedMesh repair(ImportedObject loose, Optional<Vec> size) {
        if (loose.triangles() > MOST_TRIANGLES) {
            throw new Refused(
                    "file",
                    "“" + loose.name() + "” has " + loose.triangles() + " triangles; a piece has at most "
                            + MOST_TRIANGLES + ". Reduce it first.");
        }
        var corners = new int[3 * loose.triangles()];
        var places = places(loose, corners);
        var came = new MeshTopology(places, corners);
        var extent = extent(places, corners, loose);
        var below = -extent[2];
        var report = report(loose, places, came, size, extent, below);
        if (choices.fixes().contains(Fix.WELD)) {
            Welding.weld(places);
        }
        if (choices.fixes().contains(Fix.FIT)) {
            // Welding may have moved its sides.
            fit(places, extent(places, corners, loose), size);
        }
        var mended = choices.fixes().isEmpty() ? came : new MeshTopology(places, corners);
        var now = extent(places, corners, loose);
        for (var i = 0; i < places.length; i++) {
            places[i] -= (int) now[i % 3];
        }
        var drops = choices.fixes().contains(Fix.WELD);
        var turns = choices.fixes().contains(Fix.OUTWARD);
        var after = choices.fixes().isEmpty()
                ? report
                : left(report(loose, places, mended, size, now, below), drops, turns);
        return new RepairedMesh(
                loose.name(),
                new WeldedSurfaces(loose, choices.up(), places, corners, mended, drops, turns).shells(),
                report,
                after,
                new Vec(-now[0], -now[1], -now[2]));
    }

    /** What the report says once that is done which was asked for. */
    private static Report left(Report r, boolean drops, boolean turns) {
        return new Report(
                r.triangles() - (drops ? r.doubled() + r.flat() : 0),
                r.vertices(),
                r.size(),
                r.open(),
                r.tangled(),
                turns ? 0 : r.inward(),
                drops ? 0 : r.doubled(),
                drops ? 0 : r.flat(),
                drops ? 0 : r.stray(),
                r.uneven(),
                r.off(),
                r.below());
    }

    private int[] places(ImportedObject loose, int[] corners) {
        var places = new int
                [loose.surfaces().stream().mapToInt(s -> s.places().length).sum()];
        var next = 0;
        var corner = 0;
        for (var surface : loose.surfaces()) {
            var first = next / 3;
            for (var v = 0; v < surface.places().length; v += 3) {
                var x = surface.places()[v];
                var y = surface.places()[v + 1];
                var z = surface.places()[v + 2];
                places[next++] = um(x);
                places[next++] = um(choices.up() == Up.Y ? -z : y);
                places[next++] = um(choices.up() == Up.Y ? y : z);
            }
            for (var index : surface.indices()) {
                corners[corner++] = first + index;
            }
        }
        return places;
    }

    private int um(double inFile) {
        var um = inFile * choices.millimetres() * 1000;
        if (!(Math.abs(um) <= MOST_UM)) {
            throw new Refused(
                    "unit",
                    "In this unit a corner would lie " + Math.round(Math.abs(um) / 1e6)
                            + " m from its origin; at most 200 m are taken. Is it in another unit?");
        }
        return (int) Math.round(um);
    }

    /** Least and greatest of what faces use. */
    private static long[] extent(int[] places, int[] corners, ImportedObject loose) {
        if (corners.length == 0) {
            throw new Refused("file", "“" + loose.name() + "” has no faces.");
        }
        var extent = new long[] {
            Long.MAX_VALUE, Long.MAX_VALUE, Long.MAX_VALUE, Long.MIN_VALUE, Long.MIN_VALUE, Long.MIN_VALUE
        };
        for (var corner : corners) {
            for (var axis = 0; axis < 3; axis++) {
                extent[axis] = Math.min(extent[axis], places[3 * corner + axis]);
                extent[3 + axis] = Math.max(extent[3 + axis], places[3 * corner + axis]);
            }
        }
        return extent;
    }

    private Report report(
            ImportedObject loose, int[] places, MeshTopology topology, Optional<Vec> size, long[] extent, long below) {
        var is = new Vec(extent[3] - extent[0], extent[4] - extent[1], extent[5] - extent[2]);
        var wanted = wanted(is, size);
        return new Report(
                topology.turned.length,
                places.length / 3,
                is,
                topology.open,
                topology.tangled,
                topology.inward,
                topology.doubled,
                topology.flat,
                loose.stray(),
                loose.uneven(),
                is.minus(wanted),
                below);
    }

    private Vec wanted(Vec is, Optional<Vec> size) {
        return size.orElseGet(() -> new Vec(onStep(is.x()), onStep(is.y()), onStep(is.z())));
    }

    /** What is thinner than half a step is not built in steps: it stays. */
    private long onStep(long length) {
        return 2 * length < step.um() ? length : Math.round((double) length / step.um()) * step.um();
    }

    private void fit(int[] places, long[] extent, Optional<Vec> size) {
        var is = new long[] {extent[3] - extent[0], extent[4] - extent[1], extent[5] - extent[2]};
        var wanted = wanted(new Vec(is[0], is[1], is[2]), size);
        var to = new long[] {wanted.x(), wanted.y(), wanted.z()};
        for (var i = 0; i < places.length; i++) {
            var axis = i % 3;
            if (is[axis] > 0) {
                places[i] = (int) Math.round((double) (places[i] - extent[axis]) * to[axis] / is[axis]);
            }
        }
    }
}
