package hausbau.server.work;

import hausbau.core.build.Derivation;
import hausbau.core.build.Placement;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.server.journal.Edit;
import hausbau.server.store.OmissionRow;
import hausbau.server.store.PieceRow;
import hausbau.server.store.PlacementRow;
import hausbau.server.store.SiteStore;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * Builds a site's rooms from its kit, as part of an edit. What was derived before and is not pinned is replaced; what a
 * hand set down or pinned stays as it is, and what a hand took away stays away.
 */
@Component
class Deriver {

    private static final Length PILLAR_SIDE = Length.ofMillimetres(400);

    private final SiteStore store;

    Deriver(SiteStore store) {
        this.store = store;
    }

    /** Does nothing until a kit is chosen. */
    void derive(Edit edit) {
        var kit = edit.site().kit();
        if (kit.isPresent()) {
            var massing = store.massing(edit.site());
            var derivation = new Derivation(massing, kit.get());
            new Pass(edit, derivation, massing).run();
        }
    }

    private static List<Piece> handPieces(Massing massing) {
        var unit = massing.settings().unit();
        var tallest = massing.rooms().stream().map(Room::height).reduce(Length.ZERO, Length::max);
        var height = tallest.isPositive() ? tallest : massing.settings().storey();
        var pieces = new ArrayList<Piece>();
        if (height.compareTo(Length.ofMillimetres(1000)) >= 0) {
            pieces.add(new Piece(Piece.code(Role.PILLAR, PILLAR_SIDE), "pillar " + unit.format(height), Role.PILLAR,
                    new Recipe.Pillar(Vec.of(PILLAR_SIDE, PILLAR_SIDE, height)), Pivot.BASE_CENTRE));
        }
        pieces.add(new Piece("PRP-BENCH", "bench", Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE));
        pieces.add(new Piece("PRP-CUBICLE", "changing cubicle", Role.PROP, new Recipe.Cubicle(), Pivot.BASE_CENTRE));
        pieces.add(new Piece("PRP-LAMP", "standing lamp", Role.PROP, new Recipe.Lamp(), Pivot.BASE_CENTRE));
        return pieces;
    }

    /** One derivation laid over what stands. */
    private final class Pass {

        private final Edit edit;
        private final Derivation derivation;
        private final Massing massing;
        private final long siteId;
        private final Map<String, PieceRow> pieces = new HashMap<>();
        private final Map<Long, Piece> kit = new HashMap<>();
        private final List<PlacementRow> standing;

        Pass(Edit edit, Derivation derivation, Massing massing) {
            this.edit = edit;
            this.derivation = derivation;
            this.massing = massing;
            this.siteId = edit.site().getId();
            this.standing = store.placements(siteId);
        }

        void run() {
            var before = store.pieces(siteId);
            before.forEach(row -> pieces.put(row.toPiece().code(), row));
            derivation.pieces().forEach(this::have);
            handPieces(massing).forEach(this::have);
            pieces.values().forEach(row -> kit.put(row.getId(), row.toPiece()));
            var inUse = layPlacements();
            var needed = derivation.pieces().stream().map(Piece::code).collect(Collectors.toSet());
            for (var row : before) {
                var piece = row.toPiece();
                if (piece.role().isDerived() && !piece.isStandIn() && !needed.contains(piece.code()) && !inUse.contains(row.getId())) {
                    edit.remove(row);
                }
            }
        }

        private void have(Piece piece) {
            var row = pieces.get(piece.code());
            if (row == null) {
                row = new PieceRow(store.nextId(), siteId, piece);
                edit.add(row);
                pieces.put(piece.code(), row);
            } else {
                edit.change(row, r -> r.set(piece));
            }
        }

        /** @return the pieces that still have placements */
        private HashSet<Long> layPlacements() {
            var bySource = new HashMap<String, PlacementRow>();
            var inUse = new HashSet<Long>();
            for (var row : standing) {
                var placement = row.toPlacement();
                if (!placement.source().isEmpty()) {
                    bySource.put(placement.source(), row);
                }
                if (placement.origin() == Placement.Origin.HAND || placement.pinned()) {
                    inUse.add(row.pieceId());
                    // Its piece may have changed, and its extent with it.
                    edit.change(row, r -> r.set(placement, kit.get(placement.pieceId())));
                }
            }
            var leftOut = store.omissions(siteId).stream().map(OmissionRow::source).collect(Collectors.toSet());
            for (var derived : derivation.placements()) {
                if (leftOut.contains(derived.source())) {
                    continue;
                }
                inUse.add(lay(derived, bySource.remove(derived.source())));
            }
            for (var row : bySource.values()) {
                if (row.toPlacement().pinned()) {
                    edit.change(row, r -> r.setStray(true));
                } else {
                    edit.remove(row);
                }
            }
            return inUse;
        }

        private long lay(Derivation.Derived derived, PlacementRow row) {
            var pieceId = pieces.get(derived.piece().code()).getId();
            if (row != null && row.toPlacement().pinned()) {
                edit.change(row, r -> r.setStray(false));
                return row.pieceId();
            }
            var placement = new Placement(row == null ? store.nextId() : row.getId(), pieceId, derived.stance(), false,
                    Placement.Origin.MASSING, false, derived.source());
            if (row == null) {
                edit.add(new PlacementRow(siteId, placement, derived.piece()));
            } else {
                edit.change(row, r -> r.set(placement, derived.piece()));
            }
            return pieceId;
        }
    }
}
