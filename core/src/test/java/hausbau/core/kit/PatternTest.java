package hausbau.core.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import hausbau.core.kit.Pattern.At;
import hausbau.core.kit.Pattern.Band;
import hausbau.core.kit.Pattern.From;
import hausbau.core.kit.Pattern.Trim;
import hausbau.core.kit.Pattern.Upright;
import hausbau.core.measure.Box;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Swatch;
import java.util.List;
import java.util.function.ToLongFunction;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** One look at any size; all sizes by hand. */
class PatternTest {

    private static final Pattern USUAL = Pattern.usual();

    private static Recipe wall(long length, long height) {
        return new Recipe.WallPanel(Vec.ofMillimetres(length, 200, height));
    }

    private static Recipe opening(long length, Box clear) {
        return new Recipe.OpeningPanel(Vec.ofMillimetres(length, 200, 3000), clear);
    }

    private static final Recipe DOOR =
            opening(1600, new Box(Vec.ofMillimetres(300, 0, 0), Vec.ofMillimetres(1300, 200, 2100)));
    private static final Recipe WINDOW =
            opening(1600, new Box(Vec.ofMillimetres(300, 0, 900), Vec.ofMillimetres(1300, 200, 2100)));

    static Stream<Recipe> pieces() {
        return Stream.of(
                wall(3300, 3000),
                wall(1600, 3000),
                wall(200, 3000),
                wall(1000, 800),
                wall(1000, 1600),
                DOOR,
                WINDOW,
                new Recipe.PassagePanel(
                        Vec.ofMillimetres(2000, 200, 3000),
                        new Box(Vec.ofMillimetres(500, 0, 0), Vec.ofMillimetres(1500, 200, 2400))),
                new Recipe.CornerPost(Vec.ofMillimetres(200, 200, 3000)));
    }

    /** Blocks and panels hold what their sizes come to less what is open in them; trims lie within their profile's width, height and length. */
    @ParameterizedTest
    @MethodSource("pieces")
    void whatItMakesClosesAndHoldsWhatItShould(Recipe recipe) {
        for (var part : USUAL.dress(recipe)) {
            assertThat(Meshes.open(Meshes.of(part, 3))).as(part.name()).isEmpty();
            var volume = Meshes.volume(Meshes.of(part, 0.001));
            var around = part.solids().stream().map(b -> volume(b.size())).reduce(0.0, Double::sum);
            if (part.form() instanceof Form.Pushed) {
                assertThat(volume).as(part.name()).isBetween(0.3 * around, around);
            } else if (part.form() instanceof Form.Panel panel) {
                var open = panel.openings().stream()
                        .mapToDouble(o -> volume(new Vec(o.width(), panel.size().y(), o.depth())))
                        .sum();
                assertThat(volume).as(part.name()).isCloseTo(volume(panel.size()) - open, withinPercentage(0.001));
            } else {
                assertThat(volume).as(part.name()).isCloseTo(around, withinPercentage(0.001));
            }
        }
    }

    /** Cubic millimetres. */
    private static double volume(Vec size) {
        return size.x() / 1000.0 * size.y() / 1000.0 * size.z() / 1000.0;
    }

    /** A wall 3 m high: 0.2 plinth, 1.3 dado, 1.5 plaster; rail on the dado at 1.5, cornice 0.12 under the top; the plinth stands out 30 mm. */
    @Test
    void aWallIsBandsAndTrimsFromFootToTop() {
        for (var length : List.of(3300L, 1600L)) {
            var parts = USUAL.dress(wall(length, 3000));
            assertThat(parts).extracting(Part::name).containsExactly("plinth", "dado", "wall", "rail", "cornice");
            assertThat(box(parts, "plinth"))
                    .isEqualTo(new Box(Vec.ofMillimetres(0, -30, 0), Vec.ofMillimetres(length, 200, 200)));
            assertThat(box(parts, "dado"))
                    .isEqualTo(new Box(Vec.ofMillimetres(0, -12, 200), Vec.ofMillimetres(length, 200, 1500)));
            assertThat(box(parts, "wall"))
                    .isEqualTo(new Box(Vec.ofMillimetres(0, 0, 1500), Vec.ofMillimetres(length, 200, 3000)));
            assertThat(box(parts, "rail"))
                    .isEqualTo(new Box(Vec.ofMillimetres(0, -40, 1500), Vec.ofMillimetres(length, 0, 1560)));
            assertThat(box(parts, "cornice"))
                    .isEqualTo(new Box(Vec.ofMillimetres(0, -120, 2880), Vec.ofMillimetres(length, 0, 3000)));
        }
    }

    private static Box box(List<Part> parts, String name) {
        return parts.stream()
                .filter(p -> p.name().equals(name))
                .flatMap(p -> p.solids().stream())
                .reduce(Box::union)
                .orElseThrow();
    }

    /** A door of 1 × 2.1 m with its frame of 40 mm: rails stop 260 from either end; the frame is as it was; the panel's volume is that of the plain one. */
    @Test
    void whatMeetsAnOpeningStopsThere() {
        var parts = USUAL.dress(DOOR);
        assertThat(parts.stream().filter(p -> p.name().equals("rail")).map(p -> p.solids()
                        .get(0)))
                .containsExactly(
                        new Box(Vec.ofMillimetres(0, -40, 1500), Vec.ofMillimetres(260, 0, 1560)),
                        new Box(Vec.ofMillimetres(1340, -40, 1500), Vec.ofMillimetres(1600, 0, 1560)));
        assertThat(parts.stream().filter(p -> p.name().equals("frame"))).hasSize(3);
        assertThat(parts.stream().filter(p -> p.name().equals("cornice"))).hasSize(1);
        // Behind the face there is as much as in the plain panel: 1.6 × 3 less 1.08 × 2.14, 0.2 deep.
        var flat = new Pattern(
                0,
                List.of(new Band("low", Swatch.TILE, 1_000_000, 0), new Band("high", Swatch.PLASTER, 0, 0)),
                List.of(),
                List.of());
        var volume = flat.dress(DOOR).stream()
                .filter(p -> !p.name().equals("frame"))
                .mapToDouble(p -> Meshes.volume(Meshes.of(p, 1e-6)))
                .sum();
        assertThat(volume).isCloseTo((1600.0 * 3000 - 1080 * 2140) * 200, within(100.0));
    }

    @Test
    void aWindowLeavesWhatIsBelowAndAbove() {
        var parts = USUAL.dress(WINDOW);
        // Clear from 0.9, framed from 0.86: the rail at 1.5 is interrupted, plinth and cornice are not.
        assertThat(parts.stream().filter(p -> p.name().equals("rail"))).hasSize(2);
        assertThat(box(parts, "plinth").size().x()).isEqualTo(1_600_000);
        assertThat(parts.stream().filter(p -> p.name().equals("plinth")).allMatch(p -> p.form() instanceof Form.Block))
                .isTrue();
    }

    @Test
    void lowPiecesAreOfTheMiddleBandAlone() {
        assertThat(USUAL.dress(wall(1000, 800))).extracting(Part::name).containsExactly("wall");
        assertThat(USUAL.dress(wall(1000, 1600))).extracting(Part::name).containsExactly("wall");
        assertThat(USUAL.dress(new Recipe.Bench())).isEqualTo(new Recipe.Bench().parts());
    }

    /** Uprights of 200: at both ends; and at a pitch of at most 1200 over 3300: three spaces of 1100, an upright in the middle of each. */
    @Test
    void uprightsStandWhereTheyAreMeasured() {
        assertThat(places(At.ENDS, 0, 3300)).containsExactly(0L, 3100L);
        assertThat(places(At.START, 0, 3300)).containsExactly(0L);
        assertThat(places(At.END, 0, 3300)).containsExactly(3100L);
        assertThat(places(At.MIDDLE, 0, 3300)).containsExactly(1550L);
        assertThat(places(At.PITCH, 1200, 3300)).containsExactly(450L, 1550L, 2650L);
        assertThat(places(At.ENDS, 0, 300)).as("no room for two").isEmpty();
    }

    private static List<Long> places(At at, long pitch, long length) {
        var pattern = new Pattern(
                0,
                List.of(new Band("wall", Swatch.PLASTER, 0, 0)),
                List.of(),
                List.of(new Upright("pilaster", Swatch.STONE, at, 200_000, 60_000, pitch * 1000, 100_000, 300_000)));
        ToLongFunction<Part> x = p -> p.solids().get(0).min().x() / 1000;
        var parts = pattern.dress(wall(length, 3000)).stream()
                .filter(p -> p.name().equals("pilaster"))
                .toList();
        assertThat(parts)
                .allSatisfy(p -> assertThat(p.solids().get(0).max().z()).isEqualTo(2_700_000));
        return parts.stream()
                .flatMapToLong(p -> LongStream.of(x.applyAsLong(p)))
                .boxed()
                .toList();
    }

    /** Neighbours meet: every piece ends as every other does; one whose opening comes near its end does not. */
    @Test
    void neighboursMeetWithoutASeam() {
        assertThat(USUAL.seams(List.of(wall(3300, 3000), wall(1600, 3000), wall(200, 3000), DOOR, WINDOW)))
                .isEmpty();
        var flush = new Recipe.PassagePanel(
                Vec.ofMillimetres(1600, 200, 3000),
                new Box(Vec.ofMillimetres(0, 0, 0), Vec.ofMillimetres(1300, 200, 2100)));
        assertThat(USUAL.seams(List.of(wall(1600, 3000), flush))).containsExactly(flush);
        // An upright at the start alone meets none at the neighbour's end.
        var lopsided = new Pattern(
                0,
                List.of(new Band("wall", Swatch.PLASTER, 0, 0)),
                List.of(),
                List.of(new Upright("pilaster", Swatch.STONE, At.START, 200_000, 60_000, 0, 0, 0)));
        assertThat(lopsided.seams(List.of(wall(3300, 3000)))).hasSize(1);
    }

    @Test
    void whatCannotBeIsRefused() {
        var band = new Band("wall", Swatch.PLASTER, 0, 0);
        assertThatThrownBy(() -> new Pattern(0, List.of(band, band), List.of(), List.of()))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("only one");
        assertThatThrownBy(() -> new Pattern(0, List.of(), List.of(), List.of()))
                .isInstanceOf(Refused.class);
        assertThatThrownBy(() -> new Band("x", Swatch.STONE, 100, 600_000))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("500 mm");
        assertThatThrownBy(() -> new Upright("x", Swatch.STONE, At.PITCH, 200_000, 10_000, 100_000, 0, 0))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("pitch");
        assertThatThrownBy(() -> new Trim("x", Swatch.STONE, Profile.library().get(0), From.TOP, -1))
                .isInstanceOf(Refused.class);
    }

    /** An upright at the start of the back, seen from behind, is at the far end seen from the front; each side has its own bands. */
    @Test
    void eachSideHasItsOwnPattern() {
        var back = new Pattern(
                0,
                List.of(new Band("brick", Swatch.TILE, 0, 20_000)),
                List.of(),
                List.of(new Upright("pier", Swatch.STONE, At.START, 100_000, 60_000, 0, 0, 0)));
        var parts = USUAL.dress(wall(1600, 3000), back);
        var pier = parts.stream().filter(p -> p.name().equals("pier")).toList();
        assertThat(pier).hasSize(1);
        assertThat(pier.get(0).solids())
                .containsExactly(new Box(Vec.ofMillimetres(1500, 200, 0), Vec.ofMillimetres(1600, 260, 3000)));
        var brick = parts.stream().filter(p -> p.name().equals("brick")).toList();
        assertThat(brick.get(0).solids())
                .containsExactly(new Box(Vec.ofMillimetres(0, 100, 0), Vec.ofMillimetres(1600, 220, 3000)));
        var plinth = parts.stream().filter(p -> p.name().equals("plinth")).toList();
        assertThat(plinth.get(0).solids())
                .containsExactly(new Box(Vec.ofMillimetres(0, -30, 0), Vec.ofMillimetres(1600, 100, 200)));
    }

    /** A window off the middle is open through both sides: what closes neither half is where the frame is. */
    @Test
    void whatIsOpenIsOpenThroughBothSides() {
        var clear = new Box(Vec.ofMillimetres(200, 0, 900), Vec.ofMillimetres(900, 200, 2100));
        var parts = Pattern.plain().dress(opening(1600, clear), Pattern.plain());
        var walls = parts.stream().filter(p -> p.name().equals("wall")).toList();
        assertThat(walls).hasSize(2);
        for (var wall : walls) {
            var mesh = Meshes.of(wall, 0.001);
            assertThat(Meshes.open(mesh)).isEmpty();
            // 1.6 × 3 m less the opening with its frame of 40 mm all round, half of 200 mm deep.
            assertThat(Meshes.volume(mesh)).isCloseTo((1600.0 * 3000 - 780 * 1280) * 100, within(1e4));
            assertThat(wall.solids()).noneMatch(b -> b.overlaps(clear));
        }
        assertThat(parts).hasSize(2 + 4);
    }
}
