package hausbau.core.measure;

/** Thrown where a length or a place would lie beyond {@link Length#LIMIT_UM}. */
public final class OutOfBounds extends IllegalArgumentException {

    public OutOfBounds(String message) {
        super(message);
    }
}
