package hausbau.server.work;

import java.util.LinkedHashMap;
import java.util.Map;

/** Keeps what was used last. Whoever shares one holds it while using it. */
final class Shelf<K, V> extends LinkedHashMap<K, V> {

    private static final long serialVersionUID = 1;

    private final int places;

    Shelf(int places) {
        super(16, 0.75f, true);
        this.places = places;
    }

    @Override
    protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
        return size() > places;
    }
}
