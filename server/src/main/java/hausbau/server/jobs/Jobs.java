package hausbau.server.jobs;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * The one place where long work runs.
 *
 * <p>Two threads take turns among those who ask (sites, or all questions without a site); at most {@value #MOST_WAITING}
 * pieces of work wait, {@value #MOST_OF_ONE} of one asker, and what comes then is refused as {@link Busy}. Equal questions
 * are one run. A run that nobody waits for any more is called off: whoever asked has called it off by their token, or closed
 * the connection.
 */
@Component
public class Jobs {

    private static final int THREADS = 2;
    private static final int MOST_WAITING = 16;
    private static final int MOST_OF_ONE = 8;
    /** Requests that wait, each of which holds a thread of the web server's. */
    private static final int MOST_WAITERS = 100;

    private static final int LOOK_MS = 250;
    private static final int USUAL_SECONDS = 5;

    /** One run, and those who wait for it. */
    private static final class Run {

        private final Object asker;
        private final @Nullable Object question;
        private final Function<Job, ?> work;
        private final Job job = new Job();
        private final CompletableFuture<Object> result = new CompletableFuture<>();
        private int waiters;

        Run(Object asker, @Nullable Object question, Function<Job, ?> work) {
            this.asker = asker;
            this.question = question;
            this.work = work;
        }
    }

    /** One who waits, by their token. */
    private static final class Waiter {

        private final Run run;
        private volatile boolean isCalledOff;

        Waiter(Run run) {
            this.run = run;
        }
    }

    private final Presence presence;
    private final Object lock = new Object();
    /** Runs that have not begun, by asker; the asker at the front is next. */
    private final Map<Object, Deque<Run>> queue = new LinkedHashMap<>();

    private final Map<Object, Run> byQuestion = new HashMap<>();
    private final Map<String, Waiter> byToken = new HashMap<>();
    /** Tokens that were called off before their work was asked for: the call may overtake the question. */
    private final Cache<String, Boolean> calledOffEarly = Caffeine.newBuilder()
            .maximumSize(1_000)
            .expireAfterWrite(Duration.ofMinutes(1))
            .build();

    private final List<Thread> threads = new ArrayList<>();
    private int waiting;
    private int waiters;
    private double averageSeconds = USUAL_SECONDS;
    private boolean isClosed;

    @Autowired
    public Jobs(Presence presence) {
        this.presence = presence;
        for (var i = 1; i <= THREADS; i++) {
            var thread = new Thread(this::serve, "jobs-" + i);
            thread.setDaemon(true);
            threads.add(thread);
            thread.start();
        }
    }

    @PreDestroy
    void close() {
        synchronized (lock) {
            isClosed = true;
            lock.notifyAll();
        }
        threads.forEach(Thread::interrupt);
    }

    /**
     * Does long work, and waits for it. Whatever the work throws is thrown here.
     *
     * @param asker    whose turn it is: a site's id, or a word for questions of no site
     * @param token    under which it can be asked how far it is, and called off; may be empty
     * @param question what is asked: while an equal question is worked on, its answer serves both; null where none is equal
     * @param work     must not be in a transaction, and asks now and then whether it is still wanted
     * @throws Busy      if too much waits already
     * @throws CalledOff if it was called off
     */
    public <T> T run(Object asker, String token, @Nullable Object question, Function<Job, T> work) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("long work must not hold a transaction");
        }
        var isHere = presence.ofCaller();
        var waiter = join(asker, token, question, work);
        try {
            return await(waiter, isHere);
        } finally {
            leave(waiter, token);
        }
    }

    private Waiter join(Object asker, String token, @Nullable Object question, Function<Job, ?> work) {
        synchronized (lock) {
            if (!token.isEmpty() && calledOffEarly.asMap().remove(token) != null) {
                throw new CalledOff();
            }
            var known = question == null ? null : byQuestion.get(question);
            if (isClosed
                    || waiters >= MOST_WAITERS
                    || known == null
                            && (waiting >= MOST_WAITING
                                    || queue.getOrDefault(asker, new ArrayDeque<>())
                                                    .size()
                                            >= MOST_OF_ONE)) {
                throw new Busy(seconds());
            }
            var run = known == null ? enqueue(new Run(asker, question, work)) : known;
            run.waiters++;
            waiters++;
            var waiter = new Waiter(run);
            if (!token.isEmpty()) {
                byToken.put(token, waiter);
            }
            return waiter;
        }
    }

    private Run enqueue(Run run) {
        queue.computeIfAbsent(run.asker, a -> new ArrayDeque<>()).add(run);
        if (run.question != null) {
            byQuestion.put(run.question, run);
        }
        waiting++;
        lock.notifyAll();
        return run;
    }

    private int seconds() {
        return (int) Math.max(1, Math.min(60, Math.ceil(averageSeconds * (waiting + 1) / THREADS)));
    }

    @SuppressWarnings("unchecked")
    private <T> T await(Waiter waiter, BooleanSupplier isHere) {
        while (true) {
            try {
                return (T) waiter.run.result.get(LOOK_MS, TimeUnit.MILLISECONDS);
            } catch (TimeoutException e) {
                if (waiter.isCalledOff || !isHere.getAsBoolean()) {
                    throw new CalledOff();
                }
            } catch (ExecutionException e) {
                if (e.getCause() instanceof RuntimeException thrown) {
                    throw thrown;
                }
                throw new IllegalStateException(e.getCause());
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new CalledOff();
            }
        }
    }

    /** The last to leave calls the run off, unless it is done. */
    private void leave(Waiter waiter, String token) {
        synchronized (lock) {
            byToken.remove(token, waiter);
            waiters--;
            var run = waiter.run;
            if (--run.waiters > 0 || run.result.isDone()) {
                return;
            }
            run.job.callOff();
            forget(run);
            var own = queue.get(run.asker);
            if (own != null && own.remove(run)) {
                waiting--;
                run.result.completeExceptionally(new CalledOff());
                if (own.isEmpty()) {
                    queue.remove(run.asker);
                }
            }
        }
    }

    private void forget(Run run) {
        if (run.question != null) {
            byQuestion.remove(run.question, run);
        }
    }

    private void serve() {
        while (true) {
            Run run;
            synchronized (lock) {
                while (queue.isEmpty() && !isClosed) {
                    try {
                        lock.wait();
                    } catch (InterruptedException e) {
                        return;
                    }
                }
                if (isClosed) {
                    return;
                }
                run = next();
            }
            var begun = System.nanoTime();
            work(run);
            synchronized (lock) {
                forget(run);
                averageSeconds = 0.8 * averageSeconds + 0.2 * (System.nanoTime() - begun) / 1e9;
            }
        }
    }

    /** The first of the asker whose turn it is; they go to the end. */
    private Run next() {
        Iterator<Map.Entry<Object, Deque<Run>>> first = queue.entrySet().iterator();
        var turn = first.next();
        first.remove();
        var run = turn.getValue().remove();
        if (!turn.getValue().isEmpty()) {
            queue.put(turn.getKey(), turn.getValue());
        }
        waiting--;
        return run;
    }

    private static void work(Run run) {
        try {
            run.result.complete(run.work.apply(run.job));
        } catch (RuntimeException | Error e) {
            run.result.completeExceptionally(e instanceof Error ? new IllegalStateException(e) : e);
        }
    }

    /** @param share of all the work, 0 to 1, @param soFar what has been found, in words; empty where nothing is told */
    public record HowFar(double share, String soFar) {}

    /** How far the work under this token is; at 0 where there is none. */
    public HowFar howFar(String token) {
        synchronized (lock) {
            var waiter = byToken.get(token);
            return waiter == null ? new HowFar(0, "") : new HowFar(waiter.run.job.share(), waiter.run.job.soFar());
        }
    }

    /** Lets the work under this token answer with what it has found so far, unless another waits for all of it. */
    public void enough(String token) {
        synchronized (lock) {
            var waiter = byToken.get(token);
            if (waiter != null && waiter.run.waiters == 1) {
                waiter.run.job.enough();
            }
        }
    }

    /** Calls off the work under this token; if it is not asked for yet, it will not begin when it is, within a minute. */
    public void callOff(String token) {
        synchronized (lock) {
            var waiter = byToken.get(token);
            if (waiter == null) {
                calledOffEarly.put(token, true);
                return;
            }
            waiter.isCalledOff = true;
            if (waiter.run.waiters == 1) {
                waiter.run.job.callOff();
            }
        }
    }

    /** Whether somebody waits for work under this token. */
    public boolean isUnderWay(String token) {
        synchronized (lock) {
            return byToken.containsKey(token);
        }
    }
}
