package hausbau.core.takeoff;

import hausbau.core.measure.Refused;
import java.util.List;

/** What can be measured on a plane without keeping a mark. */
public enum Quantity {
    LENGTH(2, 2),
    WIDTH(2, 2),
    HEIGHT(2, 2),
    ANGLE(3, 3),
    AREA(3, 100);

    private final int least;
    private final int most;

    Quantity(int least, int most) {
        this.least = least;
        this.most = most;
    }

    /** @throws Refused if there are not as many points as it takes, or nothing sensible is measured */
    public Measured of(Measuring on, List<Pixel> p) {
        if (p.size() < least || p.size() > most) {
            throw new Refused(
                    "points",
                    least == most
                            ? "Pick " + least + " points."
                            : "An area takes from " + least + " to " + most + " points.");
        }
        var measured =
                switch (this) {
                    case LENGTH -> on.length(p.get(0), p.get(1));
                    case WIDTH -> on.width(p.get(0), p.get(1));
                    case HEIGHT -> on.height(p.get(0), p.get(1));
                    case ANGLE -> on.angle(p.get(0), p.get(1), p.get(2));
                    case AREA -> on.area(p);
                };
        if (!Mark.isSensible(measured)) {
            throw new Refused("points", "Two of the points lie on one another, or beyond the plane's horizon.");
        }
        return measured;
    }
}
