package hausbau.core.build;

import hausbau.core.fit.Filling;
import hausbau.core.fit.Span;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Builds the rooms of a massing from a chosen kit: which pieces that takes and where each stands. The same massing and
 * choice always give the same answer, and a place keeps its source while it lasts, so a set can be derived again.
 */
public final class Derivation {

    /** More than this is refused: a site is planned for 100 000 placements. */
    private static final long MOST = 200_000;

    private final Massing massing;
    private final KitChoice choice;
    private record Kind(Role role, Recipe recipe) {
    }

    private final Map<Kind, Piece> pieces = new LinkedHashMap<>();
    private final Map<String, Integer> codes = new LinkedHashMap<>();
    private final List<Derived> placements = new ArrayList<>();
    private final List<Unfilled> unfilled = new ArrayList<>();

    /** @param source names the place in the set, one of a kind */
    public record Derived(String source, Piece piece, Stance stance) {
    }

    /** A span that the chosen kinds cannot fill, left open. */
    public record Unfilled(WallRun run, Span span) {
    }

    /** @throws Refused if the set would take more than 200 000 placements */
    public Derivation(Massing massing, KitChoice choice) {
        this.massing = massing;
        this.choice = choice;
        var longest = massing.runs().stream().map(WallRun::length).reduce(Length.ZERO, Length::max);
        var filling = new Filling(massing.settings().step(), choice.kinds(), longest);
        massing.runs().forEach(run -> fillRun(run, filling));
        massing.rooms().forEach(this::closeCorners);
        var tiling = new Tiling(massing, choice);
        massing.rooms().forEach(room -> lay(room, tiling));
    }

    /** The pieces needed, each once. */
    public List<Piece> pieces() {
        return List.copyOf(pieces.values());
    }

    public List<Derived> placements() {
        return placements;
    }

    public List<Unfilled> unfilled() {
        return unfilled;
    }

    private Length wall() {
        return massing.settings().wall();
    }

    private void fillRun(WallRun run, Filling filling) {
        var height = run.room().height();
        for (var span : run.run().spans()) {
            var fill = filling.fill(span.length());
            if (fill.isEmpty()) {
                unfilled.add(new Unfilled(run, span));
                continue;
            }
            var at = span.at();
            for (var length : fill.get()) {
                stand(run, at, wallPanel(length, height));
                at = at.plus(length);
            }
        }
        run.panels().forEach(panel -> stand(run, panel.at(), openingPanel(panel, height)));
    }

    private void stand(WallRun run, Length at, Piece piece) {
        add("room/" + run.room().id() + "/" + run.side().label() + "/" + at.um(), piece,
                Stance.at(run.at(at), run.side().turn()));
    }

    private void add(String source, Piece piece, Stance stance) {
        if (placements.size() >= MOST) {
            throw new Refused("rooms", "The set would take more than " + MOST + " placements. Allow longer pieces or make the rooms smaller.");
        }
        placements.add(new Derived(source, piece, stance));
    }

    private Piece wallPanel(Length length, Length height) {
        return piece(new Recipe.WallPanel(Vec.of(length, wall(), height)), Role.WALL, Pivot.FACE_START,
                "wall " + massing.settings().unit().format(length), sized(Role.WALL, height, length));
    }

    private Piece openingPanel(WallRun.Panel panel, Length height) {
        var opening = panel.opening();
        var role = opening.kind() == Opening.Kind.DOOR ? Role.DOOR : Role.WINDOW;
        var from = opening.at().minus(panel.at());
        var clear = Box.of(from.um(), 0, opening.sill().um(),
                from.plus(opening.width()).um(), wall().um(), opening.head().um());
        var unit = massing.settings().unit();
        return piece(new Recipe.OpeningPanel(Vec.of(panel.length(), wall(), height), clear), role, Pivot.FACE_START,
                role.label() + " " + unit.format(opening.width()) + " × " + unit.format(opening.height()),
                sized(role, height, panel.length()));
    }

    /** The code tells the height only where it is not the storey's. */
    private String sized(Role role, Length height, Length... sizes) {
        var code = Piece.code(role, sizes);
        return height.equals(massing.settings().storey()) ? code : code + "-H" + height.toMillimetres().toPlainString();
    }

    private void closeCorners(Room room) {
        var post = piece(new Recipe.CornerPost(Vec.of(wall(), wall(), room.height())), Role.POST, Pivot.BASE_CENTRE,
                "corner post", sized(Role.POST, room.height(), wall()));
        var box = room.outer(wall());
        var half = wall().um() / 2;
        var rest = wall().um() - half;
        long[][] corners = {
            {box.min().x() + half, box.max().y() - rest}, {box.max().x() - rest, box.max().y() - rest},
            {box.max().x() - rest, box.min().y() + half}, {box.min().x() + half, box.min().y() + half}};
        var names = List.of("north-west", "north-east", "south-east", "south-west");
        for (var i = 0; i < 4; i++) {
            add("room/" + room.id() + "/post/" + names.get(i), post,
                    Stance.at(new Vec(corners[i][0], corners[i][1], room.corner().z()), Turn.NONE));
        }
    }

    private void lay(Room room, Tiling tiling) {
        var columns = tiling.tiles(room.lengthOf(Side.NORTH));
        var rows = tiling.tiles(room.lengthOf(Side.EAST));
        if (placements.size() + 2L * columns.size() * rows.size() > MOST) {
            throw new Refused("rooms", "The tiles of “" + room.name() + "” would take the set over " + MOST
                    + " placements. Allow longer pieces or make the room smaller.");
        }
        var centred = massing.settings().tilesByCentre();
        var x = room.corner().x();
        for (var i = 0; i < columns.size(); x += columns.get(i++).um()) {
            var y = room.corner().y();
            for (var j = 0; j < rows.size(); y += rows.get(j++).um()) {
                var floor = tile(Role.FLOOR, columns.get(i), rows.get(j), centred ? Pivot.TOP_CENTRE : Pivot.TOP_CORNER);
                var ceiling = tile(Role.CEILING, columns.get(i), rows.get(j), centred ? Pivot.BASE_CENTRE : Pivot.BASE_CORNER);
                var at = new Vec(x, y, room.corner().z()).plus(floor.pivot().in(floor.size()).withZ(0));
                var place = "/" + (x - room.corner().x()) + "/" + (y - room.corner().y());
                add("room/" + room.id() + "/floor" + place, floor, Stance.at(at, Turn.NONE));
                add("room/" + room.id() + "/ceiling" + place, ceiling,
                        Stance.at(at.withZ(room.corner().z() + room.height().um()), Turn.NONE));
            }
        }
    }

    private Piece tile(Role role, Length x, Length y, Pivot pivot) {
        var unit = massing.settings().unit();
        return piece(new Recipe.Tile(Vec.of(x, y, wall())), role, pivot,
                role.label() + " tile " + unit.format(x) + " × " + unit.format(y), Piece.code(role, x, y));
    }

    private Piece piece(Recipe recipe, Role role, Pivot pivot, String name, String code) {
        return pieces.computeIfAbsent(new Kind(role, recipe), kind -> {
            var count = codes.merge(code, 1, Integer::sum);
            return new Piece(count == 1 ? code : code + "-" + count, name, role, recipe, pivot);
        });
    }
}
