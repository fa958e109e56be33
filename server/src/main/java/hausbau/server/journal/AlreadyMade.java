package hausbau.server.journal;

/** Thrown when an edit comes a second time under its maker's word: it was made then, and is not made again. */
public final class AlreadyMade extends RuntimeException {

    AlreadyMade() {
        super("This edit has been made already.");
    }
}
