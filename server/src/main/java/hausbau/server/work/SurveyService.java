package hausbau.server.work;

import hausbau.core.build.PlacedPiece;
import hausbau.core.build.Placement;
import hausbau.core.build.Stance;
import hausbau.core.kit.Piece;
import hausbau.core.survey.Finding;
import hausbau.core.survey.Survey;
import hausbau.core.survey.SurveyedSet;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.store.NotFound;
import hausbau.server.store.PlacementRow;
import hausbau.server.store.SiteRow;
import hausbau.server.store.SiteStore;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The checks over a site, and the fixes they offer. */
@Service
public class SurveyService {

    private final SiteStore store;
    private final Journal journal;

    public SurveyService(SiteStore store, Journal journal) {
        this.store = store;
        this.journal = journal;
    }

    @Transactional(readOnly = true)
    public List<Finding> survey(long siteId) {
        return survey(store.site(siteId));
    }

    private List<Finding> survey(SiteRow site) {
        var kit = store.kit(site.getId());
        var rows = store.placements(site.getId());
        var placed = rows.stream().map(r -> new PlacedPiece(r.toPlacement(), kit.get(r.pieceId()))).toList();
        var strays = rows.stream().filter(PlacementRow::stray).map(PlacementRow::getId).collect(Collectors.toSet());
        // Before a kit is chosen there are no walls to have gaps: the massing alone is not a set yet.
        var findings = Survey.of(new SurveyedSet(store.massing(site), kit, placed, strays));
        return site.kit().isPresent() ? findings
                : findings.stream().filter(f -> f.kind() != Finding.Kind.GAP).toList();
    }

    /** Carries out the fix of the finding with this key. */
    @Transactional
    public void fix(long siteId, OptionalLong seen, String key) {
        journal.edit(siteId, seen, edit -> {
            var finding = survey(edit.site()).stream().filter(f -> f.key().equals(key)).findFirst()
                    .orElseThrow(() -> new NotFound("The survey no longer finds this; it may be mended already."));
            var fix = finding.fix().orElseThrow(() -> new NotFound("There is no plain fix for this finding."));
            edit.name(fix.label());
            carryOut(edit, store.kit(siteId), fix);
            return null;
        });
    }

    private void carryOut(Edit edit, Map<Long, Piece> kit, Finding.Fix fix) {
        if (fix instanceof Finding.Fix.Move move) {
            var row = placement(edit, move.placementId());
            var placement = row.toPlacement();
            edit.change(row, r -> r.set(placement.restoodByHand(placement.stance().movedBy(move.by()), placement.free()), kit.get(row.pieceId())));
        } else if (fix instanceof Finding.Fix.Remove remove) {
            edit.remove(placement(edit, remove.placementId()));
        } else if (fix instanceof Finding.Fix.Add add) {
            add.additions().forEach(a -> edit.add(new PlacementRow(edit.site().getId(), byHand(a.pieceId(), a.stance()), kit.get(a.pieceId()))));
        }
    }

    private Placement byHand(long pieceId, Stance stance) {
        return new Placement(store.nextId(), pieceId, stance, false, Placement.Origin.HAND, false, "");
    }

    private PlacementRow placement(Edit edit, long id) {
        return store.placements(edit.site().getId(), List.of(id)).get(0);
    }
}
