package hausbau.core.exchange;

import java.util.Arrays;
import java.util.stream.Collectors;

/** Comma-separated values (RFC 4180), line by line. */
final class Csv {

    private final StringBuilder text;

    Csv(String head) {
        text = new StringBuilder(head).append("\r\n");
    }

    void line(Object... fields) {
        text.append(Arrays.stream(fields).map(f -> field(String.valueOf(f))).collect(Collectors.joining(",")))
                .append("\r\n");
    }

    private static String field(String text) {
        // A leading sign would be read as a formula by spreadsheets; a number is none.
        var safe = !text.isEmpty() && "=+-@".indexOf(text.charAt(0)) >= 0 && !text.matches("-\\d+(\\.\\d+)?")
                ? "'" + text
                : text;
        return safe.matches("(?s).*[\",\r\n].*") ? '"' + safe.replace("\"", "\"\"") + '"' : safe;
    }

    @Override
    public String toString() {
        return text.toString();
    }
}
