package hausbau.server.work.list;

import hausbau.core.exchange.PieceListCsv;
import hausbau.core.exchange.PieceListCsv.Line;
import hausbau.core.kit.Kind;
import hausbau.core.kit.PieceState;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.list.ListedRow;
import hausbau.server.store.takeoff.TagRow;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The list of pieces that a site needs, and how far each is. */
@Service
public class PieceListService {

    private final Stores store;
    private final Journal journal;
    private final Sets sets;

    PieceListService(Stores store, Journal journal, Sets sets) {
        this.sets = sets;
        this.store = store;
        this.journal = journal;
    }

    /**
     * A listed piece as it stands.
     *
     * @param state   what was told, held to what the kit shows
     * @param placed  how often it is placed in the set
     * @param mediaId the picture that its portrait is cut from, if that is still on the board
     */
    public record Listed(
            ListedRow row,
            PieceState state,
            Optional<Long> pieceId,
            long placed,
            Optional<Long> mediaId,
            List<String> tags) {}

    @Reading
    public List<Listed> find(long siteId) {
        store.sites().site(siteId);
        var state = sets.current(siteId);
        var media = store.boards().items(siteId).stream().collect(Collectors.toMap(i -> i.getId(), i -> i.mediaId()));
        var tags = store.takeoff().tags(siteId);
        return store.lists().listed(siteId).stream()
                .map(row -> {
                    var piece = state.kit().piece(row.pieceId());
                    return new Listed(
                            row,
                            PieceState.of(row.toLine().state(), piece),
                            piece.map(p -> row.pieceId()),
                            piece.map(p -> state.set().counts().getOrDefault(p.kind(), 0L))
                                    .orElse(0L),
                            Optional.ofNullable(media.get(row.pictureId())),
                            tags.stream()
                                    .filter(t -> t.listedId() == row.getId())
                                    .map(TagRow::letter)
                                    .toList());
                })
                .toList();
    }

    @Reading
    public String csv(long siteId) {
        return PieceListCsv.write(find(siteId).stream()
                .map(l -> withState(l.row().toLine(), l.state()))
                .toList());
    }

    private static Line withState(Line l, PieceState state) {
        return new Line(
                l.code(),
                l.name(),
                l.role(),
                l.width(),
                l.depth(),
                l.height(),
                l.count(),
                l.source(),
                state,
                l.priority(),
                l.hours(),
                l.hero(),
                l.notes());
    }

    @Transactional
    public ListedRow add(long siteId, Seen seen, Line line) {
        return journal.edit(siteId, seen, edit -> {
            checkFree(siteId, line.code(), 0);
            edit.name("List " + line.code());
            var row = new ListedRow(store.nextId(), siteId, line);
            edit.add(row);
            return row;
        });
    }

    private void checkFree(long siteId, String code, long id) {
        if (store.lists().listed(siteId).stream()
                .anyMatch(l -> l.getId() != id && l.toLine().code().equals(code))) {
            throw new Refused("code", "The list has a piece “" + code + "” already.");
        }
    }

    @Transactional
    public void change(long siteId, Seen seen, List<Long> ids, UnaryOperator<Line> change) {
        edit(siteId, seen, ids, "Change", (edit, rows) -> {
            for (var row : rows) {
                var line = change.apply(row.toLine());
                checkFree(siteId, line.code(), row.getId());
                edit.change(row, r -> r.set(line));
            }
        });
    }

    /** Takes pieces off the list; the tags they came from can be grouped anew. */
    @Transactional
    public void remove(long siteId, Seen seen, List<Long> ids) {
        edit(siteId, seen, ids, "Take off the list:", (edit, rows) -> {
            store.takeoff().tags(siteId).stream()
                    .filter(t -> ids.contains(t.listedId()))
                    .forEach(tag -> edit.change(tag, t -> t.setListed(0)));
            rows.forEach(edit::remove);
        });
    }

    /** Adds the lines of a list, or changes those whose code stands on it already. */
    @Transactional
    public int read(long siteId, Seen seen, String csv) {
        var lines = PieceListCsv.read(csv);
        return journal.edit(siteId, seen, edit -> {
            edit.name("Read " + lines.size() + " pieces into the list");
            var byCode = store.lists().listed(siteId).stream()
                    .collect(Collectors.toMap(l -> l.toLine().code(), Function.identity()));
            for (var line : lines) {
                var row = byCode.get(line.code());
                if (row == null) {
                    edit.add(new ListedRow(store.nextId(), siteId, line));
                } else {
                    edit.change(row, r -> r.set(line));
                }
            }
            return lines.size();
        });
    }

    /** Makes a plain block of the listed size in the kit, linked to the list; a piece of that code is linked as it is. */
    @Transactional
    public void standIn(long siteId, Seen seen, List<Long> ids) {
        edit(siteId, seen, ids, "Stand-in for", (edit, rows) -> rows.forEach(row -> standIn(edit, row)));
    }

    private void standIn(Edit edit, ListedRow row) {
        var line = row.toLine();
        var size = Vec.of(line.width(), line.depth(), line.height());
        var standing = edit.kit().pieces().entrySet().stream()
                .filter(e -> e.getValue().code().equals(line.code()))
                .map(Map.Entry::getKey)
                .findFirst();
        if (standing.isEmpty()
                && List.of(line.width(), line.depth(), line.height()).stream().anyMatch(l -> !l.isPositive())) {
            throw new Refused(
                    "sizeMm", line.code() + " needs a width, a depth and a height before a block can stand in for it.");
        }
        var piece = standing.orElseGet(() -> edit.name(
                line.code(),
                line.name().isEmpty() ? line.code() : line.name(),
                new Kind(line.role(), new Recipe.StandIn(size), Pivot.of(line.role()))));
        var isStandIn = edit.kit().piece(piece).orElseThrow().isStandIn();
        edit.change(row, r -> {
            r.link(piece);
            r.set(withState(line, isStandIn ? PieceState.STAND_IN : PieceState.MODELLED));
        });
    }

    private interface Work {
        void on(Edit edit, List<ListedRow> rows);
    }

    private void edit(long siteId, Seen seen, List<Long> ids, String verb, Work work) {
        if (ids.isEmpty() || ids.size() > 5000) {
            throw new Refused("ids", "Name from 1 to 5000 pieces of the list.");
        }
        journal.edit(siteId, seen, edit -> {
            var all = store.lists().listed(siteId);
            var rows = Stores.find(all, ids, "listed piece");
            edit.name(verb + " " + (rows.size() == 1 ? rows.get(0).toLine().code() : rows.size() + " listed pieces"));
            work.on(edit, rows);
            return null;
        });
    }
}
