package hausbau.core.irradiance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.TestSets;
import hausbau.core.finish.Coat;
import hausbau.core.finish.Glazing;
import hausbau.core.finish.Glow;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Kit;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.light.Emitter;
import hausbau.core.light.Lamp;
import hausbau.core.light.Rgb;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import hausbau.core.ray.Ray;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Point;
import hausbau.core.shape.Swatch;
import hausbau.core.standing.StandingSet;
import hausbau.core.survey.Finding;
import hausbau.core.variety.Looks;
import java.util.List;
import java.util.Optional;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;

/** Lamps where their pieces stand, and what they shine on. */
class StandingLampsTest {

    private static final Kind BENCH = new Kind(Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE);

    private static Lamp lamp(Lamp.Kind kind, long x, long y, long z, double turn, double tilt) {
        return new Lamp(kind, Vec.ofMillimetres(x, y, z), turn, tilt, 1_500_000, 700_000, 900, 3000, 60, 5);
    }

    private static List<Emitter> emitters(Lamp lamp, Stance stance) {
        return StandingLamps.emitters(lamp, BENCH, stance, Rgb.grey(1));
    }

    private static void assertAt(Point is, double x, double y, double z) {
        assertThat(is.x()).isCloseTo(x, within(1e-6));
        assertThat(is.y()).isCloseTo(y, within(1e-6));
        assertThat(is.z()).isCloseTo(z, within(1e-6));
    }

    /** A bench of 1600 × 450 mm: a lamp 100 mm right of its left end shines along it; a quarter turn on, along what was across; mirrored, from the other end. */
    @Test
    void aLampGoesWhereItsPieceGoesAndTurnsWithIt() {
        var lamp = lamp(Lamp.Kind.SPOT, 100, 225, 400, 0, 0);
        var still = emitters(lamp, Stance.at(Vec.ofMillimetres(2000, 1000, 0), Turn.NONE))
                .get(0);
        assertAt(still.at(), 1.3, 1, 0.4);
        assertAt(still.way(), 1, 0, 0);
        var turned = emitters(lamp, Stance.at(Vec.ofMillimetres(2000, 1000, 0), new Turn(1)))
                .get(0);
        assertAt(turned.at(), 2, 0.3, 0.4);
        assertAt(turned.way(), 0, 1, 0);
        var mirrored = emitters(lamp, new Stance(Vec.ofMillimetres(2000, 1000, 0), Turn.NONE, true, 0))
                .get(0);
        assertAt(mirrored.at(), 2.7, 1, 0.4);
        assertAt(mirrored.way(), -1, 0, 0);
    }

    /** What is long is several, which together are as bright as one. */
    @Test
    void aTubeAndAPanelAreSeveralPlaces() {
        var tube = emitters(lamp(Lamp.Kind.LINE, 800, 225, 400, 90, 0), Stance.at(Vec.ZERO, Turn.NONE));
        assertThat(tube).hasSize(3);
        // Level, and across the way that it shines.
        assertAt(tube.get(0).way(), -1, 0, 0);
        assertAt(tube.get(1).at(), 0, 0, 0.4);
        assertThat(Math.abs(tube.get(0).at().x() - tube.get(2).at().x())).isCloseTo(1, within(1e-6));
        assertThat(tube.stream().mapToDouble(e -> e.candela().luminance()).sum())
                .isCloseTo(900 / (Math.PI * Math.PI), Percentage.withPercentage(0.1));
        var panel = emitters(lamp(Lamp.Kind.PANEL, 800, 225, 400, 0, -90), Stance.at(Vec.ZERO, Turn.NONE));
        assertThat(panel).hasSize(6);
        assertAt(panel.get(0).way(), 0, 0, -1);
        assertThat(panel.stream().mapToDouble(e -> e.candela().luminance()).sum())
                .isCloseTo(900 / Math.PI, Percentage.withPercentage(0.1));
    }

    /** The lamp of a piece that comes with one, in a room: it lights the floor beneath it through its own globe, and the wall ends its shadow map. */
    @Test
    void aStandingSetIsLitByTheLampsOfItsPieces() {
        var massing = TestSets.massing(List.of(TestSets.room(1, 0, 0, 4000, 4000)));
        var set = TestSets.set(massing, TestSets.kit(massing, 1000), TestSets.byHand(1, TestSets.LAMP, 2000, 2000, 0));
        var finish = Finish.ofDensity(512);
        var lit = SetLight.of(
                set,
                Looks.of(set),
                kind -> LitKind.of(kind.mesh(finish)),
                (swatch, colourway) -> Optional.of(Coat.plain(swatch == Swatch.OPAL ? "#f0f0f0" : "#b0b0b0", 80, 0)));
        assertThat(lit.lamps()).hasSize(1);
        assertThat(lit.scene().size()).isEqualTo((int) set.size());
        var lamp = lit.lamps().get(0);
        assertAt(lamp.emitter().at(), 2, 2, 1.86);
        assertThat(lit.from(lamp, new LitScene.Rays(), 2.5, 2, 0.001)).isEqualTo(Rgb.grey(1));
        assertThat(lit.from(lamp, new LitScene.Rays(), 6, 2, 0.5))
                .as("beyond the wall")
                .isEqualTo(Rgb.NONE);
        var shadows = LampShadows.of(lit, share -> {});
        var shortest = 255;
        for (var b : shadows) {
            shortest = Math.min(shortest, b & 0xFF);
        }
        // The ceiling, 3.2 m less 1.86 m above, is the nearest; it reaches 8 m.
        assertThat(shortest * 8 / 255.0).isBetween(1.1, 1.4);
    }

    /** The globe of that lamp glows: dimmed with it, out by seed, and through glass that lets a half pass comes a half. */
    @Test
    void finishesGlowAsTheyAreTold() {
        var massing = TestSets.massing(List.of(TestSets.room(1, 0, 0, 4000, 4000)));
        var set = TestSets.set(massing, TestSets.kit(massing, 1000), TestSets.byHand(1, TestSets.LAMP, 2000, 2000, 0));
        for (var lit : new int[] {100, 0}) {
            var opal = Coat.plain("#ffffff", 20, 0).with(new Glow("#ff8000", 2_000, lit), new Glazing(25, 0, false));
            var wall = Coat.plain("#808080", 80, 0);
            var scene = SetLight.of(
                    set,
                    Looks.of(set),
                    kind -> LitKind.of(kind.mesh(Finish.ofDensity(512))),
                    (swatch, colourway) -> Optional.of(swatch == Swatch.OPAL ? opal : wall));
            assertThat(scene.panes().size()).as("the globe alone").isEqualTo(1);
            // From a metre beside the globe straight to its middle.
            var ray = new Ray().from(2, 1, 1.86, 0, 1, 0, 2);
            assertThat(scene.panes().cast(ray)).isTrue();
            var globe = scene.surfaces().of(scene.scene().size() + ray.thing(), ray.triangle());
            // Both faces of what is solid: a half of a half.
            assertThat(globe.passes()).isCloseTo(0.5, within(1e-9));
            assertThat(globe.glow().luminance()).isCloseTo(lit == 0 ? 0 : 2_000, within(1e-6));
            assertThat(globe.glow().r()).isGreaterThanOrEqualTo(globe.glow().b());
            assertThat(StandingGlow.of(set, Looks.of(set), k -> TestSets.LAMP, (s, c) -> Optional.of(opal)))
                    .hasSize(lit == 0 ? (int) set.size() : 0);
        }
    }

    /** A lamp in a room is well; one sunk into the floor, one that nothing is near, and more than may light one place are found. */
    @Test
    void lampsThatAreWrongAreFound() {
        var massing = TestSets.massing(List.of(TestSets.room(1, 0, 0, 4000, 4000)));
        var kit = TestSets.kit(massing, 1000);
        var finish = Finish.ofDensity(512);
        var well = TestSets.set(massing, kit, TestSets.byHand(1, TestSets.LAMP, 2000, 2000, 0));
        assertThat(checks(well, finish, 0)).isEmpty();
        var sunk = TestSets.set(massing, kit, TestSets.byHand(1, TestSets.LAMP, 2000, 2000, -1_960));
        assertThat(checks(sunk, finish, 0)).containsExactly(Finding.Check.LAMP_INSIDE);
        var lost = TestSets.set(massing, kit, TestSets.byHand(1, TestSets.LAMP, 200_000, 2000, 0));
        assertThat(checks(lost, finish, 0)).containsExactly(Finding.Check.DARK_LAMP);
        var crowd = TestSets.set(
                massing,
                kit,
                TestSets.byHand(1, TestSets.LAMP, 1000, 1000, 0),
                TestSets.byHand(2, TestSets.LAMP, 3000, 1000, 0),
                TestSets.byHand(3, TestSets.LAMP, 2000, 3000, 0));
        assertThat(checks(crowd, finish, 3)).isEmpty();
        assertThat(checks(crowd, finish, 2)).hasSize(3).containsOnly(Finding.Check.CROWDED_LAMPS);
        assertThat(StandingLamps.mostAtOnce(StandingLamps.of(crowd, Looks.of(crowd))))
                .isEqualTo(3);
    }

    private static List<Finding.Check> checks(StandingSet set, Finish finish, int atOnce) {
        var kit = Kit.named(set.kinds(), set.decisions().massing().settings().storey(), Unit.METRE);
        return LampChecks.of(
                        set, kit, StandingLamps.of(set, Looks.of(set)), kind -> LitKind.of(kind.mesh(finish)), atOnce)
                .stream()
                .map(Finding::check)
                .toList();
    }
}
