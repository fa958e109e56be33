package hausbau.core.build;

import hausbau.core.fit.Filling;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Side;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Builds one room's shell: every span from the fewest pieces of the kit, a panel for each opening, a post in each corner. */
final class ShellBuilding {

    private final Generator.Shell of;
    private final Length wall;
    private final Length height;
    private final Writing writing;
    private final List<Generator.Unfilled> unfilled = new ArrayList<>();
    private final Map<Length, Kind> walls = new HashMap<>();

    ShellBuilding(Generator.Shell of) {
        this.of = of;
        this.wall = of.wall();
        this.height = of.room().height();
        var least = of.choice().kinds().get(of.choice().kinds().size() - 1).um();
        var around = 2 * (of.room().width().um() + of.room().depth().um());
        Rows.checkCount(around / least, "rooms", "The walls of “" + of.room().name() + "”");
        writing = new Writing(of.source(), of.room().id(), (int) (around / least) + 16, of.departures());
    }

    Generator.Made run() {
        var choice = of.choice();
        var runs = Massing.runs(of.room(), of.openings(), choice.step());
        var longest = Length.max(of.room().width(), of.room().depth());
        var filling = new Filling(choice.step(), choice.kinds(), longest);
        runs.forEach(run -> fill(run, filling));
        closeCorners();
        return writing.made(of, List.copyOf(unfilled));
    }

    private void fill(WallRun run, Filling filling) {
        for (var span : run.run().spans()) {
            var fill = filling.fill(span.length());
            if (fill.isEmpty()) {
                unfilled.add(new Generator.Unfilled(run, span));
                continue;
            }
            var at = span.at();
            for (var length : run.inOrder(fill.get())) {
                stand(run, at, walls.computeIfAbsent(length, this::wallPanel), length);
                at = at.plus(length);
            }
        }
        for (var panel : run.panels()) {
            var start = run.at(panel.at());
            writing.derive(openingPanel(panel), start.x(), start.y(), start.z(), run.side().turn().quarters(), Chunk.OPENING, panel.opening().id(), 0);
        }
    }

    private void stand(WallRun run, Length at, Kind kind, Length length) {
        var start = run.at(at);
        var along = run.side().runsEastWest() ? start.x() - of.room().anchor().x() : start.y() - of.room().anchor().y();
        writing.derive(kind, start.x(), start.y(), start.z(), run.side().turn().quarters(), code(run.side()), along, length.um());
    }

    private static byte code(Side side) {
        return (byte) (Chunk.RUN + side.ordinal());
    }

    private Kind wallPanel(Length length) {
        return new Kind(Role.WALL, new Recipe.WallPanel(Vec.of(length, wall, height)), Pivot.FACE_START);
    }

    private Kind openingPanel(WallRun.Panel panel) {
        var opening = panel.opening();
        var role = opening.kind() == Opening.Kind.DOOR ? Role.DOOR : Role.WINDOW;
        var from = opening.at().minus(panel.at());
        var clear = Box.of(from.um(), 0, opening.sill().um(), from.plus(opening.width()).um(), wall.um(), opening.head().um());
        return new Kind(role, new Recipe.OpeningPanel(Vec.of(panel.length(), wall, height), clear), Pivot.FACE_START);
    }

    private void closeCorners() {
        var post = new Kind(Role.POST, new Recipe.CornerPost(Vec.of(wall, wall, height)), Pivot.BASE_CENTRE);
        var box = of.room().outer(wall);
        var half = wall.um() / 2;
        var rest = wall.um() - half;
        long[][] corners = {
            {box.min().x() + half, box.max().y() - rest}, {box.max().x() - rest, box.max().y() - rest},
            {box.max().x() - rest, box.min().y() + half}, {box.min().x() + half, box.min().y() + half}};
        for (var corner : Place.Corner.values()) {
            var at = corners[corner.ordinal()];
            writing.derive(post, at[0], at[1], of.room().corner().z(), 0, Chunk.POST, corner.ordinal(), 0);
        }
    }
}
