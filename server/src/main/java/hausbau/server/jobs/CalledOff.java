package hausbau.server.jobs;

/** Thrown where nobody wants the work any more. */
public final class CalledOff extends RuntimeException {

    private static final long serialVersionUID = 1;

    public CalledOff() {
        super("It was called off.");
    }
}
