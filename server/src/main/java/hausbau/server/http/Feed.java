package hausbau.server.http;

import hausbau.server.journal.Revisions;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import org.postgresql.PGConnection;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells browsers of new revisions as they come (server-sent events). Revisions are heard of through PostgreSQL, on a
 * connection of its own, so that edits made on another server are told here too. A message says only that there is something
 * new, so one that comes twice does no harm; after the connection to the database was gone, everyone is asked to look.
 *
 * <p>Each listener is sent to by one thread at a time, and what is new meanwhile is one message: who does not read holds up
 * nobody else, and is let go when the container's time to write is over.
 */
@Component
public class Feed {

    private static final Logger LOG = LoggerFactory.getLogger(Feed.class);
    private static final int BEAT_MS = 10_000;
    private static final int RECONNECT_MS = 1_000;
    private static final int MOST_SENDERS = 64;
    private static final long FOR_EVER = 0;
    /** Told where some revisions may have been missed. */
    static final long LOOK = -1;

    private final DataSourceProperties database;
    private final Map<Long, Set<Listener>> listeners = new ConcurrentHashMap<>();
    private final ExecutorService senders;
    private final Thread thread = new Thread(this::listen, "feed");
    private volatile boolean closed;

    @Autowired
    Feed(DataSourceProperties database) {
        this.database = database;
        thread.setDaemon(true);
        senders = new ThreadPoolExecutor(
                0, MOST_SENDERS, 30, TimeUnit.SECONDS, new SynchronousQueue<>(), new ThreadPoolExecutor.AbortPolicy());
    }

    /** One browser that listens. */
    static final class Listener {

        private final SseEmitter emitter;
        private final Executor senders;
        /** What is to be told: a revision, {@link #LOOK}, or nothing. */
        private long due = NOTHING;

        private boolean beat;
        private boolean isSending;
        private static final long NOTHING = Long.MIN_VALUE;

        Listener(SseEmitter emitter, Executor senders) {
            this.emitter = emitter;
            this.senders = senders;
        }

        /** Tells of a revision soon; of those that come while one is told, the last. */
        synchronized void tell(long revision) {
            due = due == LOOK ? LOOK : revision;
            start();
        }

        /** Finds out soon whether they are still there. */
        synchronized void beat() {
            beat = true;
            start();
        }

        private void start() {
            if (!isSending) {
                isSending = true;
                try {
                    senders.execute(this::send);
                } catch (RejectedExecutionException busy) {
                    // The next beat tries again: what is due stays due.
                    isSending = false;
                }
            }
        }

        private void send() {
            while (true) {
                SseEmitter.SseEventBuilder message;
                synchronized (this) {
                    if (due == NOTHING && !beat) {
                        isSending = false;
                        return;
                    }
                    message = due == NOTHING
                            ? SseEmitter.event().comment("beat")
                            : SseEmitter.event().name("revision").data(String.valueOf(due), MediaType.TEXT_PLAIN);
                    due = NOTHING;
                    beat = false;
                }
                try {
                    emitter.send(message);
                } catch (IOException | IllegalStateException e) {
                    letGo(e);
                    return;
                }
            }
        }

        /** The container may already have closed this emitter. */
        private void letGo(Exception e) {
            try {
                emitter.completeWithError(e);
            } catch (IllegalStateException gone) {
                LOG.debug("A listener was gone already: {}", gone.getMessage());
            }
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void start() {
        thread.start();
    }

    /** Lets everyone go before the server waits for what is under way. */
    @EventListener(ContextClosedEvent.class)
    @PreDestroy
    void close() {
        closed = true;
        thread.interrupt();
        listeners.values().forEach(all -> all.forEach(l -> l.emitter.complete()));
        senders.shutdown();
    }

    /**
     * Listens to a site, and tells its revision at once. It is read after the listener is known, so that no change between is missed.
     *
     * @param revision reads it; whatever it throws is thrown here, and nobody listens
     */
    public SseEmitter listenTo(long siteId, LongSupplier revision) {
        var emitter = new SseEmitter(FOR_EVER);
        var listener = new Listener(emitter, senders);
        Runnable forget = () -> listeners.computeIfPresent(siteId, (id, all) -> {
            all.remove(listener);
            return all.isEmpty() ? null : all;
        });
        emitter.onCompletion(forget);
        emitter.onTimeout(forget);
        emitter.onError(e -> forget.run());
        listeners.compute(siteId, (id, all) -> {
            var set = all == null ? ConcurrentHashMap.<Listener>newKeySet() : all;
            set.add(listener);
            return set;
        });
        try {
            listener.tell(revision.getAsLong());
        } catch (RuntimeException e) {
            forget.run();
            throw e;
        }
        return emitter;
    }

    /** How many listen. */
    int listening() {
        return listeners.values().stream().mapToInt(Set::size).sum();
    }

    /** Tells all who listen to a site. */
    void tell(long siteId, long revision) {
        listeners.getOrDefault(siteId, Set.of()).forEach(l -> l.tell(revision));
    }

    private void listen() {
        while (!closed) {
            try (var connection = DriverManager.getConnection(
                            database.determineUrl(), database.determineUsername(), database.determinePassword());
                    var statement = connection.createStatement()) {
                statement.execute("listen " + Revisions.CHANNEL);
                // What came while nobody listened was not heard.
                listeners.values().forEach(all -> all.forEach(l -> l.tell(LOOK)));
                hear(connection.unwrap(PGConnection.class));
            } catch (SQLException | RuntimeException e) {
                if (!closed) {
                    LOG.warn("The feed begins anew: {}", e.toString());
                    pause();
                }
            }
        }
    }

    private void pause() {
        try {
            Thread.sleep(RECONNECT_MS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            closed = true;
        }
    }

    /** Passes on what is heard, and sends a beat to everyone now and then, however busy other sites are. */
    private void hear(PGConnection notices) throws SQLException {
        var lastBeat = System.nanoTime();
        while (!closed) {
            var heard = notices.getNotifications(BEAT_MS / 10);
            if (heard != null) {
                for (var notice : heard) {
                    var words = notice.getParameter().split(":");
                    tell(Long.parseLong(words[0]), Long.parseLong(words[1]));
                }
            }
            if (System.nanoTime() - lastBeat > BEAT_MS * 1_000_000L) {
                lastBeat = System.nanoTime();
                listeners.values().forEach(all -> all.forEach(Listener::beat));
            }
        }
    }
}
