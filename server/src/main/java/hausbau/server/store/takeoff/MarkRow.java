package hausbau.server.store.takeoff;

import hausbau.core.takeoff.Mark;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.List;

/** One thing marked on a picture. */
@Entity
@Table(name = "mark")
public class MarkRow implements Row {

    @Id
    Long id;

    long siteId;
    long pictureId;
    long planeId;
    long tagId;

    @Enumerated(EnumType.STRING)
    Mark.Shape kind;

    double[] points;
    boolean mirrored;
    boolean turned;
    String finish;
    boolean stamped;

    protected MarkRow() {}

    /** @param finish what sets it apart from others of its shape, such as a colour; empty for none */
    public record Look(boolean mirrored, boolean turned, String finish) {}

    /** @param picks x and y by turns; named apart from the field, which the journal would else take for this list */
    public MarkRow(
            long id,
            long siteId,
            long pictureId,
            long planeId,
            long tagId,
            Mark.Shape kind,
            List<Double> picks,
            Look look) {
        this.id = id;
        this.siteId = siteId;
        this.pictureId = pictureId;
        this.kind = kind;
        set(planeId, tagId, picks, look);
    }

    public final void set(long newPlane, long newTag, List<Double> newPoints, Look look) {
        planeId = newPlane;
        tagId = newTag;
        var told = newPoints.stream().mapToDouble(Double::doubleValue).toArray();
        stamped = stamped && Arrays.equals(told, points);
        points = told;
        mirrored = look.mirrored();
        turned = look.turned();
        finish = look.finish();
    }

    public long pictureId() {
        return pictureId;
    }

    /** The plane it lies on; 0 for none. */
    public long planeId() {
        return planeId;
    }

    public long tagId() {
        return tagId;
    }

    public Mark mark() {
        return new Mark(kind, Points.pixels(picks()));
    }

    public Mark.Shape shape() {
        return kind;
    }

    /** Whether it is a copy of another mark, and so measures nothing of its own. */
    public boolean stamped() {
        return stamped;
    }

    /** A copy; until its shape is changed by hand. */
    public MarkRow asStamped() {
        stamped = true;
        return this;
    }

    public List<Double> picks() {
        return Arrays.stream(points).boxed().toList();
    }

    public Look look() {
        return new Look(mirrored, turned, finish);
    }

    @Override
    public Long getId() {
        return id;
    }
}
