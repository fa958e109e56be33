package hausbau.server.work.kit;

import hausbau.core.kit.Pattern;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Room;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Refused;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.kit.PatternRow;
import hausbau.server.work.FreshName;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The patterns of a site: made, changed, and put to use. */
@Service
public class PatternService {

    private final Stores stores;
    private final Journal journal;
    private final Sets sets;

    public PatternService(Stores stores, Journal journal, Sets sets) {
        this.stores = stores;
        this.journal = journal;
        this.sets = sets;
    }

    /** @param rooms names of those that have it for their own, @param seams codes of pieces whose ends do not meet their neighbours' */
    public record Known(
            long id, String name, boolean isUsed, List<String> rooms, Pattern pattern, List<String> seams) {}

    @Reading
    public List<Known> all(long siteId) {
        var state = sets.current(siteId);
        var standing = state.set().kinds();
        var walls = state.kit().pieces().values().stream()
                .filter(p -> p.role().closesARun() && p.role() != Role.POST && standing.contains(p.kind()))
                .toList();
        return stores.kits().patterns(siteId).stream()
                .map(row -> {
                    var pattern = row.toPattern();
                    var seams = pattern.seams(
                            walls.stream().map(p -> p.kind().recipe()).toList());
                    var rooms = state.decisions().massing().rooms().stream()
                            .filter(r -> r.look() == row.getId())
                            .map(Room::name)
                            .toList();
                    return new Known(
                            row.getId(),
                            row.name(),
                            row.isUsed(),
                            rooms,
                            pattern,
                            walls.stream()
                                    .filter(p -> seams.contains(p.kind().recipe()))
                                    .map(Piece::code)
                                    .toList());
                })
                .toList();
    }

    /** @return the id of a pattern to begin from, or of a copy */
    public long create(long siteId, Seen seen, @Nullable Long copyOf) {
        return journal.edit(siteId, seen, edit -> {
            var all = stores.kits().patterns(siteId);
            var from = copyOf == null ? Optional.<PatternRow>empty() : Optional.of(Stores.find(all, copyOf, "pattern"));
            var name = FreshName.of(
                    from.map(PatternRow::name).orElse("pattern"),
                    all.stream().map(PatternRow::name).toList());
            edit.name("Make the pattern “" + name + "”");
            var row = new PatternRow(
                    stores.nextId(),
                    siteId,
                    name,
                    from.map(PatternRow::toPattern).orElseGet(Pattern::usual));
            edit.add(row);
            return row.getId();
        });
    }

    /**
     * Makes a pattern for one room: as the walls there are now, to be gone on with.
     *
     * @return its id
     */
    public long createFor(long siteId, long roomId, Seen seen) {
        return journal.edit(siteId, seen, edit -> {
            var all = stores.kits().patterns(siteId);
            var room = Stores.find(stores.massing().rooms(siteId), roomId, "room");
            var standing = room.toRoom();
            var from = all.stream()
                    .filter(p -> standing.look() == 0 ? p.isUsed() : p.getId() == standing.look())
                    .findFirst()
                    .map(PatternRow::toPattern)
                    .orElseGet(Pattern::plain);
            var row = new PatternRow(
                    stores.nextId(),
                    siteId,
                    FreshName.of(
                            standing.name(), all.stream().map(PatternRow::name).toList()),
                    from);
            edit.name("A pattern for “" + standing.name() + "”");
            edit.add(row);
            edit.change(room, r -> r.set(standing.looking(row.getId())));
            return row.getId();
        });
    }

    /** @param name and @param pattern null stays */
    public void change(long siteId, long id, Seen seen, @Nullable String name, @Nullable Pattern pattern) {
        journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.kits().patterns(siteId), id, "pattern");
            if (name != null && (name.isBlank() || name.length() > 80)) {
                throw new Refused("name", "A pattern has a name of 1 to 80 characters.");
            }
            edit.name("Change the pattern “" + row.name() + "”");
            edit.change(row, r -> {
                if (name != null) {
                    r.call(name.strip());
                }
                if (pattern != null) {
                    r.set(pattern);
                }
            });
            return null;
        });
    }

    /** Puts a pattern to use for all walls, openings and posts in place of another; or lets them be plain. @param id 0 for none */
    public void use(long siteId, long id, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            var all = stores.kits().patterns(siteId);
            edit.name(
                    id == 0
                            ? "Use no pattern"
                            : "Use the pattern “"
                                    + Stores.find(all, id, "pattern").name() + "”");
            all.forEach(row -> edit.change(row, r -> r.use(r.getId() == id)));
            return null;
        });
    }

    /**
     * Says by what walls are dressed.
     *
     * @param facing with a pattern of the site, or 0
     */
    public void face(long siteId, SiteSettings.Facing facing, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            if (facing.outside() != 0) {
                Stores.find(stores.kits().patterns(siteId), facing.outside(), "pattern");
            }
            edit.name(facing.bothSides() ? "Dress both sides of walls" : "Dress walls on their room's side");
            edit.change(edit.site(), site -> site.set(site.settings().with(facing)));
            return null;
        });
    }

    public void remove(long siteId, long id, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.kits().patterns(siteId), id, "pattern");
            edit.name("Take the pattern “" + row.name() + "” away");
            stores.massing().rooms(siteId).stream()
                    .filter(r -> r.toRoom().look() == id)
                    .forEach(r -> edit.change(r, c -> c.set(c.toRoom().looking(0))));
            var settings = edit.site().settings();
            if (settings.facing().outside() == id) {
                var both = settings.facing().bothSides();
                edit.change(edit.site(), site -> site.set(settings.with(new SiteSettings.Facing(both, 0))));
            }
            edit.remove(row);
            return null;
        });
    }

    /** A piece as a pattern would have it, whatever is in use. */
    @Reading
    public Piece dressed(long siteId, long id, long pieceId) {
        var piece = sets.current(siteId).piece(pieceId);
        Recipe recipe = piece.kind().recipe();
        return new Piece(
                piece.code(),
                piece.name(),
                piece.kind(),
                Stores.find(stores.kits().patterns(siteId), id, "pattern")
                        .toPattern()
                        .dress(piece.role(), recipe));
    }
}
