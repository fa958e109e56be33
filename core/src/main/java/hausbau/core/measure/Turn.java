package hausbau.core.measure;

/**
 * Quarter turns about Z, counter-clockwise seen from above.
 *
 * @param quarters 0 to 3
 */
public record Turn(int quarters) {

    public static final Turn NONE = new Turn(0);

    public Turn {
        if (quarters < 0 || quarters > 3) {
            throw new IllegalArgumentException("quarter turns run from 0 to 3");
        }
    }

    /** Any whole number of quarter turns, wrapped to 0 to 3. */
    public static Turn of(int quarters) {
        return new Turn(Math.floorMod(quarters, 4));
    }

    public Turn plus(int more) {
        return of(quarters + more);
    }

    public Vec apply(Vec v) {
        return switch (quarters) {
            case 1 -> new Vec(-v.y(), v.x(), v.z());
            case 2 -> new Vec(-v.x(), -v.y(), v.z());
            case 3 -> new Vec(v.y(), -v.x(), v.z());
            default -> v;
        };
    }

    public Box apply(Box box) {
        return Box.spanning(apply(box.min()), apply(box.max()));
    }
}
