package hausbau.server.work.kit;

import hausbau.core.budget.Budget;
import hausbau.core.budget.Tally;
import hausbau.core.dress.Traits;
import hausbau.core.exchange.GltfScene;
import hausbau.core.exchange.ObjPiece;
import hausbau.core.exchange.SheetFiles;
import hausbau.core.irradiance.StandingLamps;
import hausbau.core.kit.Piece;
import hausbau.core.shape.Finish;
import hausbau.core.shape.MaterialNames;
import hausbau.core.shape.Unwrapped;
import hausbau.core.shape.WearMask;
import hausbau.server.standing.LookShelf;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.work.handover.Zip;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Objects;
import java.util.function.IntFunction;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** The pieces of a site's kit: what they are, what they cost, and their meshes. */
@Service
public class KitService {

    private final Stores stores;
    private final Sets sets;
    private final MeshShelf meshes;
    private final LookShelf looks;
    private final TransactionTemplate reading;

    public KitService(
            Stores stores, Sets sets, MeshShelf meshes, LookShelf looks, PlatformTransactionManager transactions) {
        this.reading = new TransactionTemplate(transactions);
        reading.setReadOnly(true);
        this.stores = stores;
        this.sets = sets;
        this.meshes = meshes;
        this.looks = looks;
    }

    /** @param count how often it is seen */
    public record PieceUse(long id, Piece piece, long count, Traits.Trait trait) {}

    /** The pieces of the kit, in the order of the line-up. */
    @Reading
    public List<PieceUse> pieces(long siteId) {
        return pieces(sets.current(siteId));
    }

    public SiteState state(long siteId) {
        return sets.current(siteId);
    }

    @Reading
    public List<PieceUse> pieces(SiteState state) {
        var seen = looks.of(state).counts(state.set().counts());
        return Sets.atHand(state, kept(state.siteId())).stream()
                .map(id -> {
                    var piece = state.kit().piece(id).orElseThrow();
                    return new PieceUse(
                            id,
                            piece,
                            seen.getOrDefault(piece.kind(), 0L),
                            state.decisions().traits().of(piece.kind()));
                })
                .toList();
    }

    private List<Long> kept(long siteId) {
        return Stream.concat(stores.lists().linked(siteId).stream(), stores.kits().kept(siteId).stream())
                .toList();
    }

    /** A site's tally and how far it has spent its budget. */
    public record Cost(Tally tally, List<Budget.Line> budget) {}

    /** No transaction stands open while meshes are made. */
    public Cost cost(long siteId) {
        var tally = tally(sets.current(siteId));
        return new Cost(tally, budget(siteId).measure(tally));
    }

    private Tally tally(SiteState state) {
        var finish = finish(state);
        var uses = looks.of(state).drawn(state.set().counts()).entrySet().stream()
                .map(e -> {
                    var piece = state.piece(state.id(e.getKey().kind()));
                    return new Tally.Use(
                            piece.code(),
                            meshes.mesh(piece, finish),
                            e.getValue(),
                            e.getKey().colourway());
                })
                .toList();
        var lamps = StandingLamps.of(state.set(), looks.of(state));
        return Tally.of(uses, state.kit().sheets()).lit(lamps.size(), StandingLamps.mostAtOnce(lamps));
    }

    private Budget budget(long siteId) {
        return Objects.requireNonNull(reading.execute(status -> budgetNow(siteId)));
    }

    private Budget budgetNow(long siteId) {
        return stores.briefs().brief(siteId).map(row -> row.toBrief().budget()).orElse(Budget.NONE);
    }

    /** What the set would spend on triangles if a piece had so many of them. @param pieceId of one that is there; null for a new one */
    public IntFunction<Budget.Line> triangles(long siteId, @Nullable Long pieceId) {
        var state = sets.current(siteId);
        var budget = budget(siteId);
        var tally = tally(state);
        if (pieceId == null) {
            return would -> budget.triangles(tally, 0, 0, would);
        }
        var piece = state.piece(pieceId);
        var count = looks.of(state).counts(state.set().counts()).getOrDefault(piece.kind(), 0L);
        var had = meshes.mesh(piece, finish(state)).triangles();
        return would -> budget.triangles(tally, count, had, would);
    }

    public static Finish finish(SiteState state) {
        return Finish.ofDensity(state.settings().pixelsPerMetre())
                .on(state.kit().sheets());
    }

    /** Tells one state of a piece's file from another. */
    public static String tag(SiteState state, Piece piece) {
        return MeshShelf.tag(piece, finish(state));
    }

    /** One piece as a glTF file at its pivot, made as it is told here. */
    public byte[] glb(long siteId, Piece piece) {
        return meshes.glb(piece, finish(sets.current(siteId)));
    }

    /** The same with its second UVs, on which its mask lies. */
    public byte[] unwrapped(long siteId, long pieceId) {
        var state = sets.current(siteId);
        return GltfScene.handedOver(state.piece(pieceId), finish(state), MaterialNames.USUAL);
    }

    /** Where a piece wears, as a PNG on its second UVs. */
    public byte[] wearMask(long siteId, long pieceId) {
        var state = sets.current(siteId);
        return wearMask(state.piece(pieceId), finish(state));
    }

    public byte[] wearMask(Piece piece, Finish finish) {
        var mask = WearMask.of(Unwrapped.of(meshes.mesh(piece, finish)));
        return SheetFiles.png(mask.side(), mask.pixels());
    }

    private MaterialNames names(long siteId) {
        return Objects.requireNonNull(reading.execute(status -> stores.kits().materialNames(siteId)));
    }

    /** One piece with both sets of UVs, its materials named as the site calls them: where modelling it elsewhere begins. */
    public byte[] takenOut(long siteId, long pieceId) {
        var state = sets.current(siteId);
        return GltfScene.handedOver(state.piece(pieceId), finish(state), names(siteId));
    }

    /** The same as OBJ with its materials, zipped. */
    public byte[] obj(long siteId, long pieceId) {
        var state = sets.current(siteId);
        var taken = ObjPiece.of(state.piece(pieceId), finish(state), names(siteId));
        var files = new LinkedHashMap<String, byte[]>();
        files.put(taken.name() + ".obj", taken.obj());
        files.put(taken.name() + ".mtl", taken.mtl());
        return Zip.of(files);
    }

    /** One piece as a glTF file at its pivot. */
    public byte[] glb(long siteId, long pieceId) {
        var state = sets.current(siteId);
        return meshes.glb(state.piece(pieceId), finish(state));
    }
}
