package hausbau.server.work;

import hausbau.core.measure.Refused;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** Long work that somebody waits for, by the word that they gave it: how far it is, and whether it is still wanted. */
@Component
public class UnderWay {

    private final Map<String, Work> all = new ConcurrentHashMap<>();

    /** One piece of work. */
    public final class Work implements AutoCloseable {
        private final String token;
        private volatile double share;
        private volatile boolean isCalledOff;

        private Work(String token) {
            this.token = token;
        }

        /** @param newShare of all of it, 0 to 1. @return whether it is still wanted */
        boolean reach(double newShare) {
            share = newShare;
            return !isCalledOff;
        }

        /** The same. @throws Refused if it is not wanted any more */
        void reachOrStop(double newShare) {
            if (!reach(newShare)) {
                throw new Refused("token", "It was called off.");
            }
        }

        @Override
        public void close() {
            all.remove(token, this);
        }
    }

    /** @param token may be empty: then nobody asks about it */
    public Work begin(String token) {
        var work = new Work(token);
        if (!token.isEmpty()) {
            all.put(token, work);
        }
        return work;
    }

    /** How far the work under this word is, 0 to 1; 0 where there is none. */
    public double share(String token) {
        return Optional.ofNullable(all.get(token)).map(w -> w.share).orElse(0.0);
    }

    public void callOff(String token) {
        Optional.ofNullable(all.get(token)).ifPresent(w -> w.isCalledOff = true);
    }
}
