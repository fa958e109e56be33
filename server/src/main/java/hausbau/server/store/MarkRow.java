package hausbau.server.store;

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
    Kind kind;
    double[] points;
    boolean mirrored;
    boolean turned;
    String finish;

    protected MarkRow() {
    }

    /** What was picked: a place, two ends, two opposite corners, or an outline. */
    public enum Kind {
        POINT(1, 1), LINE(2, 2), RECTANGLE(2, 2), POLYGON(3, 100);

        private final int least;
        private final int most;

        Kind(int least, int most) {
            this.least = least;
            this.most = most;
        }

        public int least() {
            return least;
        }

        public int most() {
            return most;
        }
    }

    /** @param finish what sets it apart from others of its shape, such as a colour; empty for none */
    public record Look(boolean mirrored, boolean turned, String finish) {
    }

    /** @param picks x and y by turns; named apart from the field, which the journal would else take for this list */
    public MarkRow(long id, long siteId, long pictureId, long planeId, long tagId, Kind kind, List<Double> picks, Look look) {
        this.id = id;
        this.siteId = siteId;
        this.pictureId = pictureId;
        this.kind = kind;
        set(planeId, tagId, picks, look);
    }

    public final void set(long newPlane, long newTag, List<Double> newPoints, Look look) {
        planeId = newPlane;
        tagId = newTag;
        points = newPoints.stream().mapToDouble(Double::doubleValue).toArray();
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

    public Kind kind() {
        return kind;
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
