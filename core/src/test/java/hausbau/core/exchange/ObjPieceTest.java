package hausbau.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import de.javagl.obj.MtlReader;
import de.javagl.obj.ObjReader;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.MaterialNames;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A piece taken out as OBJ, read back by a reading library and by its plain text. */
class ObjPieceTest {

    private static final Finish FINISH = Finish.ofDensity(256);

    private static ObjPiece bench() {
        return ObjPiece.of(
                new Piece("PRP/BENCH 1", "bench", new Kind(Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE)),
                FINISH,
                MaterialNames.USUAL);
    }

    /** The bench is 1.6 × 0.45 × 0.45 m about the middle of its base: Y is up, and what was north lies toward −Z. */
    @Test
    void itStandsAtItsPivotInMetresWithYUp() throws IOException {
        var taken = bench();
        assertThat(taken.name()).isEqualTo("PRP_BENCH_1");
        var lines = Arrays.asList(new String(taken.obj(), StandardCharsets.UTF_8).split("\\R"));
        var places = lines.stream()
                .filter(l -> l.startsWith("v "))
                .map(l -> Arrays.stream(l.substring(2).trim().split("\\s+"))
                        .mapToDouble(Double::parseDouble)
                        .toArray())
                .toList();
        assertThat(extent(places, 0)).containsExactly(new double[] {-0.8, 0.8}, within(1e-6));
        assertThat(extent(places, 1)).containsExactly(new double[] {0, 0.45}, within(1e-6));
        assertThat(extent(places, 2)).containsExactly(new double[] {-0.225, 0.225}, within(1e-6));
        assertThat(lines).contains("mtllib PRP_BENCH_1.mtl");
    }

    private static double[] extent(List<double[]> places, int axis) {
        return new double[] {
            places.stream().mapToDouble(p -> p[axis]).min().orElseThrow(),
            places.stream().mapToDouble(p -> p[axis]).max().orElseThrow()
        };
    }

    /** Closed and outward: the volume by the divergence theorem is that of the mesh, and positive. */
    @Test
    void aReadingLibraryFindsTheSameBody() throws IOException {
        var taken = bench();
        var obj = ObjReader.read(new ByteArrayInputStream(taken.obj()));
        var mesh = new Recipe.Bench().mesh(FINISH);
        assertThat(obj.getNumFaces()).isEqualTo(mesh.triangles());
        var volume = 0.0;
        for (var i = 0; i < obj.getNumFaces(); i++) {
            var face = obj.getFace(i);
            var a = obj.getVertex(face.getVertexIndex(0));
            var b = obj.getVertex(face.getVertexIndex(1));
            var c = obj.getVertex(face.getVertexIndex(2));
            volume += (a.getX() * (b.getY() * c.getZ() - b.getZ() * c.getY())
                            + a.getY() * (b.getZ() * c.getX() - b.getX() * c.getZ())
                            + a.getZ() * (b.getX() * c.getY() - b.getY() * c.getX()))
                    / 6.0;
        }
        assertThat(volume).isCloseTo(mesh.volume() / 1e9, within(1e-6));
        assertThat(obj.getNumMaterialGroups()).isEqualTo(2);
        var materials = MtlReader.read(new ByteArrayInputStream(taken.mtl()));
        assertThat(materials).extracting(m -> m.getName()).containsExactlyInAnyOrder("stone", "timber");
        // Timber's red is 0.30 in linear light: 0.584 encoded, by IEC 61966-2-1, worked out by hand.
        assertThat(materials.stream()
                        .filter(m -> m.getName().equals("timber"))
                        .findFirst()
                        .orElseThrow()
                        .getKd()
                        .getX())
                .isCloseTo(0.584f, within(0.001f));
    }

    /** What is written for a wall under a pattern, or a stand-in, is no other matter. */
    @Test
    void aStandInCanBeTakenOutToo() throws IOException {
        var standIn = new Piece(
                "PRP-TILL",
                "till",
                new Kind(Role.PROP, new Recipe.StandIn(Vec.ofMillimetres(900, 600, 1200)), Pivot.BASE_CENTRE));
        assertThat(ObjReader.read(new ByteArrayInputStream(ObjPiece.of(standIn, FINISH, MaterialNames.USUAL)
                                .obj()))
                        .getNumFaces())
                .isEqualTo(44);
    }
}
