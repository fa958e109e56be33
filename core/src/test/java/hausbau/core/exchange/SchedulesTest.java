package hausbau.core.exchange;

import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.mm;
import static hausbau.core.TestSets.room;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.massing.Level;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import java.util.List;
import org.junit.jupiter.api.Test;

/** An L of 5 × 4 m without 2 × 2 m below a cellar's name in the alphabet; every value worked by hand. */
class SchedulesTest {

    private static final Room SHAPED = room(1, 0, 0, 5000, 4000)
            .over(room(1, 0, 0, 5000, 4000).outline().without(new Rect(3_000_000, 2_000_000, 5_000_000, 4_000_000)));
    private static final Level CELLAR = new Level(9, "Cellar, old", -3_200_000, mm(3200));
    private static final Room BELOW =
            new Room(2, "Below", Vec.ofMillimetres(0, 0, -3200), mm(2000), mm(1050), mm(2500)).on(CELLAR);
    private static final Schedules SCHEDULES = new Schedules(
            massing(List.of(SHAPED, BELOW), door(3, Side.WEST, 1000, 900), door(4, Side.NORTH, 2500, 900)),
            List.of(CELLAR, Level.ground(SiteSettings.USUAL)));

    @Test
    void roomsHaveAreaPerimeterAndVolume() {
        assertThat(SCHEDULES.rooms().split("\r\n"))
                .containsExactly(
                        "level,room,area_m2,perimeter_mm,height_mm,volume_m3",
                        "\"Cellar, old\",Below,2.1,6100,2500,5.25",
                        "Ground,Room 1,16,18000,3000,48");
    }

    /** The second door reaches past the end of the north wall, which is 3 m long since the corner was cut. */
    @Test
    void openingsTellWhetherTheyAreBuilt() {
        assertThat(SCHEDULES.openings().split("\r\n"))
                .containsExactly(
                        "level,room,wall,kind,from_left_mm,width_mm,height_mm,sill_mm,built",
                        "Ground,Room 1,west,door,1000,900,2100,0,yes",
                        "Ground,Room 1,north,door,2500,900,2100,0,no");
    }

    @Test
    void runsAreThoseThatTheKitBuilds() {
        assertThat(SCHEDULES.runs().split("\r\n"))
                .contains("\"Cellar, old\",\"Below, east\",1050,2500,200,0", "Ground,\"Room 1, west\",4000,3000,200,1")
                .hasSize(1 + 4 + 6);
    }
}
