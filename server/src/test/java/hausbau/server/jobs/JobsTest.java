package hausbau.server.jobs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class JobsTest {

    private final AtomicBoolean isHere = new AtomicBoolean(true);
    private final Jobs jobs = new Jobs(() -> isHere::get);
    private final ExecutorService hands = Executors.newCachedThreadPool();
    private final CountDownLatch gate = new CountDownLatch(1);

    @AfterEach
    void close() {
        gate.countDown();
        jobs.close();
        hands.shutdownNow();
    }

    private <T> Future<T> ask(Callable<T> question) {
        return hands.submit(question);
    }

    /** Work that waits until the gate is open, or nobody wants it. */
    private String atTheGate(Job job, String answer) {
        try {
            while (!gate.await(10, TimeUnit.MILLISECONDS)) {
                job.reachOrStop(0.5);
            }
        } catch (InterruptedException e) {
            throw new CalledOff();
        }
        return answer;
    }

    private static void until(BooleanSupplier holds) throws InterruptedException {
        for (var i = 0; i < 30_000 && !holds.getAsBoolean(); i++) {
            Thread.sleep(10);
        }
        assertThat(holds.getAsBoolean()).as("within five minutes").isTrue();
    }

    /** Both threads kept busy by others. */
    private void busy() throws InterruptedException {
        for (var i = 0; i < 2; i++) {
            var token = "busy" + i;
            ask(() -> jobs.run("others", token, null, job -> atTheGate(job, "")));
            until(() -> jobs.howFar(token).share() == 0.5);
        }
    }

    @Test
    void workIsDoneAndWhatItThrowsIsThrown() {
        assertThat(jobs.<String>run(1L, "", null, job -> "done")).isEqualTo("done");
        assertThatThrownBy(() -> jobs.run(1L, "", null, job -> {
                    throw new IllegalArgumentException("no such size");
                }))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("no such size");
    }

    @Test
    void equalQuestionsAreOneRun() throws Exception {
        var runs = new AtomicInteger();
        var answers = new ArrayList<Future<String>>();
        for (var i = 0; i < 20; i++) {
            answers.add(ask(() -> jobs.run(7L, "", List.of("scene", 7L), job -> {
                runs.incrementAndGet();
                return atTheGate(job, "the scene");
            })));
        }
        until(() -> runs.get() == 1);
        Thread.sleep(300);
        gate.countDown();
        for (var answer : answers) {
            assertThat(answer.get(5, TimeUnit.MINUTES)).isEqualTo("the scene");
        }
        assertThat(runs).hasValueLessThanOrEqualTo(2);
    }

    /** Works until it is told that this is enough. */
    private static String bestSoFar(Job job) {
        job.found("four kinds");
        while (!job.isEnough() && job.isWanted()) {
            Thread.onSpinWait();
        }
        return job.isWanted() ? "four kinds" : "nothing";
    }

    @Test
    void whoHasEnoughIsGivenWhatWasFound() throws Exception {
        var answer = ask(() -> jobs.run(7L, "mine", "question", JobsTest::bestSoFar));
        until(() -> jobs.howFar("mine").soFar().equals("four kinds"));
        jobs.enough("mine");
        assertThat(answer.get(5, TimeUnit.MINUTES)).isEqualTo("four kinds");
        assertThat(jobs.howFar("mine").soFar()).isEmpty();
    }

    @Test
    void oneOfTwoWhoHasEnoughEndsNothingForTheOther() throws Exception {
        var first = ask(() -> jobs.run(7L, "first", "question", JobsTest::bestSoFar));
        var second = ask(() -> jobs.run(7L, "second", "question", JobsTest::bestSoFar));
        until(() -> jobs.isUnderWay("first") && jobs.isUnderWay("second"));
        jobs.enough("first");
        Thread.sleep(100);
        assertThat(first.isDone()).isFalse();
        jobs.callOff("second");
        until(second::isDone);
        jobs.enough("first");
        assertThat(first.get(5, TimeUnit.MINUTES)).isEqualTo("four kinds");
    }

    @Test
    void oneOfTwoWhoAskTheSameMayCallOffAndTheOtherIsAnswered() throws Exception {
        var first = ask(() -> jobs.run(7L, "first", "question", job -> atTheGate(job, "answer")));
        var second = ask(() -> jobs.run(7L, "second", "question", job -> atTheGate(job, "answer")));
        until(() -> jobs.isUnderWay("first") && jobs.isUnderWay("second"));
        jobs.callOff("first");
        assertThatThrownBy(() -> first.get(5, TimeUnit.MINUTES))
                .isInstanceOf(ExecutionException.class)
                .hasCauseInstanceOf(CalledOff.class);
        gate.countDown();
        assertThat(second.get(5, TimeUnit.MINUTES)).isEqualTo("answer");
    }

    @Test
    void whatIsCalledOffBeforeItIsAskedForDoesNotBegin() {
        jobs.callOff("mine");
        assertThatThrownBy(() -> jobs.run(1L, "mine", null, job -> "done")).isInstanceOf(CalledOff.class);
        assertThat(jobs.<String>run(1L, "mine", null, job -> "done"))
                .as("the word is good again")
                .isEqualTo("done");
    }

    @Test
    void workOfOneWhoHasGoneEnds() throws Exception {
        var ended = new CountDownLatch(1);
        var answer = ask(() -> jobs.run(1L, "gone", null, job -> {
            try {
                return atTheGate(job, "");
            } finally {
                ended.countDown();
            }
        }));
        until(() -> jobs.howFar("gone").share() == 0.5);
        isHere.set(false);
        assertThat(ended.await(5, TimeUnit.MINUTES)).isTrue();
        assertThatThrownBy(answer::get).hasCauseInstanceOf(CalledOff.class);
    }

    @Test
    void pastTheQueueItIsBusyAndSaysWhenToAskAgain() throws Exception {
        busy();
        for (var asker = 0; asker < 2; asker++) {
            for (var i = 0; i < 8; i++) {
                var of = asker;
                var token = asker + " " + i;
                ask(() -> jobs.run(of, token, null, job -> ""));
                until(() -> jobs.isUnderWay(token));
            }
        }
        assertThatThrownBy(() -> jobs.run(99, "", null, job -> "")).isInstanceOfSatisfying(Busy.class, e -> {
            assertThat(e.seconds()).isBetween(1, 60);
            assertThat(e).hasMessageContaining(e.seconds() + " s");
        });
    }

    /** Of one who asks for much and one who asks for little, the latter does not wait for all of the former. */
    @Test
    void theyTakeTurns() throws Exception {
        busy();
        var order = Collections.synchronizedList(new ArrayList<String>());
        var all = new ArrayList<Future<?>>();
        for (var name : new String[] {"a", "a", "a", "a", "b"}) {
            var number = all.size();
            all.add(ask(() -> jobs.run(name, "turn" + number, null, job -> order.add(name))));
            until(() -> jobs.isUnderWay("turn" + number));
        }
        // One thread stays busy, so that the other does them one by one.
        jobs.callOff("busy0");
        for (var one : all) {
            one.get(5, TimeUnit.MINUTES);
        }
        assertThat(order).containsExactly("a", "b", "a", "a", "a");
    }
}
