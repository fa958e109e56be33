package hausbau.server.work;

import hausbau.core.build.Budget;
import hausbau.core.build.KitChoice;
import hausbau.core.build.Tally;
import hausbau.core.fit.FilledRun;
import hausbau.core.fit.KitPlan;
import hausbau.core.fit.KitPlanner;
import hausbau.core.fit.KitQuestion;
import hausbau.core.kit.Piece;
import hausbau.core.massing.Massing;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Finish;
import hausbau.server.journal.Journal;
import hausbau.server.store.NotFound;
import hausbau.server.store.SiteStore;
import java.time.Duration;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.concurrent.Semaphore;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The kit: working it out, choosing it, and what it costs. */
@Service
public class KitService {

    private static final Duration PATIENCE = Duration.ofSeconds(25);

    private final SiteStore store;
    private final Journal journal;
    private final Deriver deriver;
    private final MeshShelf meshes;
    private final TransactionTemplate transaction;
    /** Plans are worked out two at a time: each keeps a core busy. */
    private final Semaphore desks = new Semaphore(2);

    public KitService(SiteStore store, Journal journal, Deriver deriver, MeshShelf meshes, TransactionTemplate transaction) {
        this.store = store;
        this.journal = journal;
        this.deriver = deriver;
        this.meshes = meshes;
        this.transaction = transaction;
    }

    public record Planned(KitQuestion question, KitPlan plan) {
    }

    public record PieceUse(long id, Piece piece, long count) {
    }

    /** Answers a question that belongs to no site. */
    public Planned plan(KitQuestion question) {
        desks.acquireUninterruptibly();
        try {
            return new Planned(question, new KitPlanner(PATIENCE).plan(question));
        } finally {
            desks.release();
        }
    }

    /**
     * Works out the kit for the site's rooms. No transaction stands open meanwhile.
     *
     * @throws Refused if the site has no room
     */
    public Planned plan(long siteId, Length minPiece, Length maxPiece, int maxKinds) {
        var massing = transaction.execute(status -> store.massing(store.site(siteId)));
        if (massing.rooms().isEmpty()) {
            throw new Refused("rooms", "There is no room to build yet. Type or draw one first.");
        }
        return plan(question(massing, minPiece, maxPiece, maxKinds));
    }

    private static KitQuestion question(Massing massing, Length minPiece, Length maxPiece, int maxKinds) {
        return new KitQuestion(massing.settings().step(), minPiece, maxPiece, maxKinds,
                massing.runs().stream().map(WallRun::run).toList());
    }

    /**
     * Takes these kinds for the site's walls, makes the pieces and builds the rooms.
     *
     * @throws Refused if they do not fill every run
     */
    @Transactional
    public void choose(long siteId, OptionalLong seen, KitChoice choice) {
        journal.edit(siteId, seen, edit -> {
            edit.name(choice.kinds().size() == 1 ? "Build from 1 kind of wall" : "Build from " + choice.kinds().size() + " kinds of wall");
            var massing = store.massing(edit.site());
            if (massing.rooms().isEmpty()) {
                throw new Refused("rooms", "There is no room to build yet. Type or draw one first.");
            }
            check(massing, choice);
            edit.change(edit.site(), site -> site.set(choice));
            deriver.derive(edit);
            return null;
        });
    }

    private static void check(Massing massing, KitChoice choice) {
        var question = question(massing, choice.minPiece(), choice.maxPiece(), Math.max(1, choice.kinds().size()));
        if (choice.kinds().isEmpty()) {
            throw new Refused("kindsMm", "Choose at least one kind.");
        }
        for (var kind : choice.kinds()) {
            if (!kind.isPositive() || !kind.isMultipleOf(question.step())) {
                throw new Refused("kindsMm", "A kind of " + massing.settings().unit().format(kind) + " is not a whole number of steps.");
            }
        }
        for (var run : question.runs()) {
            if (FilledRun.of(question.step(), run, choice.kinds()).isEmpty()) {
                throw new Refused("kindsMm", "These kinds do not fill “" + run.name() + "”. Work out the kit again.");
            }
        }
    }

    @Transactional(readOnly = true)
    public List<PieceUse> pieces(long siteId) {
        store.site(siteId);
        var counts = store.counts(siteId);
        return store.kit(siteId).entrySet().stream()
                .sorted(Comparator.comparing(e -> e.getValue().role()))
                .map(e -> new PieceUse(e.getKey(), e.getValue(), counts.getOrDefault(e.getKey(), 0L))).toList();
    }

    /** The pieces of a site, each with its id. */
    @Transactional(readOnly = true)
    public Map<Long, Piece> kit(long siteId) {
        store.site(siteId);
        return new LinkedHashMap<>(store.kit(siteId));
    }

    @Transactional(readOnly = true)
    public Tally tally(long siteId) {
        var finish = finish(siteId);
        return Tally.of(pieces(siteId).stream().map(u -> new Tally.Use(meshes.mesh(u.piece(), finish), u.count()))
                .collect(Collectors.toList()));
    }

    @Transactional(readOnly = true)
    public Budget budget(long siteId) {
        return store.brief(siteId).map(row -> row.toBrief().budget()).orElse(Budget.NONE);
    }

    @Transactional(readOnly = true)
    public Finish finish(long siteId) {
        return Finish.ofDensity(store.site(siteId).settings().pixelsPerMetre());
    }

    /** One piece as a glTF file at its pivot. */
    @Transactional(readOnly = true)
    public byte[] glb(long siteId, long pieceId) {
        var piece = kit(siteId).get(pieceId);
        if (piece == null) {
            throw new NotFound("The site has no piece " + pieceId + ".");
        }
        return meshes.glb(piece, finish(siteId));
    }
}
