package hausbau.core.measure;

/**
 * One thing that is wrong with what was asked for.
 *
 * @param field   the path of the value, such as {@code runs[3].lengthMm}
 * @param message what is wrong and what would do
 */
public record Fault(String field, String message) {}
