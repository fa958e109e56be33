package hausbau.server.store.massing;

import hausbau.core.massing.Stair;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "stair")
public class StairRow implements Row {

    @Id
    Long id;

    long siteId;
    long levelId;

    @Enumerated(EnumType.STRING)
    Stair.Shape shape;

    boolean turnsRight;
    long xUm;
    long yUm;
    long zUm;
    int quarters;
    long widthUm;
    long riseUm;
    int risers;
    long goingUm;

    protected StairRow() {}

    public StairRow(long siteId, Stair stair) {
        this.id = stair.id();
        this.siteId = siteId;
        set(stair);
    }

    @Override
    public Long getId() {
        return id;
    }

    public Stair toStair() {
        return new Stair(
                id,
                levelId,
                shape,
                turnsRight,
                new Vec(xUm, yUm, zUm),
                new Turn(quarters),
                new Length(widthUm),
                new Length(riseUm),
                risers,
                new Length(goingUm));
    }

    public final void set(Stair stair) {
        levelId = stair.level();
        shape = stair.shape();
        turnsRight = stair.right();
        xUm = stair.foot().x();
        yUm = stair.foot().y();
        zUm = stair.foot().z();
        quarters = stair.up().quarters();
        widthUm = stair.width().um();
        riseUm = stair.rise().um();
        risers = stair.risers();
        goingUm = stair.going().um();
    }
}
