package hausbau.server.jobs;

import java.util.function.BooleanSupplier;

/** Tells whether whoever asks on this thread still waits for the answer. */
public interface Presence {

    /** Of the caller of now; may be asked on any thread, some times a second. */
    BooleanSupplier ofCaller();
}
