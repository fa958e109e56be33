package hausbau.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.WriteListener;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpServletResponseWrapper;
import java.io.IOException;
import java.io.InterruptedIOException;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets few files be written at once, a slice at a time and in turn: compressing and copying a hundred megabytes for dozens of clients
 * would leave no processor to whoever edits meanwhile. A client that reads slowly holds its turn, so nobody waits for one longer than
 * {@value #PATIENCE_MS} ms a slice.
 */
@Component
class PacedDownloads extends OncePerRequestFilter {

    private static final int SLICE = 1 << 20;
    private static final long PATIENCE_MS = 1000;

    private final Semaphore turns =
            new Semaphore(Math.max(1, Runtime.getRuntime().availableProcessors() / 2), true);

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().contains("/handover/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        chain.doFilter(request, new HttpServletResponseWrapper(response) {
            @Override
            public ServletOutputStream getOutputStream() throws IOException {
                return new Paced(super.getOutputStream());
            }
        });
    }

    private void writeInTurn(ServletOutputStream out, byte[] bytes, int from, int length) throws IOException {
        for (var at = from; at < from + length; at += SLICE) {
            var isMyTurn = takeTurn();
            try {
                out.write(bytes, at, Math.min(SLICE, from + length - at));
            } finally {
                if (isMyTurn) {
                    turns.release();
                }
            }
        }
    }

    private boolean takeTurn() throws InterruptedIOException {
        try {
            return turns.tryAcquire(PATIENCE_MS, TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new InterruptedIOException("the server stops");
        }
    }

    private final class Paced extends ServletOutputStream {

        private final ServletOutputStream out;

        Paced(ServletOutputStream out) {
            this.out = out;
        }

        @Override
        public void write(byte[] bytes, int from, int length) throws IOException {
            writeInTurn(out, bytes, from, length);
        }

        @Override
        public void write(int b) throws IOException {
            out.write(b);
        }

        @Override
        public void flush() throws IOException {
            out.flush();
        }

        @Override
        public void close() throws IOException {
            out.close();
        }

        @Override
        public boolean isReady() {
            return out.isReady();
        }

        @Override
        public void setWriteListener(WriteListener listener) {
            out.setWriteListener(listener);
        }
    }
}
