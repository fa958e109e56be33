package hausbau.core.kit;

/** How a piece is held where it is set down. */
public enum Held {
    /** By its base, on what is beneath it. */
    STANDS,
    /** By its top, from what is above it. */
    HANGS,
    /** By its back (the side of greater Y), to a wall or another upright face. */
    FIXED;

    /** How a piece of this kind is held where nobody has said otherwise. */
    public static Held usual(Kind kind) {
        return usual(kind.recipe());
    }

    private static Held usual(Recipe recipe) {
        if (recipe instanceof Recipe.Made made) {
            return made.first().map(Held::usual).orElse(STANDS);
        }
        return recipe instanceof Recipe.WallLamp
                        || recipe instanceof Recipe.Moulding
                        || recipe instanceof Recipe.MouldingCorner
                ? FIXED
                : recipe instanceof Recipe.HangingLamp ? HANGS : STANDS;
    }
}
