package hausbau.core.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/** Queries against a general spatial index (JTS STRtree) over the same boxes. */
class BoxIndexTest {

    @RepeatedTest(20)
    void findsTheSameBoxesAsAGeneralIndex(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var boxes = new ArrayList<Box>();
        for (var i = 0; i < random.nextInt(500); i++) {
            boxes.add(box(random));
        }
        var tree = new STRtree();
        for (var i = 0; i < boxes.size(); i++) {
            tree.insert(envelope(boxes.get(i)), i);
        }
        var index = new BoxIndex(boxes);
        for (var q = 0; q < 50; q++) {
            var asked = box(random);
            var found = new ArrayList<Integer>();
            index.touching(asked, found::add);
            @SuppressWarnings("unchecked")
            List<Integer> candidates = tree.query(envelope(asked));
            var expected = candidates.stream()
                    .filter(i -> boxes.get(i).min().z() <= asked.max().z()
                            && asked.min().z() <= boxes.get(i).max().z())
                    .toList();
            assertThat(found).containsExactlyInAnyOrderElementsOf(expected);
        }
    }

    private static Box box(Random random) {
        var x = random.nextInt(1000);
        var y = random.nextInt(1000);
        var z = random.nextInt(100);
        return Box.of(x, y, z, x + random.nextInt(60), y + random.nextInt(60), z + random.nextInt(30));
    }

    private static Envelope envelope(Box b) {
        return new Envelope(b.min().x(), b.max().x(), b.min().y(), b.max().y());
    }

    @Test
    void boxesThatTouchAtAFaceAreFoundButDoNotOverlap() {
        var a = Box.of(0, 0, 0, 10, 10, 10);
        var b = Box.of(10, 0, 0, 20, 10, 10);
        var found = new ArrayList<Integer>();
        new BoxIndex(List.of(a)).touching(b, found::add);
        assertThat(found).containsExactly(0);
        assertThat(a.overlaps(b)).isFalse();
    }

    /** Kept in the order given, it finds the same. */
    @RepeatedTest(10)
    void inTheOrderGivenItFindsTheSame(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var boxes = new ArrayList<Box>();
        var bounds = new long[6 * 300];
        for (var i = 0; i < 300; i++) {
            var at = new Vec(random.nextInt(1000), random.nextInt(1000), random.nextInt(1000));
            var box = new Box(at, at.plus(new Vec(random.nextInt(60), random.nextInt(60), random.nextInt(60))));
            boxes.add(box);
            long[] six = {
                box.min().x(),
                box.min().y(),
                box.min().z(),
                box.max().x(),
                box.max().y(),
                box.max().z()
            };
            System.arraycopy(six, 0, bounds, 6 * i, 6);
        }
        var kept = BoxIndex.inOrder(bounds, 300);
        assertThat(kept.extent()).isEqualTo(boxes.stream().reduce(Box::union).orElseThrow());
        for (var box : boxes.subList(0, 40)) {
            var found = new ArrayList<Integer>();
            kept.touching(box, found::add);
            assertThat(found)
                    .containsExactlyInAnyOrderElementsOf(IntStream.range(0, 300)
                            .filter(i -> boxes.get(i).touches(box))
                            .boxed()
                            .toList());
        }
        assertThat(kept.box(17)).isEqualTo(boxes.get(17));
    }
}
