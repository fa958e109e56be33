package hausbau.core.arrange;

import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Axis;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Benches of 1.6 × 0.45 × 0.45 m and lamps of 0.32 × 0.32 × 2 m about the middle of their base. */
class LiningTest {

    private static final Kind LAMP = new Kind(Role.PROP, new Recipe.Lamp(), Pivot.BASE_CENTRE);
    private static final Kind BENCH = new Kind(Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE);

    private static Standing stands(Kind kind, long x, long y, int quarters) {
        return Standing.byHand(
                new HandPlacement(x + 1, kind, Stance.at(Vec.ofMillimetres(x, y, 0), new Turn(quarters)), false));
    }

    /** By hand: a lamp's left side at a bench's is 0.64 m left of its middle; its top at the bench's top is 1.55 m lower. */
    @ParameterizedTest
    @CsvSource({
        "X,LOW,4360,2000,0",
        "X,MIDDLE,5000,2000,0",
        "X,HIGH,5640,2000,0",
        "Y,LOW,1000,2935,0",
        "Z,HIGH,1000,2000,-1550",
        "Z,LOW,1000,2000,0"
    })
    void sidesAndMiddlesAreBroughtTogether(Axis axis, Lining.To to, long x, long y, long z) {
        var bench = stands(BENCH, 5000, 3000, 0);
        var lined = Lining.align(List.of(stands(LAMP, 1000, 2000, 0)), bench.box(), axis, to);
        assertThat(lined).singleElement().satisfies(s -> assertThat(s.at()).isEqualTo(Vec.ofMillimetres(x, y, z)));
    }

    /** By hand: from 0.16 to 9.84 m less one bench and one lamp is 7.76 m, in three gaps; whatever the order they are named in. */
    @Test
    void betweenThemIsAsMuchEverywhere() {
        var all = List.of(
                stands(LAMP, 10_000, 0, 0), stands(BENCH, 2000, 0, 0), stands(LAMP, 0, 0, 0), stands(LAMP, 4000, 0, 0));
        var spread = Lining.spread(all, Axis.X);
        assertThat(spread.get(0)).isEqualTo(all.get(0).stance());
        assertThat(spread.get(2)).isEqualTo(all.get(2).stance());
        var bench = spread.get(1).box(BENCH);
        var lamp = spread.get(3).box(LAMP);
        assertThat(bench.min().x() - 160_000).isEqualTo(7_760_000 / 3);
        assertThat(lamp.min().x() - bench.max().x()).isBetween(7_760_000 / 3L, 7_760_000 / 3L + 1);
        assertThat(9_840_000 - lamp.max().x()).isBetween(7_760_000 / 3L, 7_760_000 / 3L + 1);
        assertThatThrownBy(() -> Lining.spread(all.subList(0, 2), Axis.X)).isInstanceOf(Refused.class);
    }

    /** By hand: a bench is 450 mm deep, so its middle stands 225 mm off the face that its back looks to. */
    @ParameterizedTest
    @CsvSource({"0,2000,3775", "1,225,1500", "2,2000,225", "3,4775,1500"})
    void itsBackGoesToTheWallBehindIt(int quarters, long x, long y) {
        var massing = massing(List.of(room(1, 0, 0, 5000, 4000)));
        assertThat(Lining.againstWalls(List.of(stands(BENCH, 2000, 1500, quarters)), massing))
                .singleElement()
                .satisfies(s -> assertThat(s.at()).isEqualTo(Vec.ofMillimetres(x, y, 0)));
    }

    @Test
    void withoutAWallItIsRefused() {
        var massing = massing(List.of(room(1, 0, 0, 5000, 4000)));
        assertThatThrownBy(() -> Lining.againstWalls(List.of(stands(BENCH, 20_000, 1500, 0)), massing))
                .hasMessageContaining("no room");
        var askew = Standing.byHand(
                new HandPlacement(1, BENCH, new Stance(Vec.ofMillimetres(1000, 1000, 0), Turn.NONE, false, 12), true));
        assertThatThrownBy(() -> Lining.againstWalls(List.of(askew), massing)).hasMessageContaining("askew");
    }

    /** The nearer wall of an L counts, not the far one. */
    @Test
    void theNearestWallBehindItIsTaken() {
        var l = room(1, 0, 0, 5000, 4000);
        var notched =
                l.over(l.outline().without(new hausbau.core.plane.Rect(3_000_000, 2_000_000, 5_000_000, 4_000_000)));
        assertThat(Lining.againstWalls(List.of(stands(BENCH, 4000, 1000, 0)), massing(List.of(notched))))
                .singleElement()
                .satisfies(s -> assertThat(s.at().y()).isEqualTo(1_775_000));
    }

    /** Worked out by hand: a bench of 1.6 × 0.45 × 0.45 m beside one at 2, 2 m, along each axis; under a ceiling of 3 m. */
    @Test
    void besideAndUnderTheCeiling() {
        var with = stands(BENCH, 2000, 2000, 0).box();
        var one = List.of(stands(BENCH, 500, 300, 0));
        assertThat(Lining.beside(one, with, Axis.X, false).get(0).at()).isEqualTo(Vec.ofMillimetres(400, 300, 0));
        assertThat(Lining.beside(one, with, Axis.X, true).get(0).at()).isEqualTo(Vec.ofMillimetres(3600, 300, 0));
        assertThat(Lining.beside(one, with, Axis.Y, true).get(0).at()).isEqualTo(Vec.ofMillimetres(500, 2450, 0));
        assertThat(Lining.beside(one, with, Axis.Z, true).get(0).at()).isEqualTo(Vec.ofMillimetres(500, 300, 450));
        var room = room(1, 0, 0, 5000, 4000);
        var under = Lining.underCeilings(one, massing(List.of(room))).get(0);
        assertThat(under.box(BENCH).max().z()).isEqualTo(room.height().um());
        assertThatThrownBy(() -> Lining.underCeilings(List.of(stands(BENCH, 20_000, 1500, 0)), massing(List.of(room))))
                .hasMessageContaining("no room");
        assertThatThrownBy(() -> Lining.underCeilings(one, massing(List.of(room.under(true)))))
                .hasMessageContaining("open to the sky");
    }

    /** By hand: looking east the front, which looks south, is turned by a quarter; toward the north-east by 135 degrees. */
    @Test
    void frontsLookAtAPoint() {
        var one = List.of(stands(BENCH, 0, 0, 2));
        assertThat(Lining.facing(one, Vec.ofMillimetres(3000, 0, 0)).get(0))
                .isEqualTo(Stance.at(Vec.ZERO, new Turn(1)));
        assertThat(Lining.facing(one, Vec.ofMillimetres(0, -3000, 0)).get(0)).isEqualTo(Stance.at(Vec.ZERO, Turn.NONE));
        assertThat(Lining.facing(one, Vec.ofMillimetres(3000, 3000, 0)).get(0))
                .isEqualTo(new Stance(Vec.ZERO, Turn.NONE, false, 135));
        assertThat(Lining.facing(one, Vec.ZERO)).isEqualTo(List.of(one.get(0).stance()));
    }
}
