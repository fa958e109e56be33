package hausbau.server.store.set;

import hausbau.core.measure.Lean;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/** A stance as JSON, in whole micrometres. */
record StanceWords(long x, long y, long z, int quarters, boolean mirrored, double degrees, @Nullable Lean lean) {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    static String write(Stance s) {
        return JSON.writeValueAsString(new StanceWords(
                s.at().x(),
                s.at().y(),
                s.at().z(),
                s.turn().quarters(),
                s.mirrored(),
                s.freeDegrees(),
                Leans.told(s.lean())));
    }

    static Stance read(String json) {
        var w = JSON.readValue(json, StanceWords.class);
        return new Stance(new Vec(w.x, w.y, w.z), new Turn(w.quarters), w.mirrored, w.degrees, Leans.read(w.lean));
    }
}
