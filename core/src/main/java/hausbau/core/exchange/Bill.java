package hausbau.core.exchange;

import hausbau.core.kit.Piece;
import hausbau.core.measure.Length;
import java.util.List;

/** The bill of pieces as comma-separated values (RFC 4180). */
public final class Bill {

    private static final String HEAD = "code,role,name,width_mm,depth_mm,height_mm,count";

    private Bill() {
    }

    public record Line(Piece piece, long count) {
    }

    public static String csv(List<Line> lines) {
        var csv = new StringBuilder(HEAD).append("\r\n");
        for (var line : lines) {
            var piece = line.piece();
            csv.append(field(piece.code())).append(',').append(piece.role().label()).append(',')
                    .append(field(piece.name())).append(',')
                    .append(mm(piece.size().x())).append(',').append(mm(piece.size().y())).append(',')
                    .append(mm(piece.size().z())).append(',').append(line.count()).append("\r\n");
        }
        return csv.toString();
    }

    private static String mm(long um) {
        return new Length(um).toMillimetres().toPlainString();
    }

    private static String field(String text) {
        // A leading sign would be read as a formula by spreadsheets.
        var safe = !text.isEmpty() && "=+-@".indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
        return safe.matches("(?s).*[\",\r\n].*") ? '"' + safe.replace("\"", "\"\"") + '"' : safe;
    }
}
