package hausbau.server.http;

import static org.assertj.core.api.Assertions.assertThatCode;

import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

class FeedTest {

    /** As the container does when its own error handling was quicker: the thread that tells all others must go on. */
    @Test
    void oneWhoIsGoneAlreadyDoesNotEndTheFeed() {
        var gone = new SseEmitter() {
            @Override
            public void send(SseEventBuilder event) throws IOException {
                throw new IOException("Broken pipe");
            }

            @Override
            public void completeWithError(Throwable e) {
                throw new IllegalStateException("after an error had occurred");
            }
        };
        assertThatCode(() -> Feed.send(gone, 7)).doesNotThrowAnyException();
    }
}
