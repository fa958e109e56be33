package hausbau.server.store;

import hausbau.core.build.Placement;
import hausbau.core.build.Stance;
import hausbau.core.kit.Piece;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "placement")
public class PlacementRow implements Row {

    @Id
    Long id;
    long siteId;
    long pieceId;
    long xUm;
    long yUm;
    long zUm;
    short quarterTurns;
    boolean mirrored;
    double freeDegrees;
    boolean free;
    @Enumerated(EnumType.STRING)
    Placement.Origin origin;
    boolean pinned;
    /** Pinned to a place that the set no longer has. */
    boolean stray;
    String source;
    /** The extent in plan, for finding what is near. */
    long xMin;
    long yMin;
    long xMax;
    long yMax;

    protected PlacementRow() {
    }

    public PlacementRow(long siteId, Placement placement, Piece piece) {
        this.id = placement.id();
        this.siteId = siteId;
        set(placement, piece);
    }

    @Override
    public Long getId() {
        return id;
    }

    public long pieceId() {
        return pieceId;
    }

    public boolean stray() {
        return stray;
    }

    public void setStray(boolean isStray) {
        stray = isStray;
    }

    public Placement toPlacement() {
        return new Placement(id, pieceId, new Stance(new Vec(xUm, yUm, zUm), new Turn(quarterTurns), mirrored, freeDegrees),
                free, origin, pinned, source);
    }

    public final void set(Placement placement, Piece piece) {
        var stance = placement.stance();
        pieceId = placement.pieceId();
        xUm = stance.at().x();
        yUm = stance.at().y();
        zUm = stance.at().z();
        quarterTurns = (short) stance.turn().quarters();
        mirrored = stance.mirrored();
        freeDegrees = stance.freeDegrees();
        free = placement.free();
        origin = placement.origin();
        pinned = placement.pinned();
        source = placement.source();
        var box = stance.box(piece);
        xMin = box.min().x();
        yMin = box.min().y();
        xMax = box.max().x();
        yMax = box.max().y();
    }
}
