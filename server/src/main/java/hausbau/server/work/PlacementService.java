package hausbau.server.work;

import hausbau.core.build.Arrangement;
import hausbau.core.build.PlacedPiece;
import hausbau.core.build.Placement;
import hausbau.core.build.Snapping;
import hausbau.core.build.Stance;
import hausbau.core.kit.Piece;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.store.NotFound;
import hausbau.server.store.OmissionRow;
import hausbau.server.store.PlacementRow;
import hausbau.server.store.SiteStore;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What hands do with placements. */
@Service
public class PlacementService {

    private static final int MOST_AT_ONCE = 20_000;

    private final SiteStore store;
    private final Journal journal;
    private final Frames frames;
    private final Deriver deriver;

    PlacementService(SiteStore store, Journal journal, Frames frames, Deriver deriver) {
        this.store = store;
        this.journal = journal;
        this.frames = frames;
        this.deriver = deriver;
    }

    @Transactional(readOnly = true)
    public List<PlacementRow> list(long siteId) {
        store.site(siteId);
        return store.placements(siteId);
    }

    /** Where the piece would come to stand, and what holds it; nothing is kept. */
    @Transactional(readOnly = true)
    public Snapping.Snapped preview(long siteId, long pieceId, Stance wanted, List<Long> without) {
        var frame = frames.of(store.site(siteId));
        return snap(siteId, frame, piece(frame, pieceId), wanted, without);
    }

    /** @param snap whether to snap; without it the placement is free, and stands just as told */
    @Transactional
    public Placement place(long siteId, OptionalLong seen, long pieceId, Stance wanted, boolean snap) {
        return journal.edit(siteId, seen, edit -> {
            var frame = frames.of(edit.site());
            var piece = piece(frame, pieceId);
            edit.name("Set down " + piece.code());
            var stance = snap ? snap(siteId, frame, piece, wanted, List.of()).stance() : wanted;
            return addByHand(edit, frame, pieceId, stance, !snap).toPlacement();
        });
    }

    private PlacementRow addByHand(Edit edit, Frame frame, long pieceId, Stance stance, boolean free) {
        var placement = new Placement(store.nextId(), pieceId, stance, free, Placement.Origin.HAND, false, "");
        var row = new PlacementRow(edit.site().getId(), placement, frame.kit().get(pieceId));
        edit.add(row);
        return row;
    }

    private static Piece piece(Frame frame, long pieceId) {
        var piece = frame.kit().get(pieceId);
        if (piece == null) {
            throw new NotFound("The site has no piece " + pieceId + ".");
        }
        return piece;
    }

    private Snapping.Snapped snap(long siteId, Frame frame, Piece piece, Stance wanted, Collection<Long> without) {
        return snapping(siteId, frame, piece, wanted, without).snap(piece, wanted);
    }

    private Snapping snapping(long siteId, Frame frame, Piece piece, Stance stance, Collection<Long> without) {
        var step = frame.massing().settings().step();
        var around = store.placementsNear(siteId, Snapping.reach(stance, piece, step)).stream()
                .filter(row -> !without.contains(row.getId()))
                .map(row -> new PlacedPiece(row.toPlacement(), frame.kit().get(row.pieceId()))).toList();
        var floor = frame.massing().roomAt(stance.at()).map(room -> room.corner().z()).orElse(0L);
        return new Snapping(step, floor, around);
    }

    /**
     * Gives placements typed values.
     *
     * @param change what the values make of a stance
     * @param snap   whether each is snapped afterwards
     */
    @Transactional
    public void set(long siteId, OptionalLong seen, List<Long> ids, UnaryOperator<Stance> change, boolean snap) {
        edit(siteId, seen, ids, "Set", (edit, frame, rows) -> {
            for (var row : rows) {
                var placement = row.toPlacement();
                var piece = frame.kit().get(row.pieceId());
                var wanted = change.apply(placement.stance());
                var stance = snap ? snap(siteId, frame, piece, wanted, ids).stance() : wanted;
                restand(edit, row, piece, stance, placement.free() || !snap && !stance.isExact());
            }
        });
    }

    /** Moves, turns and mirrors placements together, exactly as told: nothing snaps. */
    @Transactional
    public void arrange(long siteId, OptionalLong seen, List<Long> ids, Arrangement arrangement) {
        edit(siteId, seen, ids, arrangement.verb(), (edit, frame, rows) -> {
            var placed = rows.stream().map(r -> new PlacedPiece(r.toPlacement(), frame.kit().get(r.pieceId()))).toList();
            var stances = arrangement.apply(placed, frame.massing().settings().step());
            for (var i = 0; i < rows.size(); i++) {
                restand(edit, rows.get(i), placed.get(i).piece(), stances.get(i), placed.get(i).placement().free());
            }
        });
    }

    /** @return the copies, in the order of the ids */
    @Transactional
    public List<Long> copy(long siteId, OptionalLong seen, List<Long> ids, Vec by) {
        var copies = new ArrayList<Long>();
        edit(siteId, seen, ids, "Copy", (edit, frame, rows) -> {
            for (var row : rows) {
                var placement = row.toPlacement();
                copies.add(addByHand(edit, frame, row.pieceId(), placement.stance().movedBy(by), placement.free()).getId());
            }
        });
        return copies;
    }

    /** Takes placements away. The place of a derived one stays empty until it is put back. */
    @Transactional
    public void remove(long siteId, OptionalLong seen, List<Long> ids) {
        edit(siteId, seen, ids, "Take away", (edit, frame, rows) -> {
            for (var row : rows) {
                var source = row.toPlacement().source();
                if (!source.isEmpty()) {
                    edit.add(new OmissionRow(store.nextId(), siteId, source));
                }
                edit.remove(row);
            }
        });
    }

    /** Lets massing fill again what a hand has emptied. */
    @Transactional
    public void putBack(long siteId, OptionalLong seen) {
        journal.edit(siteId, seen, edit -> {
            edit.name("Put back what was left out");
            store.omissions(siteId).forEach(edit::remove);
            deriver.derive(edit);
            return null;
        });
    }

    /** Lets each drop straight down to what is under it, the lowest first. */
    @Transactional
    public void plumb(long siteId, OptionalLong seen, List<Long> ids) {
        edit(siteId, seen, ids, "Plumb", (edit, frame, rows) -> {
            var upward = rows.stream().sorted((a, b) -> Long.compare(a.toPlacement().stance().at().z(), b.toPlacement().stance().at().z())).toList();
            for (var row : upward) {
                var placement = row.toPlacement();
                var piece = frame.kit().get(row.pieceId());
                var snapping = snapping(siteId, frame, piece, placement.stance(), List.of(row.getId()));
                restand(edit, row, piece, snapping.plumb(piece, placement.stance()), placement.free());
            }
        });
    }

    private static void restand(Edit edit, PlacementRow row, Piece piece, Stance stance, boolean free) {
        var placement = row.toPlacement();
        if (!stance.equals(placement.stance()) || free != placement.free()) {
            edit.change(row, r -> r.set(placement.restoodByHand(stance, free), piece));
        }
    }

    private interface Work {
        void on(Edit edit, Frame frame, List<PlacementRow> rows);
    }

    private void edit(long siteId, OptionalLong seen, List<Long> ids, String verb, Work work) {
        if (ids.isEmpty() || ids.size() > MOST_AT_ONCE) {
            throw new Refused("ids", "Name from 1 to " + MOST_AT_ONCE + " placements.");
        }
        journal.edit(siteId, seen, edit -> {
            var frame = frames.of(edit.site());
            var rows = store.placements(siteId, ids);
            if (rows.size() < new HashSet<>(ids).size()) {
                var there = rows.stream().map(PlacementRow::getId).toList();
                var missing = ids.stream().filter(id -> !there.contains(id)).findFirst().orElseThrow();
                throw new NotFound("The site has no placement " + missing + ".");
            }
            edit.name(verb + " " + (rows.size() == 1 ? frame.kit().get(rows.get(0).pieceId()).code() : rows.size() + " placements"));
            work.on(edit, frame, rows);
            return null;
        });
    }
}
