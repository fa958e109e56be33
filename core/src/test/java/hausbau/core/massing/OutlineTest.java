package hausbau.core.massing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.measure.Refused;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class OutlineTest {

    private static final Outline SQUARE = Outline.rectangle(new Rect(0, 0, 10, 10));

    static LongStream seeds() {
        return LongStream.range(0, 300);
    }

    private static Rect rect(Random random) {
        var x = random.nextInt(14) - 2;
        var y = random.nextInt(14) - 2;
        return new Rect(x, y, x + 1 + random.nextInt(6), y + 1 + random.nextInt(6));
    }

    /** Whatever is joined to it and cut from it, an outline covers the ground that the regions come to, or refuses. */
    @ParameterizedTest
    @MethodSource("seeds")
    void itsGroundIsThatOfTheRegions(long seed) {
        var random = new Random(seed);
        var outline = SQUARE;
        for (var i = 0; i < 8; i++) {
            var rect = rect(random);
            var joins = random.nextBoolean();
            var wanted = joins
                    ? outline.region().plus(Region.of(rect))
                    : outline.region().minus(Region.of(rect));
            try {
                outline = joins ? outline.joined(rect) : outline.without(rect);
                assertThat(outline.region()).isEqualTo(wanted);
                assertThat(outline.edges()).extracting(Outline.Edge::number).doesNotHaveDuplicates();
                assertThat(Outline.parse(outline.toString())).isEqualTo(outline);
            } catch (Refused refused) {
                // Nothing of one piece that does not touch itself.
                assertThat(wanted.isEmpty() || Outline.parts(wanted) != 1 || touchesItself(wanted))
                        .as("%s of %s: %s", rect, outline, refused.getMessage())
                        .isTrue();
            }
        }
    }

    private static boolean touchesItself(Region region) {
        var corners = region.loops().stream().flatMap(l -> l.corners().stream()).toList();
        return corners.stream().distinct().count() < corners.size();
    }

    @Test
    void anEdgeThatMovesKeepsItsNumberAndAllOthersTheirs() {
        var l = SQUARE.without(new Rect(6, 4, 10, 10));
        var east = l.edges().stream()
                .filter(e -> e.side() == Side.EAST && e.line() == 10)
                .findFirst()
                .orElseThrow();
        var moved = l.moved(east.number(), 3);
        assertThat(moved.edge(east.number()).orElseThrow().line()).isEqualTo(13);
        for (var edge : l.edges()) {
            assertThat(moved.edge(edge.number()).orElseThrow().side()).isEqualTo(edge.side());
        }
        assertThat(moved.moved(east.number(), -3)).isEqualTo(l);
    }

    @Test
    void aCutLeavesTheSidesTheirNumbersAndGivesFreshOnesToTheNotch() {
        var l = SQUARE.without(new Rect(6, 4, 10, 10));
        assertThat(l.edge(Side.NORTH.ordinal()).orElseThrow())
                .isEqualTo(new Outline.Edge(0, Side.NORTH, 0, 10, 6, 10, 0));
        assertThat(l.edge(Side.EAST.ordinal()).orElseThrow())
                .isEqualTo(new Outline.Edge(1, Side.EAST, 10, 4, 10, 0, 0));
        assertThat(l.edges()).extracting(Outline.Edge::number).containsExactlyInAnyOrder(0, 1, 2, 3, 4, 5);
    }

    @Test
    void aRingRoundACourtIsAnOutline() {
        var ring = SQUARE.without(new Rect(3, 3, 7, 7));
        assertThat(ring.loops()).hasSize(2);
        assertThat(ring.region().covers(5, 5)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "0,0,0 1,0,5 2,5,5",
                "0,0,0 1,0,5 2,5,5 3,5,1",
                "0,0,0 1,5,0 2,5,5 3,0,5",
                "0,0,0 0,0,5 2,5,5 3,5,0",
                "0,0,0 1,0,2 2,0,5 3,5,5 4,5,0",
                "0,0,0 1,0,5 2,5,5 3,5,2 4,-2,2 5,-2,0"
            })
    void whatIsNoOutlineIsRefused(String text) {
        assertThatThrownBy(() -> Outline.parse(text)).isInstanceOf(Refused.class);
    }

    @Test
    void aRoomIsOfOnePiece() {
        assertThatThrownBy(() -> SQUARE.without(new Rect(4, -1, 6, 11)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("2 parts");
        assertThatThrownBy(() -> SQUARE.without(new Rect(-1, -1, 11, 11)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("nothing");
        assertThatThrownBy(() -> SQUARE.moved(Side.NORTH.ordinal(), -10)).isInstanceOf(Refused.class);
    }

    /** Four quarters and two mirrors are the outline itself; each edge keeps its number and its length. */
    @Test
    void turnedAndMirroredItStaysItself() {
        var l = SQUARE.without(new Rect(6, 4, 10, 10));
        var turned = l;
        for (var i = 0; i < 4; i++) {
            turned = turned.turned(1, 3, -2);
        }
        assertThat(turned).isEqualTo(l);
        assertThat(l.turned(1, 0, 0).edge(Side.NORTH.ordinal()).orElseThrow())
                .isEqualTo(new Outline.Edge(0, Side.WEST, -10, 0, -10, 6, 0));
        var mirrored = l.mirrored(5);
        assertThat(mirrored.region()).isEqualTo(Region.of(List.of(new Rect(0, 0, 10, 4), new Rect(4, 4, 10, 10))));
        l.edges()
                .forEach(e -> assertThat(mirrored.edge(e.number()).orElseThrow().length())
                        .isEqualTo(e.length()));
        assertThat(mirrored.mirrored(5).edges()).containsExactlyInAnyOrderElementsOf(l.edges());
    }

    @Test
    void typedSizesMoveTheFarthestEdges() {
        var l = SQUARE.without(new Rect(6, 4, 10, 10)).within(new Rect(0, 0, 12, 11));
        assertThat(l.region()).isEqualTo(Region.of(List.of(new Rect(0, 0, 12, 4), new Rect(0, 4, 6, 11))));
        assertThat(SQUARE.movedBy(5, -5).extent()).isEqualTo(new Rect(5, -5, 15, 5));
    }

    /** A notch's inner corner goes one way for one of its walls and the other way for the other. */
    @Test
    void aCornerMovesBothItsEdgesAndNothingElse() {
        var notched = Outline.rectangle(new Rect(0, 0, 8000, 6000)).without(new Rect(5000, 4000, 8000, 6000));
        var inner = notched.loops().get(0).stream()
                .filter(c -> c.x() == 5000 && c.y() == 4000)
                .findFirst()
                .orElseThrow();
        var moved = notched.cornerMoved(inner.edge(), 500, -300);
        assertThat(moved.region())
                .isEqualTo(Outline.rectangle(new Rect(0, 0, 8000, 6000))
                        .without(new Rect(5500, 3700, 8000, 6000))
                        .region());
        assertThat(moved.edges())
                .extracting(Outline.Edge::number)
                .containsExactlyInAnyOrderElementsOf(
                        notched.edges().stream().map(Outline.Edge::number).toList());
    }

    @Test
    void groundOfOnePieceIsAnOutlineAndNumbersTheSidesOfARectangle() {
        var court = Region.of(new Rect(0, 0, 9000, 9000)).minus(Region.of(new Rect(3000, 3000, 6000, 6000)));
        assertThat(Outline.of(court).region()).isEqualTo(court);
        assertThat(Outline.of(Region.of(new Rect(0, 0, 2000, 1000))))
                .isEqualTo(Outline.rectangle(new Rect(0, 0, 2000, 1000)));
        assertThatThrownBy(() -> Outline.of(Region.EMPTY)).hasMessageContaining("no ground");
        assertThatThrownBy(() -> Outline.of(court.plus(Region.of(new Rect(20_000, 0, 21_000, 1000)))))
                .isInstanceOf(Refused.class);
    }

    /** What is typed about an edge's wall goes along with the edge. */
    @Test
    void anEdgeKeepsTheWallOfItsOwn() {
        var walled = SQUARE.walled(Side.EAST.ordinal(), 3);
        for (var changed : List.of(
                walled.moved(Side.NORTH.ordinal(), 5),
                walled.without(new Rect(0, 0, 4, 4)),
                walled.mirrored(2).mirrored(2),
                walled.turned(1, 0, 0),
                Outline.parse(walled.toString()))) {
            assertThat(changed.edge(Side.EAST.ordinal()).orElseThrow().wall(2)).isEqualTo(3);
            assertThat(changed.edge(Side.NORTH.ordinal()).orElseThrow().wall(2)).isEqualTo(2);
        }
        assertThat(walled.grown(2)).isEqualTo(Region.of(new Rect(-2, -2, 13, 12)));
        assertThatThrownBy(() -> SQUARE.walled(77, 3)).isInstanceOf(Refused.class);
    }

    @Test
    void quartersTurnEitherWay() {
        var l = Outline.rectangle(new Rect(0, 0, 8000, 6000)).without(new Rect(5000, 4000, 8000, 6000));
        assertThat(l.turned(-1, 0, 0)).isEqualTo(l.turned(3, 0, 0));
        assertThat(l.turned(5, 100, 200).region())
                .isEqualTo(l.turned(1, 100, 200).region());
    }
}
