package hausbau.server.store;

import hausbau.core.measure.Length;
import hausbau.core.takeoff.Flat;
import hausbau.core.takeoff.Measuring;
import hausbau.core.takeoff.Perspective;
import hausbau.core.takeoff.PlaneMap;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.List;

/** A calibrated plane of a picture. */
@Entity
@Table(name = "plane")
public class PlaneRow implements Row {

    @Id
    Long id;
    long siteId;
    long pictureId;
    String name;
    @Enumerated(EnumType.STRING)
    Kind kind;
    double[] points;
    long widthUm;
    long heightUm;
    double pickError;

    protected PlaneRow() {
    }

    public enum Kind { FLAT, PERSPECTIVE }

    /** @param points x and y by turns, in pixels of the upright picture: two for a flat plane, four for one in perspective */
    public record Calibration(Kind kind, List<Double> points, Length width, Length height, double pickError) {

        /** @throws hausbau.core.measure.Refused if nothing can be measured by it, with the reason */
        public PlaneMap plane() {
            var pixels = Points.pixels(points, kind == Kind.FLAT ? 2 : 4);
            return kind == Kind.FLAT ? new Flat(pixels.get(0), pixels.get(1), width) : new Perspective(pixels, width, height);
        }

        public Measuring measuring() {
            return new Measuring(plane(), pickError);
        }
    }

    public PlaneRow(long id, long siteId, long pictureId, String name, Calibration calibration) {
        this.id = id;
        this.siteId = siteId;
        this.pictureId = pictureId;
        set(name, calibration);
    }

    public final void set(String newName, Calibration calibration) {
        name = newName;
        kind = calibration.kind();
        points = calibration.points().stream().mapToDouble(Double::doubleValue).toArray();
        widthUm = calibration.width().um();
        heightUm = calibration.height().um();
        pickError = calibration.pickError();
    }

    public Calibration calibration() {
        return new Calibration(kind, Arrays.stream(points).boxed().toList(), new Length(widthUm), new Length(heightUm), pickError);
    }

    public long pictureId() {
        return pictureId;
    }

    public String name() {
        return name;
    }

    @Override
    public Long getId() {
        return id;
    }
}
