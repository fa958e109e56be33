package hausbau.server.http;

import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import jakarta.validation.constraints.NotNull;

/** A place or a size, in millimetres. */
public record VecMm(@NotNull Length x, @NotNull Length y, @NotNull Length z) {

    public static VecMm of(Vec v) {
        return new VecMm(new Length(v.x()), new Length(v.y()), new Length(v.z()));
    }

    public Vec toVec() {
        return Vec.of(x, y, z);
    }

    /** A box, in millimetres. */
    public record BoxMm(@NotNull VecMm min, @NotNull VecMm max) {

        public static BoxMm of(Box box) {
            return new BoxMm(VecMm.of(box.min()), VecMm.of(box.max()));
        }
    }
}
