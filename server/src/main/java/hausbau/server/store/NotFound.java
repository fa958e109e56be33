package hausbau.server.store;

/** Thrown when a row that was asked for by its id does not exist. */
public final class NotFound extends RuntimeException {

    public NotFound(String message) {
        super(message);
    }
}
