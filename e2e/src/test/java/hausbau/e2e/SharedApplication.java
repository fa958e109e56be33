package hausbau.e2e;

import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** One application for all tests of this process that leave it running; it stops with the process. */
final class SharedApplication implements BeforeAllCallback {

    private static Application application;

    /** Test classes are run one by one, so JUnit's own store would close it after each. */
    @Override
    public synchronized void beforeAll(ExtensionContext context) {
        if (application == null) {
            application = new Application();
            Runtime.getRuntime().addShutdownHook(new Thread(application::close));
        }
    }

    /** A person at a fresh window of it, who does not look at the pixels of Space. */
    static Desk desk() {
        return Desk.at(application);
    }

    /** A person at a fresh window of it, who does. */
    static Desk drawnDesk() {
        return Desk.drawn(application);
    }
}
