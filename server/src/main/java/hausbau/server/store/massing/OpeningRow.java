package hausbau.server.store.massing;

import hausbau.core.massing.Opening;
import hausbau.core.measure.Length;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "opening")
public class OpeningRow implements Row {

    @Id
    Long id;

    long siteId;
    long roomId;

    @Enumerated(EnumType.STRING)
    Opening.Kind kind;

    int edge;
    long atUm;
    long widthUm;
    long heightUm;
    long sillUm;

    @Enumerated(EnumType.STRING)
    Opening.Hold hold;

    protected OpeningRow() {}

    public OpeningRow(long siteId, Opening opening) {
        this.id = opening.id();
        this.siteId = siteId;
        set(opening);
    }

    @Override
    public Long getId() {
        return id;
    }

    public Opening toOpening() {
        return new Opening(
                id,
                roomId,
                kind,
                edge,
                new Length(atUm),
                new Length(widthUm),
                new Length(heightUm),
                new Length(sillUm),
                hold);
    }

    public final void set(Opening opening) {
        roomId = opening.roomId();
        kind = opening.kind();
        edge = opening.edge();
        atUm = opening.at().um();
        widthUm = opening.width().um();
        heightUm = opening.height().um();
        sillUm = opening.sill().um();
        hold = opening.hold();
    }
}
