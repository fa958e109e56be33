package hausbau.server.store.set;

import hausbau.core.measure.Lean;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import hausbau.core.standing.Use;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** One use of an assembly. */
@Entity
@Table(name = "assembly_use")
public class UseRow implements Row {

    @Id
    Long id;

    long siteId;
    long assemblyId;
    long xUm;
    long yUm;
    long zUm;
    short quarterTurns;
    boolean mirrored;
    double freeDegrees;
    double tilt;
    double roll;
    double scale = 1;

    protected UseRow() {}

    public UseRow(long siteId, Use use) {
        this.id = use.id();
        this.siteId = siteId;
        set(use);
    }

    @Override
    public Long getId() {
        return id;
    }

    public final void set(Use use) {
        var s = use.stance();
        assemblyId = use.assembly();
        xUm = s.at().x();
        yUm = s.at().y();
        zUm = s.at().z();
        quarterTurns = (short) s.turn().quarters();
        mirrored = s.mirrored();
        freeDegrees = s.freeDegrees();
        tilt = s.lean().tilt();
        roll = s.lean().roll();
        scale = s.lean().scale();
    }

    public Use toUse() {
        return new Use(
                id,
                assemblyId,
                new Stance(
                        new Vec(xUm, yUm, zUm),
                        new Turn(quarterTurns),
                        mirrored,
                        freeDegrees,
                        new Lean(tilt, roll, scale)));
    }
}
