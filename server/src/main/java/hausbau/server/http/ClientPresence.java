package hausbau.server.http;

import hausbau.server.jobs.Presence;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Whether a client still holds its connection. Tomcat notices that it is closed only when it writes, so Linux is asked, by the
 * two ports of the connection (proc(5), /proc/net/tcp: state 01 is established). Where that cannot be read, everyone waits.
 */
@Component
class ClientPresence implements Presence {

    private static final List<Path> TABLES = List.of(Path.of("/proc/net/tcp"), Path.of("/proc/net/tcp6"));
    private static final String ESTABLISHED = "01";
    private static final long FRESH_MS = 200;

    private volatile @Nullable Seen seen;

    @Override
    public BooleanSupplier ofCaller() {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes)) {
            return () -> true;
        }
        var request = attributes.getRequest();
        var ports = new Ports(request.getLocalPort(), request.getRemotePort());
        return () -> {
            var connections = connections();
            return connections.isEmpty() || connections.get().contains(ports);
        };
    }

    /** Of a connection, the server's end and the client's. */
    private record Ports(int own, int client) {}

    /** @param ports empty where the system does not tell */
    private record Seen(long nanos, Optional<Set<Ports>> ports) {}

    /** All established connections, as they were at most {@value #FRESH_MS} ms ago: dozens may wait, and ask. */
    private Optional<Set<Ports>> connections() {
        var known = seen;
        if (known == null || System.nanoTime() - known.nanos() > FRESH_MS * 1_000_000) {
            synchronized (this) {
                known = seen;
                if (known == null || System.nanoTime() - known.nanos() > FRESH_MS * 1_000_000) {
                    known = new Seen(System.nanoTime(), read());
                    seen = known;
                }
            }
        }
        return known.ports();
    }

    private static Optional<Set<Ports>> read() {
        var established = new HashSet<Ports>();
        var isTold = false;
        for (var table : TABLES) {
            try (Stream<String> lines = Files.lines(table)) {
                lines.skip(1)
                        .map(line -> line.strip().split("\\s+"))
                        .filter(f -> f.length > 3 && f[3].equals(ESTABLISHED))
                        .forEach(f -> established.add(new Ports(port(f[1]), port(f[2]))));
                isTold = true;
            } catch (IOException e) {
                // The other table, or none, says it.
                continue;
            }
        }
        return isTold ? Optional.of(established) : Optional.empty();
    }

    /** @param end such as {@code 0100007F:1F90} */
    private static int port(String end) {
        return Integer.parseInt(end.substring(end.lastIndexOf(':') + 1), 16);
    }
}
