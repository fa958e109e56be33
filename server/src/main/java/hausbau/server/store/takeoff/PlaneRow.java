package hausbau.server.store.takeoff;

import hausbau.core.measure.Length;
import hausbau.core.takeoff.Calibration;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;

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
    Calibration.Kind kind;

    double[] points;
    long widthUm;
    long heightUm;
    double pickError;

    protected PlaneRow() {}

    public PlaneRow(long id, long siteId, long pictureId, String name, Calibration calibration) {
        this.id = id;
        this.siteId = siteId;
        this.pictureId = pictureId;
        set(name, calibration);
    }

    public final void set(String newName, Calibration calibration) {
        name = newName;
        kind = calibration.kind();
        points = Points.flat(calibration.points()).stream()
                .mapToDouble(Double::doubleValue)
                .toArray();
        widthUm = calibration.width().um();
        heightUm = calibration.height().um();
        pickError = calibration.pickError();
    }

    public Calibration calibration() {
        return new Calibration(
                kind,
                Points.pixels(Arrays.stream(points).boxed().toList()),
                new Length(widthUm),
                new Length(heightUm),
                pickError);
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
