package hausbau.core.bring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.bring.Choices.Fix;
import hausbau.core.bring.Choices.Up;
import hausbau.core.kit.Form;
import hausbau.core.kit.Part;
import hausbau.core.kit.Recipe;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Shell;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class MeshRepairTest {

    private static final Length STEP = Length.ofMillimetres(100);

    /** Six sides of a box, each of two triangles that look outward. */
    private static List<double[]> box(double x0, double y0, double z0, double x1, double y1, double z1) {
        var sides = new ArrayList<double[]>();
        for (var quad : List.of(
                new double[][] {{x0, y0, z0}, {x0, y1, z0}, {x1, y1, z0}, {x1, y0, z0}},
                new double[][] {{x0, y0, z1}, {x1, y0, z1}, {x1, y1, z1}, {x0, y1, z1}},
                new double[][] {{x0, y0, z0}, {x1, y0, z0}, {x1, y0, z1}, {x0, y0, z1}},
                new double[][] {{x0, y1, z0}, {x0, y1, z1}, {x1, y1, z1}, {x1, y1, z0}},
                new double[][] {{x0, y0, z0}, {x0, y0, z1}, {x0, y1, z1}, {x0, y1, z0}},
                new double[][] {{x1, y0, z0}, {x1, y1, z0}, {x1, y1, z1}, {x1, y0, z1}})) {
            sides.add(triangle(quad[0], quad[1], quad[2]));
            sides.add(triangle(quad[0], quad[2], quad[3]));
        }
        return sides;
    }

    private static double[] triangle(double[] a, double[] b, double[] c) {
        return new double[] {a[0], a[1], a[2], b[0], b[1], b[2], c[0], c[1], c[2]};
    }

    private static double[] turned(double[] t) {
        return new double[] {t[0], t[1], t[2], t[6], t[7], t[8], t[3], t[4], t[5]};
    }

    private static ImportedObject loose(List<double[]> triangles) {
        var places = triangles.stream().flatMapToDouble(Arrays::stream).toArray();
        var indices = new int[places.length / 3];
        Arrays.setAll(indices, i -> i);
        return new ImportedObject(
                "thing",
                List.of(new ImportedObject.Surface("surface", places, new float[0], new float[0], indices, List.of())),
                false,
                0);
    }

    private static RepairedMesh settled(List<double[]> triangles, Fix... fixes) {
        return new MeshRepair(new Choices(1, Up.Z, false, Set.of(fixes)), STEP)
                .repair(loose(triangles), Optional.empty());
    }

    private Mesh mesh(RepairedMesh settled) {
        var parts = settled.shells().values().stream()
                .map(s -> Part.of(Swatch.STONE, new Form.Brought(s, false), Vec.ZERO))
                .toList();
        return new Recipe.Made(1, parts).mesh(Finish.ofDensity(256));
    }

    @Test
    void aBoxIsWhole() {
        var box = settled(box(0, 0, 0, 1000, 500, 250));
        assertThat(box.came())
                .isEqualTo(new Report(
                        12,
                        36,
                        Vec.ofMillimetres(1000, 500, 250),
                        0,
                        0,
                        0,
                        0,
                        0,
                        0,
                        false,
                        Vec.ofMillimetres(0, 0, -50),
                        0));
        assertThat(box.came().isClosed()).isTrue();
        assertThat(box.came().fits()).isFalse();
        // Flat sides with four corners each.
        assertThat(box.shells().get("surface").vertices()).isEqualTo(24);
        assertThat(mesh(box).volume()).isCloseTo(1000 * 500 * 250.0, within(1e-3));
        assertThat(mesh(box).openEdges()).isEmpty();
    }

    @Test
    void facesThatLookInwardAreCountedAndTurned() {
        var sides = box(0, 0, 0, 1000, 500, 200);
        for (var t : List.of(1, 4, 11)) {
            sides.set(t, turned(sides.get(t)));
        }
        var found = settled(sides);
        assertThat(found.came().inward()).isEqualTo(3);
        assertThat(found.came().open()).isZero();
        var right = settled(sides, Fix.OUTWARD);
        assertThat(right.left().inward()).isZero();
        assertThat(mesh(right).volume()).isCloseTo(1000 * 500 * 200.0, within(1e-3));
        assertThat(mesh(right).openEdges()).isEmpty();
    }

    @Test
    void aBodyInsideOutIsTurnedWhole() {
        var sides = box(0, 0, 0, 1000, 500, 200).stream()
                .map(MeshRepairTest::turned)
                .toList();
        assertThat(settled(sides).came().inward()).isEqualTo(12);
        assertThat(mesh(settled(sides)).volume()).isNegative();
        assertThat(mesh(settled(sides, Fix.OUTWARD)).volume()).isCloseTo(1000 * 500 * 200.0, within(1e-3));
    }

    /** A tub within a block looks inward as it should. */
    @Test
    void aHollowStaysAHollow() {
        var sides = box(0, 0, 0, 1000, 500, 200);
        box(100, 100, 50, 900, 400, 150).forEach(t -> sides.add(turned(t)));
        var tub = settled(sides, Fix.OUTWARD);
        assertThat(tub.came().inward()).isZero();
        assertThat(mesh(tub).volume()).isCloseTo(1000 * 500 * 200.0 - 800 * 300 * 100.0, within(1e-3));
    }

    /** An open box with one side turned: the side is turned to look as the others do, whatever the box encloses. */
    @Test
    void anOpenBodyIsTurnedToo() {
        var sides = new ArrayList<>(box(0, 0, 0, 1000, 500, 200).subList(0, 10));
        sides.set(3, turned(sides.get(3)));
        var open = settled(sides, Fix.OUTWARD);
        assertThat(open.came().open()).isEqualTo(4);
        assertThat(open.came().inward()).isEqualTo(1);
        var sheet = new ArrayList<>(List.of(
                turned(box(0, 0, 0, 1000, 500, 1).get(2)),
                box(0, 0, 0, 1000, 500, 1).get(3)));
        assertThat(settled(sheet).came().inward()).isEqualTo(1);
    }

    @Test
    void whatIsThereTwiceOrHasNoAreaIsTold() {
        var sides = box(0, 0, 0, 1000, 500, 200);
        sides.add(sides.get(2));
        sides.add(turned(sides.get(5)));
        sides.add(new double[] {0, 0, 0, 500, 0, 0, 1000, 0, 0});
        var found = settled(sides, Fix.WELD);
        assertThat(found.came().doubled()).isEqualTo(2);
        assertThat(found.came().flat()).isEqualTo(1);
        assertThat(found.left().triangles()).isEqualTo(12);
        assertThat(found.shells().get("surface").triangles()).isEqualTo(12);
        assertThat(settled(sides).shells().get("surface").triangles()).isEqualTo(14);
    }

    @Test
    void cracksUpToATenthOfAMillimetreAreClosed() {
        var sides = box(0, 0, 0, 1000, 500, 200);
        var moved = sides.get(3).clone();
        moved[2] += 0.06;
        sides.set(3, moved);
        var cracked = settled(sides, Fix.WELD);
        assertThat(cracked.came().open()).isPositive();
        assertThat(cracked.left().open()).isZero();
        assertThat(mesh(cracked).openEdges()).isEmpty();
        moved[2] += 0.2;
        assertThat(settled(sides, Fix.WELD).left().open()).isPositive();
    }

    @Test
    void threeFacesAtAnEdgeAreTangled() {
        var sides = box(0, 0, 0, 1000, 500, 200);
        sides.add(new double[] {0, 0, 0, 1000, 0, 0, 500, -300, 0});
        assertThat(settled(sides).came().tangled()).isEqualTo(1);
    }

    @Test
    void itIsStretchedToWholeStepsOrToThePieceThatItTakesThePlaceOf() {
        var sides = box(7, 3, -20, 1003, 501, 2489);
        var found = settled(sides);
        assertThat(found.came().off()).isEqualTo(Vec.ofMillimetres(-4, -2, 9));
        assertThat(found.came().below()).isEqualTo(20_000);
        assertThat(found.origin()).isEqualTo(Vec.ofMillimetres(-7, -3, 20));
        var fitted = settled(sides, Fix.FIT);
        assertThat(fitted.left().fits()).isTrue();
        assertThat(fitted.shells().get("surface").box().max()).isEqualTo(Vec.ofMillimetres(1000, 500, 2500));
        var as = new MeshRepair(new Choices(1, Up.Z, false, Set.of(Fix.FIT)), STEP)
                .repair(loose(sides), Optional.of(Vec.ofMillimetres(1000, 450, 2500)));
        assertThat(as.came().off()).isEqualTo(Vec.ofMillimetres(-4, 48, 9));
        assertThat(as.shells().get("surface").box().max()).isEqualTo(Vec.ofMillimetres(1000, 450, 2500));
    }

    /** A board of 20 mm is no step thick: it keeps its thickness, and is not told to miss one. */
    @Test
    void whatIsThinnerThanHalfAStepStays() {
        var board = settled(box(0, 0, 0, 996, 20, 2100), Fix.FIT);
        assertThat(board.came().off()).isEqualTo(Vec.ofMillimetres(-4, 0, 0));
        assertThat(board.shells().get("surface").box().max()).isEqualTo(Vec.ofMillimetres(1000, 20, 2100));
    }

    /** A side that welding moves is where it was asked to be all the same. */
    @Test
    void whatIsWeldedAndStretchedIsExact() {
        var sides = box(0, 0, 0, 996, 500, 200);
        // One corner of the first triangle sticks out by 0.05 mm, and is welded to its neighbours.
        var out = sides.get(4).clone();
        for (var i = 0; i < 9; i += 3) {
            out[i] = out[i] == 996 ? 996.05 : out[i];
        }
        sides.set(4, out);
        var fitted = settled(sides, Fix.WELD, Fix.FIT);
        assertThat(fitted.came().off().x()).isEqualTo(-3_950);
        assertThat(fitted.shells().get("surface").box().max()).isEqualTo(Vec.ofMillimetres(1000, 500, 200));
        assertThat(fitted.left().fits()).isTrue();
    }

    /** The axes of a file that has Y up: X stays, what is up is up, and it is not mirrored. */
    @Test
    void axesAndUnitsBecomeTheSites() {
        var inch = new MeshRepair(new Choices(25.4, Up.Y, false, Set.of()), STEP)
                .repair(loose(box(0, 0, 0, 10, 20, 30)), Optional.empty());
        assertThat(inch.came().size()).isEqualTo(new Vec(254_000, 762_000, 508_000));
        assertThat(mesh(inch).volume()).isPositive();
    }

    /** A round column without normals looks round and has hard rims; a box stays hard. */
    @Test
    void whatBendsLittleLooksRound() {
        var sides = new ArrayList<double[]>();
        var count = 24;
        for (var i = 0; i < count; i++) {
            double[] a = {Math.cos(2 * Math.PI * i / count) * 200, Math.sin(2 * Math.PI * i / count) * 200, 0};
            double[] b = {
                Math.cos(2 * Math.PI * (i + 1) / count) * 200, Math.sin(2 * Math.PI * (i + 1) / count) * 200, 0
            };
            double[] c = {b[0], b[1], 900};
            double[] d = {a[0], a[1], 900};
            sides.add(triangle(a, b, c));
            sides.add(triangle(a, c, d));
            sides.add(triangle(new double[] {0, 0, 900}, d, c));
        }
        var mesh = mesh(settled(sides));
        for (var v = 0; v < mesh.vertices(); v++) {
            var out = Math.hypot(mesh.position(v).x() - 200, mesh.position(v).y() - 200) / 200;
            var n = new double[] {mesh.normals()[3 * v], mesh.normals()[3 * v + 1], mesh.normals()[3 * v + 2]};
            if (Math.abs(n[2]) < 0.5) {
                // Along the radius, to what the unlike shares of two triangles on either side make of it.
                assertThat((n[0] * (mesh.position(v).x() - 200)
                                        + n[1] * (mesh.position(v).y() - 200))
                                / 200
                                / out)
                        .isGreaterThan(Math.cos(Math.toRadians(6)));
            } else {
                assertThat(n[2]).isCloseTo(1, within(1e-6));
            }
        }
    }

    @Test
    void aThingTooLargeForItsUnitSaysSo() {
        assertThatThrownBy(() -> new MeshRepair(new Choices(1000, Up.Z, false, Set.of()), STEP)
                        .repair(loose(box(0, 0, 0, 3300, 200, 3000)), Optional.empty()))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("3300 m")
                .hasMessageContaining("another unit");
    }

    /** Own UVs are scaled as a whole, so that the density is the site's: a side of 1 m laid over half a picture. */
    @Test
    void ownUvsAreScaledToTheSitesDensity() {
        var shell = new Shell(
                new int[] {0, 0, 0, 1_000_000, 0, 0, 1_000_000, 0, 1_000_000, 0, 0, 1_000_000},
                new float[] {0, -1, 0, 0, -1, 0, 0, -1, 0, 0, -1, 0},
                new float[] {0, 0.5f, 0.5f, 0.5f, 0.5f, 0, 0, 0},
                new int[] {0, 1, 2, 0, 2, 3});
        var mesh = new Recipe.Made(1, List.of(Part.of(Swatch.STONE, new Form.Brought(shell, true), Vec.ZERO)))
                .mesh(Finish.ofDensity(256));
        // 256 pixels of 1024 a metre.
        for (var v = 0; v < 4; v++) {
            assertThat(mesh.uvs()[2 * v]).isCloseTo(mesh.position(v).x() / 1000 * 0.25, within(1e-9));
        }
    }

    @Test
    void aShellIsReadAsItWasWritten() {
        var shell = settled(box(0, 0, 0, 1000, 500, 200)).shells().get("surface");
        assertThat(Shell.read(shell.write()))
                .isEqualTo(shell)
                .hasSameHashCodeAs(shell)
                .hasToString(shell.digest());
        assertThat(settled(box(0, 0, 0, 1000, 500, 201)).shells().get("surface"))
                .isNotEqualTo(shell);
        assertThatThrownBy(() -> Shell.read(new byte[] {1, 2, 3})).isInstanceOf(IllegalArgumentException.class);
    }

    /** Triangles in whatever order and with whatever faces turned: what is turned is right in the end. */
    @Test
    void disorderDoesNotMatter() {
        var random = new Random(3);
        for (var round = 0; round < 50; round++) {
            var sides = new ArrayList<double[]>();
            for (var i = 0; i < 3; i++) {
                sides.addAll(
                        box(2000 * i, 0, 0, 2000 * i + 300 + 100 * random.nextInt(5), 500, 200 + random.nextInt(900)));
            }
            var volume = mesh(settled(sides)).volume();
            java.util.Collections.shuffle(sides, random);
            var turnedCount = 0;
            for (var t = 0; t < sides.size(); t++) {
                if (random.nextInt(3) == 0) {
                    sides.set(t, turned(sides.get(t)));
                    turnedCount++;
                }
            }
            var right = settled(sides, Fix.OUTWARD);
            assertThat(right.came().inward()).isEqualTo(turnedCount);
            assertThat(mesh(right).volume()).isCloseTo(volume, within(1e-3));
        }
    }
}
