package hausbau.core.massing;

import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.window;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import hausbau.core.measure.Box;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.union.UnaryUnionOp;

/** The drawn walls against a general geometry library: JTS computes the ring of wall by buffer and difference. */
class DrawingTest {

    private static final GeometryFactory PLANE = new GeometryFactory();

    private static Geometry plan(Box box) {
        return PLANE.toGeometry(new Envelope(
                box.min().x(), box.max().x(), box.min().y(), box.max().y()));
    }

    private static Geometry union(List<Box> boxes) {
        return UnaryUnionOp.union(boxes.stream().map(DrawingTest::plan).toList());
    }

    @RepeatedTest(20)
    void wallsAndOpeningsTogetherAreTheRingAroundTheRoom(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var room = room(
                1,
                random.nextInt(9000) - 4500,
                random.nextInt(9000),
                3000 + random.nextInt(9000),
                3000 + random.nextInt(9000));
        var drawing = Drawing.of(massing(
                List.of(room),
                door(1, Side.NORTH, 300 + random.nextInt(800), 900),
                window(2, Side.EAST, 200 + random.nextInt(900), 1200, 900, 1200),
                window(3, Side.WEST, 400, 600, 900, 1200)));
        var outer = plan(room.clear());
        // A mitred buffer keeps the corners square.
        var grown = new org.locationtech.jts.operation.buffer.BufferOp(
                        outer, new org.locationtech.jts.operation.buffer.BufferParameters(1, 2, 2, 5))
                .getResultGeometry(mm(200).um());
        var ring = grown.difference(outer);
        var drawn = union(drawing.walls());
        var open = union(drawing.openings().stream().map(Drawing.Gap::box).toList());
        assertThat(drawn.union(open).symDifference(ring).getArea()).isCloseTo(0, within(ring.getArea() * 1e-9));
        assertThat(drawn.intersection(open).getArea()).isZero();
        // No box is drawn over another.
        assertThat(drawing.walls().stream().mapToDouble(b -> plan(b).getArea()).sum())
                .isCloseTo(drawn.getArea(), within(drawn.getArea() * 1e-9));
    }

    @Test
    void aChainIsCutAtBothEndsOfEveryOpening() {
        var drawing = Drawing.of(massing(List.of(room(1, 0, 0, 5000, 4000)), door(1, Side.SOUTH, 1000, 900)));
        assertThat(drawing.chains().get(2).ticks()).containsExactly(mm(0), mm(1000), mm(1900), mm(5000));
        assertThat(drawing.chains().get(0).ticks()).containsExactly(mm(0), mm(5000));
    }
}
