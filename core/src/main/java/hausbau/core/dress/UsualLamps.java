package hausbau.core.dress;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Recipe;
import hausbau.core.light.Lamp;
import hausbau.core.light.Lamps;
import hausbau.core.measure.Vec;

/** What lamps pieces come with, until a person says otherwise. As bright as opal globes of their size were; common practice, no source. */
final class UsualLamps {

    private UsualLamps() {}

    static Lamps of(Kind kind) {
        return of(kind.recipe());
    }

    private static Lamps of(Recipe recipe) {
        if (recipe instanceof Recipe.Lamp) {
            return globe(160, 160, 1860, 2_000, 8);
        }
        if (recipe instanceof Recipe.WallLamp) {
            return globe(90, 90, 250, 900, 6);
        }
        if (recipe instanceof Recipe.HangingLamp) {
            return globe(180, 180, 180, 3_000, 10);
        }
        return recipe instanceof Recipe.Made made
                ? made.first().map(UsualLamps::of).orElse(Lamps.NONE)
                : Lamps.NONE;
    }

    private static Lamps globe(long x, long y, long z, double lumens, double reach) {
        return Lamps.of(Lamp.globe(Vec.ofMillimetres(x, y, z), lumens, reach));
    }
}
