package hausbau.server.store.set;

import hausbau.core.kit.Kit;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Departure;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** What a hand changed about a derived piece. */
@Entity
@Table(name = "departure")
public class DepartureRow implements Row {

    @Id
    Long id;

    long siteId;
    String place;
    /** 0 where the place is left empty. */
    long pieceId;

    long xUm;
    long yUm;
    long zUm;
    short quarterTurns;
    boolean mirrored;
    double freeDegrees;
    double tilt;
    double roll;
    double scale = 1;
    boolean free;

    protected DepartureRow() {}

    public DepartureRow(long id, long siteId, Departure departure, Kit kit) {
        this.id = id;
        this.siteId = siteId;
        set(departure, kit);
    }

    public final void set(Departure departure, Kit kit) {
        place = departure.place().toString();
        if (departure instanceof Departure.Restood d) {
            pieceId = kit.id(d.kind()).orElseThrow();
            xUm = d.stance().at().x();
            yUm = d.stance().at().y();
            zUm = d.stance().at().z();
            quarterTurns = (short) d.stance().turn().quarters();
            mirrored = d.stance().mirrored();
            freeDegrees = d.stance().freeDegrees();
            tilt = d.stance().lean().tilt();
            roll = d.stance().lean().roll();
            scale = d.stance().lean().scale();
            free = d.free();
        } else {
            pieceId = 0;
        }
    }

    public Departure toDeparture(Kit kit) {
        var at = Place.parse(place);
        return pieceId == 0
                ? new Departure.LeftOut(at)
                : new Departure.Restood(
                        at,
                        kit.piece(pieceId).orElseThrow().kind(),
                        new Stance(
                                new Vec(xUm, yUm, zUm),
                                new Turn(quarterTurns),
                                mirrored,
                                freeDegrees,
                                new Lean(tilt, roll, scale)),
                        free);
    }

    public String place() {
        return place;
    }

    @Override
    public Long getId() {
        return id;
    }
}
