package hausbau.server.work.board;

import com.github.benmanes.caffeine.cache.Cache;
import hausbau.server.store.Stores;
import hausbau.server.work.Weighed;
import java.util.Objects;
import org.springframework.stereotype.Component;

/** The previews looked at last, up to 64 MiB: a board asks for hundreds at once, again and again, and none ever changes. */
@Component
public class Previews {

    private record Key(long siteId, long mediaId) {}

    private final Stores store;
    private final Cache<Key, byte[]> kept = Weighed.upTo(64, (key, preview) -> preview.length);

    Previews(Stores store) {
        this.store = store;
    }

    /** @throws hausbau.server.store.NotFound if the site has no such picture */
    byte[] of(long siteId, long mediaId) {
        return Objects.requireNonNull(
                kept.get(new Key(siteId, mediaId), key -> store.boards().preview(siteId, mediaId)));
    }

    /** Lets go of a site that is deleted. */
    public void forget(long siteId) {
        kept.asMap().keySet().removeIf(key -> key.siteId() == siteId);
    }
}
