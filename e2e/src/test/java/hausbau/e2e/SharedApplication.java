package hausbau.e2e;

import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** Starts one application for all tests that leave it running, and stops it after the last of them. */
final class SharedApplication implements BeforeAllCallback {

    private static Application application;

    @Override
    public void beforeAll(ExtensionContext context) {
        application = context.getRoot().getStore(ExtensionContext.Namespace.GLOBAL)
                .computeIfAbsent(Application.class, key -> new Application(), Application.class);
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
