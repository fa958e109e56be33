package hausbau.core.kit;

import hausbau.core.kit.Form.Turned.Station;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import java.util.List;

/** A form of each kind to begin from, of a size that one can see beside the Figure. */
public final class UsualForms {

    private UsualForms() {}

    public static Form block() {
        return new Form.Block(Vec.ofMillimetres(400, 400, 400));
    }

    public static Form panel() {
        return new Form.Panel(
                Vec.ofMillimetres(1200, 60, 2100), List.of(new Rect(200_000, 300_000, 1_000_000, 1_900_000)));
    }

    public static Form prism() {
        return new Form.Prism(
                new Outline(List.of(
                        new Outline.Corner(0, 0, 0),
                        new Outline.Corner(600_000, 0, 0),
                        new Outline.Corner(600_000, 400_000, 100_000),
                        new Outline.Corner(0, 400_000, 100_000))),
                List.of(),
                100_000);
    }

    public static Form steps() {
        return new Form.Steps(Vec.ofMillimetres(840, 1000, 510), 3, 0, 200_000);
    }

    public static Form sloped() {
        return new Form.Sloped(1_000_000, 400_000, 0, 100_000, 200_000, 300_000);
    }

    public static Form turned() {
        return new Form.Turned(
                List.of(
                        new Station(150_000, 0),
                        new Station(150_000, 40_000),
                        new Station(60_000, 80_000),
                        new Station(50_000, 600_000),
                        new Station(120_000, 640_000),
                        new Station(120_000, 680_000)),
                Form.Turned.SIDES);
    }

    public static Form bars() {
        return new Form.Bars(Vec.ofMillimetres(1200, 50, 1000), 0, 0, 120_000, 20_000);
    }

    public static Form letters() {
        return new Form.Letters("BATHS", 200_000, 30_000);
    }

    /** The first profile of the library along a metre. */
    public static Form pushed(Profile profile) {
        return new Form.Pushed(
                profile,
                List.of(new Form.Pushed.Corner(Vec.ZERO, 0), new Form.Pushed.Corner(Vec.ofMillimetres(1000, 0, 0), 0)),
                false,
                -1,
                -1,
                false);
    }
}
