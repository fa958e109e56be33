package hausbau.server.work.set;

import hausbau.core.dress.Traits;
import hausbau.core.dress.Variety;
import hausbau.core.kit.Held;
import hausbau.core.kit.Kind;
import hausbau.core.light.Lamps;
import hausbau.core.measure.Refused;
import hausbau.core.variety.Looks;
import hausbau.core.variety.Repetition;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.LookShelf;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.Stores;
import hausbau.server.store.set.TraitRow;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What holds for pieces wherever they stand: how they are held, their looks and their lamps. */
@Service
public class TraitService {

    private final Stores stores;
    private final Journal journal;
    private final Sets sets;
    private final LookShelf looks;

    TraitService(Stores stores, Journal journal, Sets sets, LookShelf looks) {
        this.stores = stores;
        this.journal = journal;
        this.sets = sets;
        this.looks = looks;
    }

    /** A look as it is told. @param tint empty for none */
    public record Look(long piece, String tint, int wear, int weight) {}

    /** Only what is told changes. */
    public record Change(@Nullable Held held, @Nullable List<Look> looks, @Nullable Long seed, @Nullable Lamps lamps) {}

    public Traits.Trait change(long siteId, long pieceId, Seen seen, Change change) {
        return journal.edit(siteId, seen, edit -> {
            var before = edit.before();
            var piece = before.piece(pieceId);
            if (change.held() != null
                    && change.held() != Held.STANDS
                    && piece.role().isDerived()) {
                throw new Refused(
                        "held",
                        "The massing sets down what is a " + piece.role().label() + ": it stands.");
            }
            var was = before.decisions().traits().of(piece.kind());
            var told = change.looks() == null
                    ? was.variety().looks()
                    : change.looks().stream()
                            .map(l -> new Variety.Look(before.piece(l.piece()).kind(), l.tint(), l.wear(), l.weight()))
                            .toList();
            var variety = new Variety(
                            told, change.seed() == null ? was.variety().seed() : change.seed())
                    .fitting(piece.kind());
            var trait = new Traits.Trait(
                    change.held() == null ? was.held() : change.held(),
                    variety,
                    change.lamps() == null ? was.lamps() : change.lamps());
            edit.name(
                    change.lamps() != null
                            ? "Lamps of " + piece.code()
                            : change.held() == null ? "Looks of " + piece.code() : "How " + piece.code() + " is held");
            var row = stores.sets().traitRows(siteId).stream()
                    .filter(r -> r.pieceId() == pieceId)
                    .findFirst();
            if (row.isPresent()) {
                edit.change(row.get(), r -> r.set(trait, edit.kit()));
            } else {
                edit.add(new TraitRow(stores.nextId(), siteId, pieceId, trait, edit.kit()));
            }
            return trait;
        });
    }

    public SiteState state(long siteId) {
        return sets.current(siteId);
    }

    public Looks looks(SiteState state) {
        return looks.of(state);
    }

    /** @param hidden pieces that are not seen */
    public Repetition repetition(SiteState state, long low, long high, Set<Long> hidden) {
        var kinds = hidden.stream()
                .flatMap(id -> state.kit().piece(id).stream())
                .map(p -> p.kind())
                .collect(Collectors.<Kind>toSet());
        return Repetition.of(state.set(), looks.of(state), new Repetition.Sight(low, high, kinds));
    }
}
