package hausbau.server.work;

import hausbau.core.exchange.SheetFiles;
import hausbau.core.finish.Coat;
import hausbau.core.finish.Coating;
import hausbau.core.finish.Maps;
import hausbau.core.finish.Picture;
import hausbau.core.finish.SharedSheet;
import hausbau.server.store.board.BoardStore;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.Semaphore;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** Keeps the sheets made last, since a sheet depends on nothing but its coat and size. One that is being made is made once, and holds up no other. */
@Component
public class SheetShelf {

    private static final int PLACES = 64;
    /** Pixels to a side: what is larger is not kept, since so many of them would fill the memory. */
    private static final int MOST_KEPT = 1024;
    /** Raised when the same coat is made otherwise, since browsers keep what they were sent. */
    private static final int VERSION = 1;

    private final BoardStore boards;

    SheetShelf(BoardStore boards) {
        this.boards = boards;
    }

    private Picture picture(long mediaId) {
        return PictureFile.pixels(boards.original(mediaId));
    }

    /** @param of a coat, or a sheet that several share */
    private record Key(Object of, int side, double sheet, String as) {
    }

    private final Map<Key, FutureTask<SheetFiles>> made = new Shelf<>(PLACES);

    /** Tells one sheet from another without making it. @param coat or a sheet that several share */
    public static String tag(Object coat, double sheet) {
        return UUID.nameUUIDFromBytes((VERSION + " " + coat + " " + sheet).getBytes(StandardCharsets.UTF_8)).toString();
    }

    /** @param side pixels, @param sheet how wide it lies on a piece, millimetres */
    public SheetFiles png(Coat coat, int side, double sheet) {
        return get(new Key(coat, side, sheet, "png"), SheetFiles::png);
    }

    public SheetFiles jpeg(Coat coat, int side, double sheet) {
        return get(new Key(coat, side, sheet, "jpeg"), SheetFiles::jpeg);
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
        return key.of() instanceof SharedSheet shared ? shared.maps(key.side(), this::picture) : Coating.of((Coat) key.of(), key.side(), key.sheet(), this::picture);
    }

    private SheetFiles get(Key key, Function<Maps, SheetFiles> write) {
        FutureTask<SheetFiles> task;
        synchronized (made) {
            task = made.computeIfAbsent(key, k -> new FutureTask<>(() -> {
                hands.acquire();
                try {
                    return write.apply(make(k));
                } finally {
                    hands.release();
                }
            }));
        }
        task.run();
        try {
            var files = task.get();
            if (key.side() > MOST_KEPT) {
                synchronized (made) {
                    made.remove(key);
                }
            }
            return files;
        } catch (ExecutionException e) {
            synchronized (made) {
                made.remove(key);
            }
            throw new IllegalStateException("a sheet could not be made", e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("stopped while a sheet was made", e);
        }
    }
}
