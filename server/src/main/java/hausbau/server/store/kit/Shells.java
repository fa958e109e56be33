package hausbau.server.store.kit;

import hausbau.core.shape.Shell;

/** Finds surfaces that were made elsewhere, by their digests. */
public interface Shells {

    /** For what has none. */
    Shells NONE = digest -> {
        throw new IllegalArgumentException("there is no mesh " + digest + " here");
    };

    /** @throws hausbau.server.store.NotFound if there is none */
    Shell shell(String digest);
}
