package hausbau.server.work;

import hausbau.server.store.SiteRow;
import hausbau.server.store.SiteStore;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/**
 * The frames of the sites worked on last. A frame is kept under the revision that made it, so one that is out of date is
 * never handed out, even where another server made the edit.
 */
@Component
class Frames {

    private static final int MOST = 64;

    private record Kept(long revision, Frame frame) {
    }

    private final SiteStore store;
    private final Map<Long, Kept> kept = new LinkedHashMap<>(MOST, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, Kept> eldest) {
            return size() > MOST;
        }
    };

    Frames(SiteStore store) {
        this.store = store;
    }

    /** @param site as just read; not one that the edit under way has changed */
    Frame of(SiteRow site) {
        synchronized (kept) {
            var last = kept.get(site.getId());
            if (last != null && last.revision() == site.frameRevision()) {
                return last.frame();
            }
        }
        var frame = new Frame(store.massing(site), store.kit(site.getId()));
        synchronized (kept) {
            kept.put(site.getId(), new Kept(site.frameRevision(), frame));
        }
        return frame;
    }
}
