package hausbau.core.variety;

import hausbau.core.measure.Box;
import hausbau.core.measure.BoxIndex;
import java.util.List;
import java.util.stream.IntStream;

/** Which of some boxes stand side by side: apart along one axis only, and by no more than a reach. */
final class Neighbours {

    private final int[][] of;

    Neighbours(List<Box> boxes, long reach) {
        of = new int[boxes.size()][0];
        if (boxes.isEmpty()) {
            return;
        }
        var index = new BoxIndex(boxes);
        for (var i = 0; i < boxes.size(); i++) {
            var one = boxes.get(i);
            var me = i;
            var found = IntStream.builder();
            index.touching(one.grownBy(reach), j -> {
                if (j != me && areSideBySide(one, boxes.get(j), reach)) {
                    found.add(j);
                }
            });
            of[i] = found.build().sorted().toArray();
        }
    }

    private static boolean areSideBySide(Box a, Box b, long reach) {
        long[] gaps = {
            gap(a.min().x(), a.max().x(), b.min().x(), b.max().x()),
            gap(a.min().y(), a.max().y(), b.min().y(), b.max().y()),
            gap(a.min().z(), a.max().z(), b.min().z(), b.max().z())
        };
        var apart = 0;
        for (var gap : gaps) {
            if (gap > reach) {
                return false;
            }
            apart += gap >= 0 ? 1 : 0;
        }
        return apart == 1;
    }

    /** Below 0 where they share some of it. */
    private static long gap(long a0, long a1, long b0, long b1) {
        return Math.max(a0 - b1, b0 - a1);
    }

    int[] of(int one) {
        return of[one];
    }
}
