package hausbau.core.exchange;

import hausbau.core.kit.PieceState;
import hausbau.core.kit.Role;
import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** The piece list as comma-separated values (RFC 4180), out and in. Columns are known by their names, in any order. */
public final class PieceListCsv {

    private static final int MOST_LINES = 5000;
    private static final String[] HEAD = {
        "code",
        "name",
        "role",
        "width_mm",
        "depth_mm",
        "height_mm",
        "count",
        "source",
        "state",
        "priority",
        "hours",
        "hero",
        "notes"
    };

    private PieceListCsv() {}

    /** Where a piece will come from. */
    public enum Source {
        MAKE,
        STOCK,
        BUY;

        public String label() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * One piece on the list.
     *
     * @param priority 1 (first) to 5, @param hours planned work; 0 to 10 000
     */
    public record Line(
            String code,
            String name,
            Role role,
            Length width,
            Length depth,
            Length height,
            int count,
            Source source,
            PieceState state,
            int priority,
            double hours,
            boolean hero,
            String notes) {

        /** @throws Refused with every fault named */
        public Line {
            var faults = new ArrayList<Fault>();
            if (code.isBlank() || code.length() > 40 || !code.matches("[\\p{L}\\p{N}][\\p{L}\\p{N}._-]*")) {
                faults.add(new Fault("code", "A code has 1 to 40 letters, digits, dots and dashes."));
            }
            if (name.indexOf(0) >= 0 || notes.indexOf(0) >= 0) {
                faults.add(new Fault("name", "A name and notes must not hold the character 0."));
            }
            if (name.length() > 200 || notes.length() > 4000) {
                faults.add(new Fault(
                        name.length() > 200 ? "name" : "notes", "A name takes at most 200 characters, notes 4000."));
            }
            for (var size : List.of(width, depth, height)) {
                if (size.um() < 0 || size.compareTo(Length.ofMillimetres(1_000_000)) > 0) {
                    faults.add(new Fault("sizeMm", "A size is from 0 (not known yet) to 1 km."));
                    break;
                }
            }
            if (count < 0 || count > 1_000_000) {
                faults.add(new Fault("count", "A count is from 0 to a million."));
            }
            if (priority < 1 || priority > 5) {
                faults.add(new Fault("priority", "A priority is from 1 (first) to 5."));
            }
            if (!(hours >= 0 && hours <= 10_000)) {
                faults.add(new Fault("hours", "Hours are from 0 to 10000."));
            }
            if (!faults.isEmpty()) {
                throw new Refused(faults);
            }
        }
    }

    public static String write(List<Line> lines) {
        var out = new StringWriter();
        try (var printer = CSVFormat.RFC4180.builder().setHeader(HEAD).get().print(out)) {
            for (var l : lines) {
                printer.printRecord(
                        safe(l.code()),
                        safe(l.name()),
                        l.role().label(),
                        mm(l.width()),
                        mm(l.depth()),
                        mm(l.height()),
                        l.count(),
                        l.source().label(),
                        l.state().label(),
                        l.priority(),
                        plain(l.hours()),
                        l.hero() ? "hero" : "filler",
                        safe(l.notes()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static String mm(Length length) {
        return length.toMillimetres().toPlainString();
    }

    private static String plain(double hours) {
        return BigDecimal.valueOf(hours).stripTrailingZeros().toPlainString();
    }

    /** A leading sign would be read as a formula by spreadsheets. */
    private static String safe(String text) {
        return !text.isEmpty() && "=+-@".indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }

    /**
     * Reads a list; columns other than code may be missing, and columns that are not known are passed over.
     *
     * @throws Refused with the line of every fault
     */
    public static List<Line> read(String text) {
        var lines = new ArrayList<Line>();
        var faults = new ArrayList<Fault>();
        var codes = new HashSet<String>();
        var format = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreHeaderCase(true)
                .setIgnoreSurroundingSpaces(true)
                .setIgnoreEmptyLines(true)
                .setAllowMissingColumnNames(true)
                .get();
        try (var parser = CSVParser.parse(text.startsWith("\uFEFF") ? text.substring(1) : text, format)) {
            if (parser.getHeaderNames().stream().noneMatch(h -> h.equalsIgnoreCase("code"))) {
                throw new Refused("file", "The first line must name the columns, and one of them must be “code”.");
            }
            for (var record : parser) {
                var at = "line " + (record.getRecordNumber() + 1);
                if (lines.size() >= MOST_LINES) {
                    throw new Refused("file", "The list has more than " + MOST_LINES + " lines.");
                }
                try {
                    var line = line(record);
                    if (!codes.add(line.code())) {
                        faults.add(
                                new Fault(at, "In " + at + ", the code “" + line.code() + "” stands a second time."));
                    }
                    lines.add(line);
                } catch (Refused refused) {
                    refused.faults().forEach(f -> faults.add(new Fault(at, "In " + at + ": " + f.message())));
                }
            }
        } catch (IOException | IllegalStateException | IllegalArgumentException | UncheckedIOException e) {
            throw new Refused(
                    "file",
                    "The file cannot be read as comma-separated values: a quotation mark stands where none may, or is not closed, after "
                            + lines.size() + (lines.size() == 1 ? " piece." : " pieces."));
        }
        if (!faults.isEmpty()) {
            throw new Refused(faults);
        }
        return lines;
    }

    private static Line line(CSVRecord record) {
        return new Line(
                unsafe(text(record, "code")),
                unsafe(text(record, "name")),
                choice(record, "role", Role.class, Role.PROP),
                length(record, "width_mm"),
                length(record, "depth_mm"),
                length(record, "height_mm"),
                whole(record, "count", 0),
                choice(record, "source", Source.class, Source.MAKE),
                choice(record, "state", PieceState.class, PieceState.WANTED),
                whole(record, "priority", 3),
                number(record, "hours", 0),
                text(record, "hero").equalsIgnoreCase("hero"),
                unsafe(text(record, "notes")));
    }

    private static String text(CSVRecord record, String column) {
        return record.isMapped(column) && record.isSet(column) ? record.get(column) : "";
    }

    private static String unsafe(String text) {
        return text.length() > 1 && text.charAt(0) == '\'' && "=+-@".indexOf(text.charAt(1)) >= 0
                ? text.substring(1)
                : text;
    }

    private static Length length(CSVRecord record, String column) {
        var text = text(record, column);
        try {
            return text.isEmpty() ? Length.ZERO : Length.ofMillimetres(new BigDecimal(text));
        } catch (IllegalArgumentException | ArithmeticException e) {
            throw new Refused(column, "“" + cut(text) + "” is no length in millimetres.");
        }
    }

    private static double number(CSVRecord record, String column, double usual) {
        var text = text(record, column);
        try {
            return text.isEmpty() ? usual : Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw new Refused(column, "“" + cut(text) + "” is no number.");
        }
    }

    private static int whole(CSVRecord record, String column, int usual) {
        var number = number(record, column, usual);
        if (number != Math.rint(number) || Math.abs(number) > Integer.MAX_VALUE) {
            throw new Refused(column, "“" + cut(text(record, column)) + "” is no whole number.");
        }
        return (int) number;
    }

    private static <E extends Enum<E>> E choice(CSVRecord record, String column, Class<E> type, E usual) {
        var text = text(record, column).strip();
        if (text.isEmpty()) {
            return usual;
        }
        for (var value : type.getEnumConstants()) {
            if (value.name().equalsIgnoreCase(text.replace('-', '_'))) {
                return value;
            }
        }
        throw new Refused(column, "“" + cut(text) + "” is no " + column + ".");
    }

    private static String cut(String text) {
        return text.length() <= 40 ? text : text.substring(0, 40) + "…";
    }
}
