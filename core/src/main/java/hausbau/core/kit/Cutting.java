package hausbau.core.kit;

import hausbau.core.cut.Body;
import hausbau.core.measure.Box;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.MeshBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Parts together as one piece: a part that cuts is not there itself, but is taken out of all that come before it. */
record Cutting(List<Part> parts) {

    /** Vertices of a block with a chamfer. */
    private static final int BLOCK = 96;

    Mesh mesh(Finish finish) {
        var mesh = new MeshBuilder(finish, BLOCK * Math.max(1, parts.size()));
        var last = lastCut();
        var bodies = new ArrayList<Body>();
        for (var i = 0; i < parts.size(); i++) {
            var part = parts.get(i);
            if (i > last) {
                part.addTo(mesh, finish);
            } else if (part.cuts()) {
                part.bodies(finish).forEach(cutter -> bodies.forEach(body -> body.take(cutter)));
            } else {
                part.bodies(finish).forEach(faces -> bodies.add(new Body(faces)));
            }
        }
        bodies.forEach(body -> body.facets().forEach(mesh::add));
        return mesh.build();
    }

    private int lastCut() {
        for (var i = parts.size() - 1; i >= 0; i--) {
            if (parts.get(i).cuts() && !parts.get(i).hidden()) {
                return i;
            }
        }
        return -1;
    }

    /** What a right-angled part cuts is taken out exactly; what another does stays within its boxes. */
    List<Solid> solids() {
        List<Solid> solids = new ArrayList<>();
        for (var part : parts) {
            if (!part.cuts()) {
                part.solids().forEach(box -> solids.add(new Solid(box, part.isRound())));
            } else if (part.fillsItsSolids()) {
                for (var cut : part.solids()) {
                    var left = solids.stream()
                            .flatMap(s -> s.box().overlaps(cut)
                                    ? minus(s.box(), cut).map(box -> new Solid(box, s.round()))
                                    : Stream.of(s))
                            .toList();
                    solids.clear();
                    solids.addAll(left);
                }
            }
        }
        return solids;
    }

    /** A box without another that it overlaps: what is beside it, before and behind it, below and above it. */
    private static Stream<Box> minus(Box box, Box cut) {
        var within = box.intersection(cut);
        var a = box.min();
        var b = box.max();
        var c = within.min();
        var d = within.max();
        return Stream.of(
                        new long[] {a.x(), a.y(), a.z(), c.x(), b.y(), b.z()},
                        new long[] {d.x(), a.y(), a.z(), b.x(), b.y(), b.z()},
                        new long[] {c.x(), a.y(), a.z(), d.x(), c.y(), b.z()},
                        new long[] {c.x(), d.y(), a.z(), d.x(), b.y(), b.z()},
                        new long[] {c.x(), c.y(), a.z(), d.x(), d.y(), c.z()},
                        new long[] {c.x(), c.y(), d.z(), d.x(), d.y(), b.z()})
                .filter(n -> n[0] < n[3] && n[1] < n[4] && n[2] < n[5])
                .map(n -> Box.of(n[0], n[1], n[2], n[3], n[4], n[5]));
    }
}
