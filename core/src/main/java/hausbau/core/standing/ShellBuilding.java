package hausbau.core.standing;

import hausbau.core.fit.Filling;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Post;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Builds one room's shell: every span from the fewest pieces of the kit, a panel for each opening, and the posts between runs. */
final class ShellBuilding {

    private final Generator.Shell of;
    private final Writing writing;
    private final List<Generator.Unfilled> unfilled = new ArrayList<>();
    private final Map<Vec, Kind> walls = new HashMap<>();

    ShellBuilding(Generator.Shell of) {
        this.of = of;
        var least = of.choice().kinds().get(of.choice().kinds().size() - 1).um();
        var around = of.walls().runs().stream().mapToLong(r -> r.length().um()).sum();
        Rows.checkCount(around / least, "rooms", "The walls of “" + of.room().name() + "”");
        writing = new Writing(of.source(), of.room().id(), (int) (around / least) + 16, of.departures());
    }

    Generator.Made run() {
        var choice = of.choice();
        var longest = of.walls().runs().stream().map(WallRun::length).reduce(Length.ZERO, Length::max);
        var filling = new Filling(choice.step(), choice.kinds(), longest);
        of.walls().runs().forEach(run -> fill(run, filling));
        of.walls().posts().forEach(this::close);
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
                stand(run, at, length);
                at = at.plus(length);
            }
        }
        for (var panel : run.panels()) {
            var start = run.at(panel.at());
            writing.derive(
                    openingPanel(run, panel),
                    start.x(),
                    start.y(),
                    start.z(),
                    run.side().turn().quarters(),
                    Chunk.OPENING,
                    panel.opening().id(),
                    0);
        }
    }

    private void stand(WallRun run, Length at, Length length) {
        var kind = walls.computeIfAbsent(
                Vec.of(length, run.depth(), run.height()),
                size -> new Kind(
                        Role.WALL,
                        new Recipe.WallPanel(size),
                        Pivot.FACE_START,
                        of.room().look()));
        var start = run.at(at);
        var along = run.side().runsEastWest()
                ? start.x() - of.room().anchor().x()
                : start.y() - of.room().anchor().y();
        writing.derive(
                kind,
                start.x(),
                start.y(),
                start.z(),
                run.side().turn().quarters(),
                Chunk.runCode(run.edge(), run.tier()),
                along,
                Chunk.runColumn(run.edge(), run.tier(), length.um()));
    }

    private Kind openingPanel(WallRun run, WallRun.Panel panel) {
        var kind = panel.opening().kind();
        var clear = Box.of(
                panel.from().minus(panel.at()).um(),
                0,
                panel.sill().um(),
                panel.to().minus(panel.at()).um(),
                run.depth().um(),
                panel.head().um());
        var size = Vec.of(panel.length(), run.depth(), run.height());
        return switch (kind) {
            case DOOR ->
                new Kind(
                        Role.DOOR,
                        new Recipe.OpeningPanel(size, clear),
                        Pivot.FACE_START,
                        of.room().look());
            case WINDOW ->
                new Kind(
                        Role.WINDOW,
                        new Recipe.OpeningPanel(size, clear),
                        Pivot.FACE_START,
                        of.room().look());
            case PASSAGE ->
                new Kind(
                        Role.PASSAGE,
                        new Recipe.PassagePanel(size, clear),
                        Pivot.FACE_START,
                        of.room().look());
        };
    }

    private static Recipe recipe(Post post) {
        var size = post.box().size();
        return post.legs()
                .<Recipe>map(legs -> {
                    var sideways = legs.turn().quarters() % 2 != 0;
                    return new Recipe.CornerPiece(
                            new Vec(
                                    (sideways ? size.y() : size.x()) + legs.length(),
                                    (sideways ? size.x() : size.y()) + legs.length(),
                                    size.z()),
                            new Length(legs.length()));
                })
                .orElseGet(() -> new Recipe.CornerPost(size));
    }

    private void close(Post post) {
        var turn = post.legs().map(Post.Legs::turn).orElse(Turn.NONE);
        var kind =
                new Kind(Role.POST, recipe(post), Pivot.BASE_CENTRE, of.room().look());
        var at = post.boxes().stream()
                .reduce(Box::union)
                .orElseThrow()
                .min()
                .minus(turn.apply(kind.box()).min());
        var anchor = of.room().anchor();
        if (post.edge() >= 0) {
            writing.derive(kind, at.x(), at.y(), at.z(), turn.quarters(), Chunk.POST, post.edge(), 0);
        } else {
            writing.derive(
                    kind,
                    at.x(),
                    at.y(),
                    at.z(),
                    turn.quarters(),
                    Chunk.BETWEEN,
                    post.box().min().x() - anchor.x(),
                    post.box().min().y() - anchor.y());
        }
    }
}
