package hausbau.server.work.kit;

import com.github.benmanes.caffeine.cache.Cache;
import hausbau.core.exchange.SheetFiles;
import hausbau.core.finish.Coat;
import hausbau.core.finish.Coating;
import hausbau.core.finish.Maps;
import hausbau.core.finish.Picture;
import hausbau.core.finish.SharedSheet;
import hausbau.server.store.board.BoardStore;
import hausbau.server.work.Weighed;
import hausbau.server.work.board.PictureFile;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** Keeps the sheets used last, 192 MiB at most, since a sheet depends on nothing but its coat and size. One that is being made is made once, and holds up no other. */
@Component
public class SheetShelf {

    /** Raised when the same coat is made otherwise, since browsers keep what they were sent. */
    private static final int VERSION = 2;

    private final BoardStore boards;

    SheetShelf(BoardStore boards) {
        this.boards = boards;
    }

    private Picture picture(long mediaId) {
        return PictureFile.pixels(boards.original(mediaId));
    }

    /** @param of a coat, or a sheet that several share */
    private record Key(Object of, int side, double sheet, String as) {}

    private final Cache<Key, SheetFiles> made = Weighed.upTo(192, (key, sheet) -> sheet.files().values().stream()
            .mapToLong(file -> file.length)
            .sum());

    /** Tells one sheet from another without making it. @param coat or a sheet that several share */
    public static String tag(Object coat, double sheet) {
        var of = coat instanceof Coat c ? c.surface() : coat;
        return UUID.nameUUIDFromBytes((VERSION + " " + of + " " + sheet).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    /** @param side pixels, @param sheet how wide it lies on a piece, millimetres */
    public SheetFiles png(Coat coat, int side, double sheet) {
        return get(new Key(coat.surface(), side, sheet, "png"), SheetFiles::png);
    }

    public SheetFiles jpeg(Coat coat, int side, double sheet) {
        return get(new Key(coat.surface(), side, sheet, "jpeg"), SheetFiles::jpeg);
    }

    public SheetFiles png(SharedSheet shared, int side) {
        return get(new Key(shared, side, 1, "png"), SheetFiles::png);
    }

    public SheetFiles jpeg(SharedSheet shared, int side) {
        return get(new Key(shared, side, 1, "jpeg"), SheetFiles::jpeg);
    }

    /** So many at most are made at once: the largest take some 400 MB meanwhile. */
    private final Semaphore hands = new Semaphore(2);

    private Maps make(Key key) {
        return key.of() instanceof SharedSheet shared
                ? shared.maps(key.side(), this::picture)
                : Coating.of((Coat) key.of(), key.side(), key.sheet(), this::picture);
    }

    /** Whatever cannot be made of a picture is refused as it is: nothing is kept then. */
    private SheetFiles get(Key key, Function<Maps, SheetFiles> write) {
        return Objects.requireNonNull(made.get(key, k -> {
            hands.acquireUninterruptibly();
            try {
                return write.apply(make(k));
            } finally {
                hands.release();
            }
        }));
    }
}
