package hausbau.core.standing;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.List;

/** The pieces that every kit offers besides those the rooms are built from. */
public final class HousePieces {

    private static final Length PILLAR_SIDE = Length.ofMillimetres(400);
    private static final Length LEAST_PILLAR = Length.ofMillimetres(1000);

    private HousePieces() {}

    /** A pillar as high as the tallest room, and some furniture. */
    public static List<Kind> of(Massing massing) {
        var tallest = massing.rooms().stream().map(Room::height).reduce(Length.ZERO, Length::max);
        var height = tallest.isPositive() ? tallest : massing.settings().storey();
        var kinds = new ArrayList<Kind>();
        if (height.compareTo(LEAST_PILLAR) >= 0) {
            kinds.add(new Kind(
                    Role.PILLAR, new Recipe.Pillar(Vec.of(PILLAR_SIDE, PILLAR_SIDE, height)), Pivot.BASE_CENTRE));
        }
        kinds.add(new Kind(Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE));
        kinds.add(new Kind(Role.PROP, new Recipe.Cubicle(), Pivot.BASE_CENTRE));
        kinds.add(new Kind(Role.PROP, new Recipe.Lamp(), Pivot.BASE_CENTRE));
        kinds.add(new Kind(Role.PROP, new Recipe.WallLamp(), Pivot.BASE_CENTRE));
        kinds.add(new Kind(Role.PROP, new Recipe.HangingLamp(), Pivot.BASE_CENTRE));
        return kinds;
    }
}
