package hausbau.server.http;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Optional;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.apache.coyote.InputBuffer;
import org.apache.tomcat.util.net.ApplicationBufferHandler;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * Gives up on a request whose body comes more slowly than {@value #LEAST_BYTES} bytes a second, after {@value #GRACE_SECONDS} seconds:
 * each such body holds a thread, and a byte now and then would hold it for ever. What sends nothing at all is ended by the
 * container's own time limit.
 */
@Configuration
class LeastRate {

    private static final int GRACE_SECONDS = 10;
    private static final int LEAST_BYTES = 1024;

    static final String WORDS =
            "What is sent comes too slowly, at less than a kilobyte a second. Nothing was changed; send it again over a better connection.";
    /** What a request is marked with that was given up. */
    private static final String GIVEN_UP = LeastRate.class.getName();

    static boolean isGivenUp(HttpServletRequest request) {
        return request.getAttribute(GIVEN_UP) != null;
    }

    /** The body of a request comes too slowly. */
    static final class TooSlow extends IOException {

        private static final long serialVersionUID = 1L;

        private TooSlow() {
            super("the body comes too slowly");
        }

        /** Whether that is why something failed. */
        static boolean isCauseOf(Throwable e) {
            return Optional.ofNullable(e.getCause())
                    .filter(c -> c != e)
                    .map(c -> c instanceof TooSlow || isCauseOf(c))
                    .orElse(false);
        }
    }

    /** Where bytes go that nobody wants. */
    private static final class Discarded implements ApplicationBufferHandler {

        private ByteBuffer bytes = ByteBuffer.allocate(0);

        @Override
        public void setByteBuffer(ByteBuffer buffer) {
            bytes = buffer;
        }

        @Override
        public ByteBuffer getByteBuffer() {
            return bytes;
        }

        @Override
        public void expand(int size) {
            // Nothing is collected.
        }
    }

    /** Measures what is read through it. */
    private static final class Measured implements InputBuffer {

        private final InputBuffer from;
        private final org.apache.coyote.Request request;
        private final long since = System.nanoTime();
        private long bytes;
        private final ApplicationBufferHandler nobody = new Discarded();

        Measured(InputBuffer from, org.apache.coyote.Request request) {
            this.from = from;
            this.request = request;
        }

        @Override
        public int doRead(ApplicationBufferHandler handler) throws IOException {
            var read = from.doRead(handler);
            bytes += Math.max(0, read);
            var seconds = (System.nanoTime() - since) / 1e9 - GRACE_SECONDS;
            if (read > 0 && seconds > 0 && bytes < seconds * LEAST_BYTES) {
                // What is still to come is not waited for either.
                request.action(ActionCode.DISABLE_SWALLOW_INPUT, null);
                request.setAttribute(GIVEN_UP, true);
                throw new TooSlow();
            }
            return read;
        }

        /** Reads what nobody wanted, which the container would do at any rate, at the same pace. */
        void drain() {
            try {
                while (doRead(nobody) >= 0) {
                    // It is thrown away.
                }
            } catch (IOException e) {
                // It came too slowly, or the client is gone: the connection is closed.
            }
        }

        @Override
        public int available() {
            return from.available();
        }
    }

    private static final class Valve extends ValveBase {

        Valve() {
            super(true);
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, ServletException {
            var coyote = request.getCoyoteRequest();
            var from = coyote.getInputBuffer();
            var measured = new Measured(from, coyote);
            coyote.setInputBuffer(measured);
            try {
                getNext().invoke(request, response);
                if (!request.isAsync() && !coyote.isFinished() && !isGivenUp(request)) {
                    response.finishResponse();
                    measured.drain();
                }
            } finally {
                coyote.setInputBuffer(from);
            }
        }
    }

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> slowBodiesAreGivenUp() {
        return factory -> factory.addEngineValves(new Valve());
    }
}
