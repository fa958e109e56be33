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
import hausbau.server.store.PlacementRow;
import hausbau.server.store.SiteRow;
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

    public PlacementService(SiteStore store, Journal journal) {
        this.store = store;
        this.journal = journal;
    }

    @Transactional(readOnly = true)
    public List<PlacementRow> list(long siteId) {
        store.site(siteId);
        return store.placements(siteId);
    }

    /** Where the piece would come to stand, and what holds it; nothing is kept. */
    @Transactional(readOnly = true)
    public Snapping.Snapped preview(long siteId, long pieceId, Stance wanted, List<Long> without) {
        var site = store.site(siteId);
        var kit = store.kit(siteId);
        return snap(site, piece(kit, pieceId), kit, wanted, without);
    }

    /** @param snap whether to snap; without it the placement is free, and stands just as told */
    @Transactional
    public Placement place(long siteId, OptionalLong seen, long pieceId, Stance wanted, boolean snap) {
        store.site(siteId);
        var kit = store.kit(siteId);
        var piece = piece(kit, pieceId);
        return journal.edit(siteId, seen, "Set down " + piece.code(), edit -> {
            var stance = snap ? snap(edit.site(), piece, kit, wanted, List.of()).stance() : wanted;
            return addByHand(edit, kit, pieceId, stance, !snap).toPlacement();
        });
    }

    private PlacementRow addByHand(Edit edit, Map<Long, Piece> kit, long pieceId, Stance stance, boolean free) {
        var placement = new Placement(store.nextId(), pieceId, stance, free, Placement.Origin.HAND, false, "");
        var row = new PlacementRow(edit.site().getId(), placement, kit.get(pieceId));
        edit.add(row);
        return row;
    }

    private static Piece piece(Map<Long, Piece> kit, long pieceId) {
        var piece = kit.get(pieceId);
        if (piece == null) {
            throw new NotFound("The site has no piece " + pieceId + ".");
        }
        return piece;
    }

    private Snapping.Snapped snap(SiteRow site, Piece piece, Map<Long, Piece> kit, Stance wanted, Collection<Long> without) {
        return snapping(site, piece, kit, wanted, without).snap(piece, wanted);
    }

    private Snapping snapping(SiteRow site, Piece piece, Map<Long, Piece> kit, Stance stance, Collection<Long> without) {
        var box = Snapping.reach(stance, piece, site.settings().step());
        var around = store.placementsNear(site.getId(), box).stream()
                .filter(row -> !without.contains(row.getId()))
                .map(row -> new PlacedPiece(row.toPlacement(), kit.get(row.pieceId()))).toList();
        return new Snapping(site.settings().step(), floorAt(site, stance.at()), around);
    }

    private long floorAt(SiteRow site, Vec at) {
        return store.massing(site).roomAt(at).map(room -> room.corner().z()).orElse(0L);
    }

    /**
     * Gives placements typed values.
     *
     * @param change what the values make of a stance
     * @param snap   whether each is snapped afterwards
     */
    @Transactional
    public void set(long siteId, OptionalLong seen, List<Long> ids, UnaryOperator<Stance> change, boolean snap) {
        edit(siteId, seen, ids, "Set", (edit, kit, rows) -> {
            for (var row : rows) {
                var placement = row.toPlacement();
                var piece = kit.get(row.pieceId());
                var wanted = change.apply(placement.stance());
                var stance = snap ? snap(edit.site(), piece, kit, wanted, ids).stance() : wanted;
                restand(edit, row, piece, stance, placement.free() || !snap && !stance.isExact());
            }
        });
    }

    /** Moves, turns and mirrors placements together, exactly as told: nothing snaps. */
    @Transactional
    public void arrange(long siteId, OptionalLong seen, List<Long> ids, Arrangement arrangement) {
        edit(siteId, seen, ids, arrangement.verb(), (edit, kit, rows) -> {
            var placed = rows.stream().map(r -> new PlacedPiece(r.toPlacement(), kit.get(r.pieceId()))).toList();
            var stances = arrangement.apply(placed, edit.site().settings().step());
            for (var i = 0; i < rows.size(); i++) {
                restand(edit, rows.get(i), placed.get(i).piece(), stances.get(i), placed.get(i).placement().free());
            }
        });
    }

    /** @return the copies, in the order of the ids */
    @Transactional
    public List<Long> copy(long siteId, OptionalLong seen, List<Long> ids, Vec by) {
        var copies = new ArrayList<Long>();
        edit(siteId, seen, ids, "Copy", (edit, kit, rows) -> {
            for (var row : rows) {
                var placement = row.toPlacement();
                copies.add(addByHand(edit, kit, row.pieceId(), placement.stance().movedBy(by), placement.free()).getId());
            }
        });
        return copies;
    }

    @Transactional
    public void remove(long siteId, OptionalLong seen, List<Long> ids) {
        edit(siteId, seen, ids, "Take away", (edit, kit, rows) -> rows.forEach(edit::remove));
    }

    /** Lets each drop straight down to what is under it, the lowest first. */
    @Transactional
    public void plumb(long siteId, OptionalLong seen, List<Long> ids) {
        edit(siteId, seen, ids, "Plumb", (edit, kit, rows) -> {
            var upward = rows.stream().sorted((a, b) -> Long.compare(a.toPlacement().stance().at().z(), b.toPlacement().stance().at().z())).toList();
            for (var row : upward) {
                var placement = row.toPlacement();
                var piece = kit.get(row.pieceId());
                var snapping = snapping(edit.site(), piece, kit, placement.stance(), List.of(row.getId()));
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
        void on(Edit edit, Map<Long, Piece> kit, List<PlacementRow> rows);
    }

    private void edit(long siteId, OptionalLong seen, List<Long> ids, String verb, Work work) {
        store.site(siteId);
        if (ids.isEmpty() || ids.size() > MOST_AT_ONCE) {
            throw new Refused("ids", "Name from 1 to " + MOST_AT_ONCE + " placements.");
        }
        var rows = store.placements(siteId, ids);
        var kit = store.kit(siteId);
        if (rows.size() < new HashSet<>(ids).size()) {
            var there = rows.stream().map(PlacementRow::getId).toList();
            var missing = ids.stream().filter(id -> !there.contains(id)).findFirst().orElseThrow();
            throw new NotFound("The site has no placement " + missing + ".");
        }
        var what = rows.size() == 1 ? kit.get(rows.get(0).pieceId()).code() : rows.size() + " placements";
        journal.edit(siteId, seen, verb + " " + what, edit -> {
            work.on(edit, kit, rows);
            return null;
        });
    }
}
