package hausbau.server.work.board;

import hausbau.core.measure.Refused;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.store.Stores;
import hausbau.server.store.board.BoardItemRow;
import hausbau.server.store.board.BoardItemRow.Kind;
import hausbau.server.store.board.BoardItemRow.Lie;
import hausbau.server.store.board.MediaRow;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The board: pictures, notes and frames on an endless sheet. */
@Service
public class BoardService {

    /** How wide a new picture lies, in units of the sheet. */
    private static final double USUAL_WIDTH = 480;

    private static final double FARTHEST = 1_000_000;
    private static final List<Double> WHOLE = List.of(0.0, 0.0, 1.0, 1.0);

    private final Stores store;
    private final Journal journal;
    private final Previews previews;
    private final TransactionTemplate transaction;
    private final PictureDesk desk;

    BoardService(Stores store, Journal journal, Previews previews, TransactionTemplate transaction, PictureDesk desk) {
        this.store = store;
        this.journal = journal;
        this.previews = previews;
        this.transaction = transaction;
        this.desk = desk;
    }

    /** The largest file that is taken. */
    public static int mostBytes() {
        return PictureFile.MOST_BYTES;
    }

    /** A picture at 512 pixels a side at most. */
    public byte[] preview(long siteId, long mediaId) {
        return previews.of(siteId, mediaId);
    }

    /**
     * Checks a picture and lays it on the board.
     *
     * @throws Refused if it is no picture that can be kept; nothing is stored then
     */
    public BoardItemRow addPicture(long siteId, Seen seen, String name, byte[] file, double x, double y) {
        transaction.executeWithoutResult(status -> store.sites().site(siteId));
        var picture = desk.read(file);
        return transaction.execute(status -> lay(siteId, seen, name, picture, x, y));
    }

    public BoardItemRow lay(long siteId, Seen seen, String name, PictureFile picture, double x, double y) {
        return journal.edit(siteId, seen, edit -> {
            var plain = name.replaceAll("\\p{Cntrl}", " ").strip();
            var title = cut(plain.isEmpty() ? "picture" : plain, 200);
            edit.name("Put “" + title + "” on the board");
            var media = store.nextId();
            store.boards()
                    .keep(new MediaRow(
                            media,
                            siteId,
                            picture.type(),
                            picture.width(),
                            picture.height(),
                            picture.original(),
                            picture.preview()));
            var lie = checked(
                    new Lie(x, y, USUAL_WIDTH, USUAL_WIDTH * picture.height() / picture.width(), 0, false, WHOLE));
            var row = new BoardItemRow(store.nextId(), siteId, Kind.PICTURE, media, title, "", lie);
            edit.add(row);
            return row;
        });
    }

    private static String cut(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most);
    }

    /** Adds a note or a frame. */
    @Transactional
    public BoardItemRow add(long siteId, Seen seen, Kind kind, String text, Lie lie) {
        if (kind == Kind.PICTURE) {
            throw new Refused("kind", "Send a picture's file to /board/pictures.");
        }
        return journal.edit(siteId, seen, edit -> {
            edit.name(kind == Kind.NOTE ? "Add a note" : "Add a frame");
            var row = new BoardItemRow(store.nextId(), siteId, kind, 0, "", checkedText(text), checked(lie));
            // A frame lies under what it frames.
            row.setRank(kind == Kind.FRAME ? -row.getId() : row.getId());
            edit.add(row);
            return row;
        });
    }

    static String checkedText(String text) {
        if (text.length() > 4000) {
            throw new Refused("text", "A note takes at most 4000 characters.");
        }
        return text;
    }

    private static Lie checked(Lie lie) {
        var numbers = List.of(lie.x(), lie.y(), lie.width(), lie.height(), lie.turn());
        if (numbers.stream().anyMatch(n -> !(Math.abs(n) <= FARTHEST)) || !(lie.width() >= 1) || !(lie.height() >= 1)) {
            throw new Refused(
                    "x",
                    "A place on the board is within a million units of its middle, and a size from 1 to a million.");
        }
        var c = lie.crop();
        if (c.size() != 4
                || !(c.get(0) >= 0
                        && c.get(0) + 0.001 <= c.get(2)
                        && c.get(2) <= 1
                        && c.get(1) >= 0
                        && c.get(1) + 0.001 <= c.get(3)
                        && c.get(3) <= 1)) {
            throw new Refused("crop", "A crop is left, top, right and bottom, rising, from 0 to 1.");
        }
        return lie;
    }

    /** What is told of an item; what is null stays. */
    public record ItemChange(long id, UnaryOperator<Lie> lie, String name, String text, Boolean locked, Boolean grey) {}

    @Transactional
    public void change(long siteId, Seen seen, String verb, List<ItemChange> changes) {
        if (changes.stream().map(ItemChange::id).distinct().count() < changes.size()) {
            throw new Refused("items", "Each thing can be changed once at a time.");
        }
        edit(siteId, seen, changes.stream().map(ItemChange::id).toList(), verb, (edit, rows) -> {
            for (var i = 0; i < changes.size(); i++) {
                var told = changes.get(i);
                edit.change(rows.get(i), row -> {
                    row.set(checked(told.lie().apply(row.lie())));
                    row.word(
                            told.name() == null ? row.name() : cut(told.name(), 200),
                            told.text() == null ? row.text() : checkedText(told.text()));
                    row.mark(
                            told.locked() == null ? row.locked() : told.locked(),
                            told.grey() == null ? row.grey() : told.grey());
                });
            }
        });
    }

    /** Brings items to the front, or to the back, keeping their order among themselves. */
    @Transactional
    public void order(long siteId, Seen seen, List<Long> ids, boolean front) {
        edit(siteId, seen, ids, front ? "Bring to the front" : "Send to the back", (edit, rows) -> {
            var ranks = store.boards().items(siteId).stream()
                    .mapToLong(BoardItemRow::rank)
                    .summaryStatistics();
            var sorted = rows.stream()
                    .sorted((a, b) -> Long.compare(a.rank(), b.rank()))
                    .toList();
            for (var i = 0; i < sorted.size(); i++) {
                var rank = front ? ranks.getMax() + 1 + i : ranks.getMin() - sorted.size() + i;
                edit.change(sorted.get(i), row -> row.setRank(rank));
            }
        });
    }

    /** @param together whether they are to be moved together from now on, or no longer */
    @Transactional
    public void group(long siteId, Seen seen, List<Long> ids, boolean together) {
        edit(siteId, seen, ids, together ? "Group" : "Ungroup", (edit, rows) -> {
            var group = together ? store.nextId() : 0;
            rows.forEach(one -> edit.change(one, row -> row.setGroup(group)));
        });
    }

    /** Takes items off the board, with the planes and marks on them. */
    @Transactional
    public void remove(long siteId, Seen seen, List<Long> ids) {
        edit(siteId, seen, ids, "Take off the board", (edit, rows) -> {
            store.takeoff().marks(siteId).stream()
                    .filter(m -> ids.contains(m.pictureId()))
                    .forEach(edit::remove);
            store.takeoff().planes(siteId).stream()
                    .filter(p -> ids.contains(p.pictureId()))
                    .forEach(edit::remove);
            rows.forEach(edit::remove);
        });
    }

    private void edit(long siteId, Seen seen, List<Long> ids, String verb, BiConsumer<Edit, List<BoardItemRow>> work) {
        if (ids.isEmpty() || ids.size() > 5000) {
            throw new Refused("ids", "Name from 1 to 5000 things on the board.");
        }
        journal.edit(siteId, seen, edit -> {
            var all = store.boards().items(siteId);
            var rows = Stores.find(all, ids, "thing on its board with the number");
            edit.name(verb + (rows.size() == 1 ? "" : " (" + rows.size() + ")"));
            work.accept(edit, rows);
            return null;
        });
    }
}
