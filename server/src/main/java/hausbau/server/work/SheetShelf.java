package hausbau.server.work;

import hausbau.core.exchange.SheetFiles;
import hausbau.core.finish.Coat;
import hausbau.core.finish.Coating;
import hausbau.core.finish.Maps;
import hausbau.core.finish.Picture;
import hausbau.server.store.board.BoardStore;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** Keeps the sheets made last, since a sheet depends on nothing but its coat and size. One that is being made is made once, and holds up no other. */
@Component
public class SheetShelf {

    private static final int PLACES = 64;
    /** Raised when the same coat is made otherwise, since browsers keep what they were sent. */
    private static final int VERSION = 1;

    private final BoardStore boards;

    SheetShelf(BoardStore boards) {
        this.boards = boards;
    }

    private Picture picture(long mediaId) {
        return PictureFile.pixels(boards.original(mediaId));
    }

    private record Key(Coat coat, int side, double sheet, String as) {
    }

    private final Map<Key, FutureTask<SheetFiles>> made = new Shelf<>(PLACES);

    /** Tells one sheet from another without making it. */
    public static String tag(Coat coat, double sheet) {
        return UUID.nameUUIDFromBytes((VERSION + " " + coat + " " + sheet).getBytes(StandardCharsets.UTF_8)).toString();
    }

    /** @param side pixels, @param sheet how wide it lies on a piece, millimetres */
    public SheetFiles png(Coat coat, int side, double sheet) {
        return get(new Key(coat, side, sheet, "png"), SheetFiles::png);
    }

    public SheetFiles jpeg(Coat coat, int side, double sheet) {
        return get(new Key(coat, side, sheet, "jpeg"), SheetFiles::jpeg);
    }

    private SheetFiles get(Key key, Function<Maps, SheetFiles> write) {
        FutureTask<SheetFiles> task;
        synchronized (made) {
            task = made.computeIfAbsent(key, k -> new FutureTask<>(() -> write.apply(Coating.of(k.coat(), k.side(), k.sheet(), this::picture))));
        }
        task.run();
        try {
            return task.get();
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
