package hausbau.server.work;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.function.ToLongBiFunction;

/** Caches bounded by the bytes that they hold. What is asked for by several at once is made once, and holds up no other. */
public final class Weighed {

    private static final long MEBIBYTE = 1024L * 1024;

    private Weighed() {}

    /** @param mebibytes that it holds at most, @param bytes of one entry */
    public static <K, V> Cache<K, V> upTo(int mebibytes, ToLongBiFunction<K, V> bytes) {
        return Caffeine.newBuilder()
                .maximumWeight(mebibytes * MEBIBYTE)
                .weigher((K key, V value) ->
                        (int) Math.min(Integer.MAX_VALUE, Math.max(1, bytes.applyAsLong(key, value))))
                .build();
    }
}
