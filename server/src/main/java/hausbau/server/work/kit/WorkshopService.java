package hausbau.server.work.kit;

import hausbau.core.exchange.GltfScene;
import hausbau.core.kit.Form;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Part;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Profile;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.kit.UsualForms;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.reduce.Detail;
import hausbau.core.reduce.Hull;
import hausbau.core.shape.Density;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Swatch;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.NotFound;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.kit.PartWords;
import hausbau.server.store.kit.PieceRow;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Where pieces are made: from parts, each edit journalled and followed by all that stands. */
@Service
public class WorkshopService {

    private final Stores stores;
    private final Journal journal;
    private final Sets sets;
    private final MeshShelf meshes;
    private final TransactionTemplate transaction;

    public WorkshopService(
            Stores stores, Journal journal, Sets sets, MeshShelf meshes, TransactionTemplate transaction) {
        this.stores = stores;
        this.journal = journal;
        this.sets = sets;
        this.meshes = meshes;
        this.transaction = transaction;
    }

    /**
     * A piece on its own page.
     *
     * @param isOwn  whether it is made of parts that a person told, and can be what it was before
     * @param uses   how often it stands, by what makes it stand
     */
    public record Bench(Piece piece, boolean isOwn, Mesh mesh, Map<Place.Origin, Long> uses, SiteState state) {}

    @Reading
    public Bench bench(long siteId, long pieceId) {
        var state = sets.current(siteId);
        var piece = state.piece(pieceId);
        return new Bench(
                piece,
                isOwn(state, pieceId),
                meshes.mesh(piece, KitService.finish(state)),
                uses(state, piece.kind()),
                state);
    }

    /** How finely pictures lie on a piece that stands. */
    public record Lying(long pieceId, Piece piece, Density density) {}

    /** Those that stand, and whose pictures lie otherwise than the site has it by a tenth and more, or stretched; the coarsest first. */
    @Reading
    public List<Lying> lyingOtherwise(long siteId) {
        var state = sets.current(siteId);
        var finish = KitService.finish(state);
        var standing = state.set().kinds();
        return state.kit().pieces().entrySet().stream()
                .filter(e -> standing.contains(e.getValue().kind()))
                .map(e -> new Lying(
                        e.getKey(), e.getValue(), Density.of(meshes.mesh(e.getValue(), finish), finish.sheets())))
                .filter(l -> l.density().liesOtherwise(finish))
                .sorted(Comparator.comparingDouble(l -> l.density().least()))
                .toList();
    }

    /** Its levels of detail, and a convex hull to bump into. */
    public record Details(Piece piece, List<Integer> percents, List<Detail> levels, Mesh hull) {}

    /** No transaction stands open while they are worked out. */
    public Details details(long siteId, long pieceId) {
        var state = sets.current(siteId);
        return details(state, pieceId);
    }

    private Details details(SiteState state, long pieceId) {
        var piece = state.piece(pieceId);
        var finish = KitService.finish(state);
        var percents = Objects.requireNonNull(transaction.execute(
                status -> stores.kits().row(state.siteId(), pieceId).details()));
        return new Details(
                piece,
                percents,
                meshes.details(piece, finish, percents),
                new Hull(finish).about(meshes.mesh(piece, finish)));
    }

    /** A level of detail as a file, from 0; −1 is the hull. */
    public byte[] detail(long siteId, long pieceId, int level) {
        var state = sets.current(siteId);
        var details = details(state, pieceId);
        if (level < -1 || level >= details.levels().size()) {
            throw new NotFound(
                    details.piece().code() + " has " + details.levels().size() + " levels of detail.");
        }
        return GltfScene.of(
                details.piece().code(),
                level < 0 ? details.hull() : details.levels().get(level).mesh(),
                KitService.finish(state));
    }

    private boolean isOwn(SiteState state, long pieceId) {
        return state.piece(pieceId).kind().recipe() instanceof Recipe.Made
                || stores.kits().row(state.siteId(), pieceId).isTold();
    }

    private static Map<Place.Origin, Long> uses(SiteState state, Kind kind) {
        var uses = new EnumMap<Place.Origin, Long>(Place.Origin.class);
        state.set().chunks().stream().filter(c -> c.palette().contains(kind)).forEach(chunk -> {
            for (var row = 0; row < chunk.size(); row++) {
                if (chunk.kind(row).equals(kind)) {
                    uses.merge(chunk.place(row).origin(), 1L, Long::sum);
                }
            }
        });
        return uses;
    }

    /** A new piece: of these parts, or a copy of another's, or a block to begin from. */
    public record Wanted(@Nullable String code, String name, @Nullable Role role, @Nullable Long copyOf) {}

    /** @return its id */
    public long create(long siteId, Seen seen, Wanted wanted) {
        return journal.edit(siteId, seen, edit -> {
            var from = wanted.copyOf() == null
                    ? Optional.<Piece>empty()
                    : Optional.of(edit.before().piece(wanted.copyOf()));
            var role = wanted.role() != null
                    ? wanted.role()
                    : from.map(Piece::role).filter(r -> !r.isDerived()).orElse(Role.PROP);
            requireOwn(role);
            var name = requireName(wanted.name());
            edit.name("Make “" + name + "”");
            var parts = from.map(Piece::parts)
                    .orElseGet(() -> List.of(
                            Part.of(Swatch.STONE, UsualForms.block(), Vec.ZERO).named("block")));
            var row = edit.enter(
                    code(wanted.code() == null || wanted.code().isBlank() ? suggested(role, name) : wanted.code()),
                    name,
                    role,
                    from.map(Piece::pivot).orElse(Pivot.of(role)),
                    parts);
            edit.change(row, r -> r.keep(true));
            return row.getId();
        });
    }

    static void requireOwn(Role role) {
        if (role.isDerived()) {
            throw new Refused(
                    "role",
                    "The massing says which pieces there are of " + role.label()
                            + "s: open one of them to change how it looks.");
        }
    }

    static String suggested(Role role, String name) {
        var word = name.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]+", "-").replaceAll("^-|-$", "");
        return role.prefix() + "-" + (word.isEmpty() ? "1" : word.substring(0, Math.min(30, word.length())));
    }

    static String requireName(String name) {
        if (name.isBlank() || name.length() > 80) {
            throw new Refused("name", "A piece has a name of 1 to 80 characters.");
        }
        return name.strip();
    }

    private static String code(String code) {
        if (!code.strip().matches("[\\p{L}\\p{N}][\\p{L}\\p{N}._-]{0,39}")) {
            throw new Refused(
                    "code", "A code is 1 to 40 letters, digits, points, - and _, and begins with a letter or digit.");
        }
        return code.strip();
    }

    /** What changes about a piece besides its parts; null stays. */
    public record Change(
            @Nullable String code, @Nullable String name, @Nullable Pivot pivot, @Nullable List<Integer> details) {}

    public void change(long siteId, long pieceId, Seen seen, Change change) {
        journal.edit(siteId, seen, edit -> {
            var piece = edit.before().piece(pieceId);
            var row = stores.kits().row(siteId, pieceId);
            if (change.code() != null || change.name() != null) {
                var code = change.code() == null ? piece.code() : code(change.code());
                if (edit.kit().pieces().entrySet().stream()
                        .anyMatch(e ->
                                e.getKey() != pieceId && e.getValue().code().equals(code))) {
                    throw new Refused("code", "Another piece has the code " + code + ".");
                }
                edit.change(row, r -> r.call(code, change.name() == null ? piece.name() : requireName(change.name())));
            }
            var pivot = change.pivot();
            if (pivot != null) {
                requireFree(piece, "pivot", "Its pivot is where the massing sets it down.");
                edit.change(row, r -> r.set(pivot));
            }
            var details = change.details();
            if (details != null) {
                Detail.require(details);
                edit.change(row, r -> r.detail(details));
            }
            edit.name("Change " + piece.code());
            return null;
        });
    }

    private static void requireFree(Piece piece, String field, String why) {
        if (piece.role().isDerived()) {
            throw new Refused(field, why);
        }
    }

    /** Keeps it at hand, or puts it away once nothing of it stands. */
    public void putAway(long siteId, long pieceId, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            var piece = edit.before().piece(pieceId);
            if (edit.before().set().kinds().contains(piece.kind())) {
                throw new Refused(
                        "pieceId",
                        piece.code() + " still stands. Take it away, or swap it for another, before it is put away.");
            }
            edit.name("Put " + piece.code() + " away");
            edit.change(stores.kits().row(siteId, pieceId), r -> r.keep(false));
            return null;
        });
    }

    /** Makes a piece what it was before its parts were told. */
    public void goBack(long siteId, long pieceId, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            edit.name("Back to the first " + edit.before().piece(pieceId).code());
            edit.change(stores.kits().row(siteId, pieceId), r -> r.set(List.of()));
            return null;
        });
    }

    /**
     * Adds a part.
     *
     * @param words only the form need be told
     * @return its number, from 0
     */
    public int add(long siteId, long pieceId, Seen seen, PartWords words) {
        return edit(siteId, pieceId, seen, "Add a part to ", parts -> {
                            var what = Optional.ofNullable(words.form())
                                    .orElseThrow(() -> new Refused("form", "Tell what form the part has."));
                            var usual = PartWords.of(Part.of(Swatch.STONE, usual(what), Vec.ZERO)
                                    .named(what.name().toLowerCase(Locale.ROOT)));
                            var more = new ArrayList<>(parts);
                            more.add(words.over(usual));
                            return more;
                        })
                        .size()
                - 1;
    }

    private static Form usual(PartWords.What what) {
        return switch (what) {
            case BLOCK -> UsualForms.block();
            case PANEL -> UsualForms.panel();
            case PRISM -> UsualForms.prism();
            case STEPS -> UsualForms.steps();
            case SLOPED -> UsualForms.sloped();
            case TURNED -> UsualForms.turned();
            case BARS -> UsualForms.bars();
            case PUSHED -> UsualForms.pushed(Profile.library().get(0));
            case LETTERS -> UsualForms.letters();
            case BROUGHT -> throw new Refused("form", "A mesh is brought in from a file.");
        };
    }

    /** Changes a part; what is not told stays. */
    public void change(long siteId, long pieceId, int number, Seen seen, PartWords words) {
        changeAll(siteId, pieceId, seen, Map.of(number, words));
    }

    /** @param words by the number of the part that they are about */
    public void changeAll(long siteId, long pieceId, Seen seen, Map<Integer, PartWords> words) {
        edit(siteId, pieceId, seen, words.size() == 1 ? "Change a part of " : "Change parts of ", parts -> {
            var more = new ArrayList<>(parts);
            words.forEach((number, told) -> more.set(requireNumber(parts, number), told.over(parts.get(number))));
            return more;
        });
    }

    public void remove(long siteId, long pieceId, int number, Seen seen) {
        edit(siteId, pieceId, seen, "Take a part out of ", parts -> {
            var fewer = new ArrayList<>(parts);
            fewer.remove(requireNumber(parts, number));
            return fewer;
        });
    }

    /** Moves a part among the others. @param to its number then */
    public void move(long siteId, long pieceId, int number, int to, Seen seen) {
        edit(siteId, pieceId, seen, "Move a part of ", parts -> {
            var moved = new ArrayList<>(parts);
            var part = moved.remove(requireNumber(parts, number));
            moved.add(requireNumber(parts, to), part);
            return moved;
        });
    }

    /** Puts copies of parts of one piece, or of the same, among the parts of another. */
    public void copy(long siteId, long fromPiece, List<Integer> numbers, long toPiece, Seen seen) {
        edit(siteId, toPiece, seen, "Copy parts into ", parts -> {
            var more = new ArrayList<>(parts);
            var from = PartWords.of(sets.current(siteId).piece(fromPiece).parts());
            numbers.forEach(n -> more.add(from.get(requireNumber(from, n))));
            return more;
        });
    }

    private static int requireNumber(List<PartWords> parts, int number) {
        if (number < 0 || number >= parts.size()) {
            throw new Refused("part", "The piece has no part " + (number + 1) + ".");
        }
        return number;
    }

    private List<PartWords> edit(
            long siteId, long pieceId, Seen seen, String label, UnaryOperator<List<PartWords>> work) {
        return journal.edit(siteId, seen, edit -> {
            var piece = edit.before().piece(pieceId);
            edit.name(label + piece.code());
            var words = work.apply(PartWords.of(piece.parts()));
            make(edit, pieceId, PartWords.toParts(words, stores.kits().shells(siteId)));
            return words;
        });
    }

    private void make(Edit edit, long pieceId, List<Part> parts) {
        var checked = new Recipe.Made(pieceId, parts);
        if (parts.stream().anyMatch(Part::cuts)
                && checked.mesh(KitService.finish(edit.before())).triangles() == 0) {
            throw new Refused("parts", "What cuts leaves nothing of the piece.");
        }
        PieceRow row = stores.kits().row(edit.site().getId(), pieceId);
        edit.change(row, r -> r.set(checked.parts()));
    }
}
