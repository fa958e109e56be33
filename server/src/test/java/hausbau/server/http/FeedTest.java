package hausbau.server.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.server.http.Feed.Listener;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

class FeedTest {

    private final ExecutorService senders = Executors.newCachedThreadPool();

    @AfterEach
    void close() {
        senders.shutdownNow();
    }

    /** What is sent, as text; it can be made to wait, as a client that does not read makes it. */
    private static final class Client extends SseEmitter {

        final BlockingQueue<String> got = new LinkedBlockingQueue<>();
        final CountDownLatch reads;
        boolean isGone;

        Client(boolean reads) {
            this.reads = new CountDownLatch(reads ? 0 : 1);
        }

        @Override
        public void send(SseEventBuilder event) throws IOException {
            try {
                reads.await();
            } catch (InterruptedException e) {
                throw new IOException(e);
            }
            if (isGone) {
                throw new IOException("Broken pipe");
            }
            got.add(event.build().stream()
                    .map(d -> String.valueOf(d.getData()))
                    .collect(Collectors.joining())
                    .replaceAll("\\s", ""));
        }

        /** As the container does when its own error handling was quicker. */
        @Override
        public void completeWithError(Throwable e) {
            throw new IllegalStateException("after an error had occurred");
        }

        String next() throws InterruptedException {
            return got.poll(5, TimeUnit.MINUTES);
        }
    }

    @Test
    void oneWhoDoesNotReadHoldsUpNobodyAndIsToldTheLastThen() throws InterruptedException {
        var slow = new Client(false);
        var quick = new Client(true);
        var all = List.of(new Listener(slow, senders), new Listener(quick, senders));
        for (var revision = 1; revision <= 100; revision++) {
            for (var listener : all) {
                listener.tell(revision);
            }
        }
        var heard = "";
        while (!heard.equals("event:revisiondata:100")) {
            heard = quick.next();
            assertThat(heard)
                    .as("all of it is heard though the other does not read")
                    .isNotNull();
        }
        assertThat(slow.got).isEmpty();
        slow.reads.countDown();
        var told = slow.next();
        // What was on its way when it stopped reading, if anything was; then all of the others at once.
        assertThat(told.endsWith(":100") ? told : slow.next())
                .as("those between are one message")
                .isEqualTo("event:revisiondata:100");
    }

    @Test
    void whoMayHaveMissedSomethingIsToldToLookWhateverComesAfter() throws InterruptedException {
        var client = new Client(false);
        var listener = new Listener(client, senders);
        listener.tell(4);
        listener.tell(Feed.LOOK);
        listener.tell(5);
        client.reads.countDown();
        var told = client.next();
        assertThat(told.endsWith(":4") ? client.next() : told).isEqualTo("event:revisiondata:-1");
    }

    @Test
    void oneWhoIsGoneAlreadyDoesNotEndTheFeed() throws InterruptedException {
        var gone = new Client(true);
        gone.isGone = true;
        var there = new Client(true);
        new Listener(gone, senders).tell(7);
        new Listener(there, senders).tell(7);
        assertThat(there.next()).isEqualTo("event:revisiondata:7");
    }

    @Test
    void whoIsToldNothingHearsABeat() throws InterruptedException {
        var client = new Client(true);
        new Listener(client, senders).beat();
        assertThat(client.next()).isEqualTo(":beat");
    }

    /** An edit that falls between the reading of the revision and the listening would be heard by nobody. */
    @Test
    void itListensBeforeTheRevisionIsRead() {
        var feed = new Feed(new DataSourceProperties());
        var listening = new int[1];
        feed.listenTo(7, () -> {
            listening[0] = feed.listening();
            return 3;
        });
        assertThat(listening[0]).isEqualTo(1);
        feed.close();
    }

    @Test
    void nobodyListensToASiteThatIsNotThere() {
        var feed = new Feed(new DataSourceProperties());
        assertThatThrownBy(() -> feed.listenTo(7, () -> {
                    throw new IllegalArgumentException("no such site");
                }))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(feed.listening()).isZero();
        feed.close();
    }
}
