package hausbau.server.http;

import hausbau.server.jobs.Presence;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
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

    @Override
    public BooleanSupplier ofCaller() {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes)) {
            return () -> true;
        }
        var request = attributes.getRequest();
        var own = ":" + hex(request.getLocalPort());
        var client = ":" + hex(request.getRemotePort());
        return () -> isEstablished(own, client);
    }

    private static String hex(int port) {
        return String.format("%04X", port);
    }

    private static boolean isEstablished(String own, String client) {
        var read = false;
        for (var table : TABLES) {
            try (Stream<String> lines = Files.lines(table)) {
                read = true;
                if (lines.map(line -> line.strip().split("\\s+"))
                        .anyMatch(f -> f.length > 3
                                && f[1].endsWith(own)
                                && f[2].endsWith(client)
                                && f[3].equals(ESTABLISHED))) {
                    return true;
                }
            } catch (IOException e) {
                // The other table, or none, says it.
                continue;
            }
        }
        return !read;
    }
}
