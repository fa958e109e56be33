package hausbau.server.store.list;

import hausbau.core.exchange.PieceListCsv;
import hausbau.core.kit.PieceState;
import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.List;

/** One piece on the list of what the site needs. */
@Entity
@Table(name = "listed_piece")
public class ListedRow implements Row {

    @Id
    Long id;

    long siteId;
    String code;
    String name;

    @Enumerated(EnumType.STRING)
    Role role;

    long xUm;
    long yUm;
    long zUm;
    int count;

    @Enumerated(EnumType.STRING)
    PieceListCsv.Source source;

    @Enumerated(EnumType.STRING)
    PieceState state;

    int priority;
    double hours;
    boolean hero;
    String notes;
    long pieceId;
    long pictureId;
    double[] crop;

    protected ListedRow() {}

    public ListedRow(long id, long siteId, PieceListCsv.Line line) {
        this.id = id;
        this.siteId = siteId;
        this.crop = new double[0];
        set(line);
    }

    public final void set(PieceListCsv.Line line) {
        code = line.code();
        name = line.name();
        role = line.role();
        xUm = line.width().um();
        yUm = line.depth().um();
        zUm = line.height().um();
        count = line.count();
        source = line.source();
        state = line.state();
        priority = line.priority();
        hours = line.hours();
        hero = line.hero();
        notes = line.notes();
    }

    public PieceListCsv.Line toLine() {
        return new PieceListCsv.Line(
                code,
                name,
                role,
                new Length(xUm),
                new Length(yUm),
                new Length(zUm),
                count,
                source,
                state,
                priority,
                hours,
                hero,
                notes);
    }

    /** The piece of the kit that it became; 0 for none. */
    public long pieceId() {
        return pieceId;
    }

    public void link(long newPiece) {
        pieceId = newPiece;
    }

    /** The picture its portrait is cut from; 0 for none. */
    public long pictureId() {
        return pictureId;
    }

    /** The part of the picture that is its portrait: left, top, right, bottom in pixels; empty for none. */
    public List<Double> portrait() {
        return Arrays.stream(crop).boxed().toList();
    }

    public void portray(long newPicture, List<Double> newCrop) {
        pictureId = newPicture;
        crop = newCrop.stream().mapToDouble(Double::doubleValue).toArray();
    }

    @Override
    public Long getId() {
        return id;
    }
}
