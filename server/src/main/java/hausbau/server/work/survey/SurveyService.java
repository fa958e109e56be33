package hausbau.server.work.survey;

import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.place.Departure;
import hausbau.core.place.Standing;
import hausbau.core.survey.Finding;
import hausbau.core.survey.WayOut;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.NotFound;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.set.AcceptedRow;
import hausbau.server.work.light.LightService;
import hausbau.server.work.set.PlacementService;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** The checks over a site, the fixes they offer, and what a person accepts as it is. */
@Service
public class SurveyService {

    private final Stores stores;
    private final Journal journal;
    private final Sets sets;
    private final PlacementService placements;
    private final LightService light;

    public SurveyService(Stores stores, Journal journal, Sets sets, PlacementService placements, LightService light) {
        this.stores = stores;
        this.journal = journal;
        this.sets = sets;
        this.placements = placements;
        this.light = light;
    }

    /** A finding, with why it is accepted; empty where it is not. */
    public record Found(Finding finding, String accepted) {

        public boolean isOpen() {
            return accepted.isEmpty();
        }
    }

    /** Findings alike. */
    public record Card(Finding.Card of, List<Found> findings) {}

    /** What was found at one revision, in the order of the findings. */
    public record Report(long revision, List<Found> findings) {

        public long faults() {
            return findings.stream()
                    .filter(f -> f.isOpen() && f.finding().check().isFault())
                    .count();
        }

        public long cautions() {
            return findings.stream()
                    .filter(f -> f.isOpen() && !f.finding().check().isFault())
                    .count();
        }

        /** The open findings by what they have in common, and those accepted apart. */
        public List<Card> cards() {
            var cards = new LinkedHashMap<String, List<Found>>();
            findings.forEach(f -> cards.computeIfAbsent(
                            (f.isOpen() ? "" : "~") + f.finding().card().key(), k -> new ArrayList<>())
                    .add(f));
            return cards.values().stream()
                    .map(all -> new Card(all.get(0).finding().card(), all))
                    .toList();
        }
    }

    @Reading
    public Report survey(long siteId) {
        return survey(sets.current(siteId));
    }

    private Report survey(SiteState state) {
        Map<String, AcceptedRow> accepted = stores.sets().accepted(state.siteId()).stream()
                .collect(Collectors.toMap(AcceptedRow::finding, Function.identity()));
        return new Report(
                state.revision(),
                Stream.concat(sets.survey(state).findings().stream(), light.findings(state).stream())
                        .map(f -> {
                            var row = accepted.get(f.key());
                            return new Found(f, row != null && row.about() == f.about() ? row.reason() : "");
                        })
                        .toList());
    }

    /** Carries out the fixes of the open findings with this key, or of all on the card with this key. */
    public void fix(long siteId, Seen seen, String key) {
        journal.edit(siteId, seen, edit -> {
            var named = survey(edit.before()).findings().stream()
                    .filter(f -> f.finding().key().equals(key)
                            || f.isOpen() && f.finding().card().key().equals(key))
                    .map(Found::finding)
                    .toList();
            if (named.isEmpty()) {
                throw new NotFound("The survey no longer finds this; it may be mended already.");
            }
            var fixes = named.stream().flatMap(f -> f.fix().stream()).toList();
            if (fixes.isEmpty()) {
                throw new NotFound("There is no plain fix for this finding.");
            }
            edit.name(
                    fixes.size() == 1
                            ? fixes.get(0).label()
                            : "Mend " + fixes.size() + " × "
                                    + named.get(0).card().heading());
            carryOut(edit, fixes);
            return null;
        });
    }

    private static void move(Edit edit, Standing one, Vec by, List<Departure> departures) {
        PlacementService.restand(edit, one, one.kind(), one.stance().movedBy(by).withinReach(), one.free(), departures);
    }

    private void carryOut(Edit edit, List<Finding.Fix> fixes) {
        var departures = new ArrayList<Departure>();
        var done = new HashSet<Object>();
        for (var fix : fixes) {
            if (fix instanceof Finding.Fix.Move move && done.add(move.place())) {
                move(edit, PlacementService.standing(edit.before(), move.place()), move.by(), departures);
            } else if (fix instanceof Finding.Fix.MoveClear clear && done.add(clear.place())) {
                var one = PlacementService.standing(edit.before(), clear.place());
                var other = PlacementService.standing(edit.before(), clear.from());
                var by = new WayOut(edit.before().set())
                        .of(one, other.box())
                        .orElseThrow(() -> new Refused("key", "There is no free place near it. Move it by hand."));
                move(edit, one, by, departures);
            } else if (fix instanceof Finding.Fix.Remove remove && done.add(remove.place())) {
                PlacementService.remove(edit, List.of(PlacementService.standing(edit.before(), remove.place())));
            } else if (fix instanceof Finding.Fix.MoveEdge move && done.add(move.room() + "." + move.edge())) {
                var row = Stores.find(stores.massing().rooms(edit.site().getId()), move.room(), "room");
                edit.change(row, r -> {
                    var room = r.toRoom();
                    r.set(room.over(room.outline().moved(move.edge(), move.outward())));
                });
            } else if (fix instanceof Finding.Fix.LetGo back && done.addAll(back.places())) {
                edit.letGo(back.places());
            } else if (fix instanceof Finding.Fix.Add add) {
                add.additions().forEach(a -> placements.setDown(edit, a.kind(), a.stance(), false));
            }
        }
        edit.depart(departures);
    }

    /**
     * Accepts findings as they are, until what they are about changes.
     *
     * @param reason why, in a few words; empty to take the acceptance back
     */
    public void accept(long siteId, Seen seen, String key, String reason) {
        var words = reason.strip();
        if (words.length() > 500 || words.chars().anyMatch(Character::isISOControl)) {
            throw new Refused("reason", "A reason takes at most 500 characters, on one line.");
        }
        journal.edit(siteId, seen, edit -> {
            var named = survey(edit.before()).findings().stream()
                    .filter(f -> f.finding().key().equals(key)
                            || f.finding().card().key().equals(key) && f.isOpen() != words.isEmpty())
                    .map(Found::finding)
                    .toList();
            if (named.isEmpty()) {
                throw new NotFound("The survey no longer finds this; it may be mended already.");
            }
            Map<String, AcceptedRow> rows = stores.sets().accepted(siteId).stream()
                    .collect(Collectors.toMap(AcceptedRow::finding, Function.identity()));
            edit.name((words.isEmpty() ? "No longer accept " : "Accept ")
                    + (named.size() == 1
                            ? named.get(0).title()
                            : named.size() + " × " + named.get(0).card().heading()));
            for (var finding : named) {
                var row = rows.get(finding.key());
                if (words.isEmpty()) {
                    if (row != null) {
                        edit.remove(row);
                    }
                } else if (row == null) {
                    edit.add(new AcceptedRow(stores.nextId(), siteId, finding.key(), finding.about(), words));
                } else {
                    edit.change(row, r -> r.set(finding.about(), words));
                }
            }
            return null;
        });
    }
}
