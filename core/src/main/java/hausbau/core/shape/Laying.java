package hausbau.core.shape;

import hausbau.core.measure.Chance;
import hausbau.core.measure.Refused;

/**
 * How a body lies on its sheet against how its faces lie by themselves: nothing is stretched by it.
 *
 * @param quarters that it is turned by on the sheet, 0 to 3
 * @param seed     the same seed shifts it alike; each copy of a part by something else. 0 does not shift
 */
public record Laying(int quarters, int seed) {

    public static final Laying AS_IT_LIES = new Laying(0, 0);
    /** Shifts are within this, millimetres: more than any sheet is wide. */
    private static final int RANGE = 16_384;

    public Laying {
        if (quarters < 0 || quarters > 3) {
            throw new Refused("sheetQuarters", "A part is turned on its sheet by 0 to 3 quarters.");
        }
        if (seed < 0 || seed > 999_999) {
            throw new Refused("sheetSeed", "A seed is from 0 to 999999.");
        }
    }

    /** Where a place lies, for one of several copies. */
    Faces.Laid lay(Faces.Laid on, int copy) {
        var along = on.along();
        var across = on.across();
        var turned =
                switch (quarters) {
                    case 0 -> on;
                    case 1 -> new Faces.Laid(-across, along);
                    case 2 -> new Faces.Laid(-along, -across);
                    default -> new Faces.Laid(across, -along);
                };
        return seed == 0 ? turned : new Faces.Laid(turned.along() + shift(copy, 0), turned.across() + shift(copy, 1));
    }

    /** Whole millimetres. */
    private double shift(int copy, int axis) {
        return Math.floor(Chance.of(seed, copy, axis, 0) * RANGE);
    }

    /** Faces that lie so. */
    public Faces into(Faces faces, int copy, Pose pose) {
        if (equals(AS_IT_LIES)) {
            return faces;
        }
        return (corners, normals, laid) -> {
            var axes = MeshBuilder.Axes.of(Faces.normal(corners));
            var so = new Faces.Laid[corners.length];
            for (var i = 0; i < corners.length; i++) {
                so[i] = lay(laid == null ? axes.lay(corners[i].plus(pose.by())) : laid[i], copy);
            }
            faces.face(corners, normals, so);
        };
    }
}
