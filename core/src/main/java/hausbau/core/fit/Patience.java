package hausbau.core.fit;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.time.Duration;
import java.util.function.LongSupplier;

/**
 * How long a search goes on: for so much of the processor's time, so that a machine that is busy with other things, or stands still for a while, finds
 * as much as an idle one; and at most four times as long by the clock. It is of the thread that makes it and asks it.
 */
final class Patience {

    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();
    private static final int LONGEST = 4;

    private final long nanos;
    private final LongSupplier clock;
    private final LongSupplier work;
    private final long begun;
    private final long worked;

    Patience(Duration patience) {
        this(patience, System::nanoTime, THREADS::getCurrentThreadCpuTime);
    }

    /** @param clock and @param work in nanoseconds from any beginning */
    Patience(Duration patience, LongSupplier clock, LongSupplier work) {
        nanos = patience.toNanos();
        this.clock = clock;
        this.work = work;
        begun = clock.getAsLong();
        worked = work.getAsLong();
    }

    boolean isOver() {
        return isOver(1);
    }

    /** @param share of the whole, 0 to 1 */
    boolean isOver(double share) {
        var least = (long) (nanos * share);
        var waited = clock.getAsLong() - begun;
        return waited >= least && (waited >= LONGEST * least || work.getAsLong() - worked >= least);
    }
}
