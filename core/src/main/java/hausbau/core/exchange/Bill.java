package hausbau.core.exchange;

import hausbau.core.kit.Piece;
import hausbau.core.measure.Length;
import java.util.List;

/** The bill of pieces as comma-separated values (RFC 4180). */
public final class Bill {

    private Bill() {}

    public record Line(Piece piece, long count) {}

    public static String csv(List<Line> lines) {
        var csv = new Csv("code,role,name,width_mm,depth_mm,height_mm,count");
        for (var line : lines) {
            var piece = line.piece();
            csv.line(
                    piece.code(),
                    piece.role().label(),
                    piece.name(),
                    mm(piece.size().x()),
                    mm(piece.size().y()),
                    mm(piece.size().z()),
                    line.count());
        }
        return csv.toString();
    }

    static String mm(long um) {
        return new Length(um).toMillimetres().toPlainString();
    }
}
