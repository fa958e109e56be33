package hausbau.core.light;

import hausbau.core.measure.Refused;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import org.shredzone.commons.suncalc.SunPosition;

/**
 * Toward the sun, as a vector of length 1; Z is below 0 while it is night.
 *
 * @param x toward the plan's east, @param y toward its north, @param z up
 */
public record Sun(double x, double y, double z) {

    /** A day of no leap year, for what repeats every year. */
    private static final int YEAR = 2025;

    /**
     * @param latitude  degrees north, -90 to 90
     * @param dayOfYear 1 to 365
     * @param hour      of the day by mean solar time, 0 to 24
     * @param north     bearing of true north in the plan, degrees clockwise from up the sheet
     * @throws Refused  if one of them is out of range
     */
    public static Sun at(double latitude, int dayOfYear, double hour, double north) {
        check("latitude", latitude, -90, 90);
        check("dayOfYear", dayOfYear, 1, 365);
        check("hour", hour, 0, 24);
        check("north", north, -360, 360);
        // On the meridian of Greenwich mean solar time is universal time.
        var time = LocalDate.ofYearDay(YEAR, dayOfYear)
                .atStartOfDay(ZoneOffset.UTC)
                .plusSeconds(Math.round(hour * 3600));
        return of(time, latitude, 0, north);
    }

    /** At a time and a place on earth, degrees north and east. */
    static Sun of(ZonedDateTime time, double latitude, double longitude, double north) {
        var found = SunPosition.compute().on(time).at(latitude, longitude).execute();
        return toward(found.getAzimuth() + north, found.getTrueAltitude());
    }

    /** @param bearing degrees clockwise from up the sheet, @param altitude above the horizon */
    static Sun toward(double bearing, double altitude) {
        var up = Math.toRadians(altitude);
        var turn = Math.toRadians(bearing);
        return new Sun(Math.cos(up) * Math.sin(turn), Math.cos(up) * Math.cos(turn), Math.sin(up));
    }

    private static void check(String field, double value, double least, double most) {
        if (!(value >= least && value <= most)) {
            throw new Refused(field, "The " + field + " must be from " + (int) least + " to " + (int) most + ".");
        }
    }
}
