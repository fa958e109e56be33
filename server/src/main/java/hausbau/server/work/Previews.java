package hausbau.server.work;

import hausbau.server.store.NotFound;
import hausbau.server.store.Stores;
import java.util.LinkedHashMap;
import org.springframework.stereotype.Component;

/** The previews looked at last, up to 64 MiB: a board asks for hundreds at once, again and again, and none ever changes. */
@Component
class Previews {

    private static final long MOST_BYTES = 64L * 1024 * 1024;

    private record Key(long siteId, long mediaId) {
    }

    private final Stores store;
    private final LinkedHashMap<Key, byte[]> kept = new LinkedHashMap<>(256, 0.75f, true);
    private long bytes;

    Previews(Stores store) {
        this.store = store;
    }

    /** @throws hausbau.server.store.NotFound if the site has no such picture */
    byte[] of(long siteId, long mediaId) {
        var key = new Key(siteId, mediaId);
        synchronized (kept) {
            var known = kept.get(key);
            if (known != null) {
                return known;
            }
        }
        var preview = store.boards().preview(siteId, mediaId);
        synchronized (kept) {
            if (kept.put(key, preview) == null) {
                bytes += preview.length;
            }
            for (var eldest = kept.entrySet().iterator(); bytes > MOST_BYTES && eldest.hasNext();) {
                bytes -= eldest.next().getValue().length;
                eldest.remove();
            }
        }
        return preview;
    }

    /** Lets go of a site that is deleted. */
    void forget(long siteId) {
        synchronized (kept) {
            kept.entrySet().removeIf(entry -> entry.getKey().siteId() == siteId);
            bytes = kept.values().stream().mapToLong(preview -> preview.length).sum();
        }
    }
}
