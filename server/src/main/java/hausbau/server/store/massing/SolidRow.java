package hausbau.server.store.massing;

import hausbau.core.massing.Solid;
import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "solid")
public class SolidRow implements Row {

    @Id
    Long id;

    long siteId;
    long levelId;
    String name;
    long xUm;
    long yUm;
    long zUm;
    long widthUm;
    long depthUm;
    long heightUm;

    protected SolidRow() {}

    public SolidRow(long siteId, Solid solid) {
        this.id = solid.id();
        this.siteId = siteId;
        set(solid);
    }

    @Override
    public Long getId() {
        return id;
    }

    public Solid toSolid() {
        var corner = new Vec(xUm, yUm, zUm);
        return new Solid(id, name, levelId, new Box(corner, corner.plus(new Vec(widthUm, depthUm, heightUm))));
    }

    public final void set(Solid solid) {
        var corner = solid.box().min();
        var size = solid.box().size();
        levelId = solid.level();
        name = solid.name();
        xUm = corner.x();
        yUm = corner.y();
        zUm = corner.z();
        widthUm = size.x();
        depthUm = size.y();
        heightUm = size.z();
    }
}
