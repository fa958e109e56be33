package hausbau.server.http;

import hausbau.server.journal.Revisions;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.sql.SQLException;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import javax.sql.DataSource;
import org.postgresql.PGConnection;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells browsers of new revisions as they come (server-sent events). Revisions are heard of through PostgreSQL, so that
 * edits made on another server are told here too. A message says only that there is something new, so one that is lost or
 * comes twice does no harm; after the connection to the database was gone, everyone is asked to look.
 */
@Component
class Feed {

    private static final Logger LOG = LoggerFactory.getLogger(Feed.class);
    private static final int BEAT_MS = 10_000;
    private static final int AGAIN_MS = 1_000;
    private static final long FOR_EVER = 0;

    private final DataSource database;
    private final Map<Long, Set<SseEmitter>> listeners = new ConcurrentHashMap<>();
    private final Thread thread = new Thread(this::listen, "feed");
    private volatile boolean closed;

    Feed(DataSource database) {
        this.database = database;
        thread.setDaemon(true);
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
        listeners.values().forEach(all -> all.forEach(SseEmitter::complete));
    }

    SseEmitter listenTo(long siteId, long revision) {
        var emitter = new SseEmitter(FOR_EVER);
        var all = listeners.computeIfAbsent(siteId, id -> ConcurrentHashMap.newKeySet());
        Runnable forget = () -> all.remove(emitter);
        emitter.onCompletion(forget);
        emitter.onTimeout(forget);
        emitter.onError(e -> forget.run());
        all.add(emitter);
        send(emitter, revision);
        return emitter;
    }

    static void send(SseEmitter emitter, long revision) {
        try {
            emitter.send(SseEmitter.event().name("revision").data(String.valueOf(revision), MediaType.TEXT_PLAIN));
        } catch (IOException | IllegalStateException e) {
            letGo(emitter, e);
        }
    }

    /** One who has gone away may be gone for the container already; the others still listen. */
    private static void letGo(SseEmitter emitter, Exception e) {
        try {
            emitter.completeWithError(e);
        } catch (IllegalStateException gone) {
            LOG.debug("A listener was gone already: {}", gone.getMessage());
        }
    }

    private void listen() {
        while (!closed) {
            try (var connection = database.getConnection(); var statement = connection.createStatement()) {
                var notices = connection.unwrap(PGConnection.class);
                statement.execute("listen " + Revisions.CHANNEL);
                // What came while nobody listened was not heard.
                listeners.values().forEach(all -> all.forEach(emitter -> send(emitter, -1)));
                while (!closed) {
                    tell(notices);
                }
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
            Thread.sleep(AGAIN_MS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            closed = true;
        }
    }

    private void tell(PGConnection notices) throws SQLException {
        var heard = notices.getNotifications(BEAT_MS);
        if (heard == null || heard.length == 0) {
            listeners.values().forEach(all -> all.forEach(Feed::beat));
            listeners.values().removeIf(Set::isEmpty);
            return;
        }
        for (var notice : heard) {
            var words = notice.getParameter().split(":");
            var revision = Long.parseLong(words[1]);
            listeners.getOrDefault(Long.parseLong(words[0]), Set.of()).forEach(emitter -> send(emitter, revision));
        }
    }

    /** Finds out who has gone away. */
    private static void beat(SseEmitter emitter) {
        try {
            emitter.send(SseEmitter.event().comment("beat"));
        } catch (IOException | IllegalStateException e) {
            letGo(emitter, e);
        }
    }
}
