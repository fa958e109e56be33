package hausbau.core.standing;

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
    private final Map<Wall, Kind> walls = new HashMap<>();
    private final RunLayout.Filler filler;

    private record Wall(Length length, Tiers.Size size) {

        Vec box() {
            return Vec.of(length, size.depth(), size.height());
        }
    }

    ShellBuilding(Generator.Shell of) {
        this.of = of;
        var all = of.choice().all();
        var least = all.get(all.size() - 1).um();
        var around = of.walls().runs().stream()
                .mapToLong(r -> r.length().um() * of.choice().tiers().layers(r).size())
                .sum();
        filler = new RunLayout.Filler(
                of.choice(), of.walls().runs().stream().map(WallRun::length).reduce(Length.ZERO, Length::max));
        Rows.checkCount(around / least, "rooms", "The walls of “" + of.room().name() + "”");
        writing = new Writing(of.source(), of.room().id(), (int) (around / least) + 16, of.departures());
    }

    Generator.Made run() {
        of.walls().runs().forEach(this::fill);
        of.walls().posts().forEach(this::close);
        return writing.made(of, List.copyOf(unfilled));
    }

    private void fill(WallRun whole) {
        var layout = RunLayout.of(whole, filler);
        var run = layout.run();
        layout.pieces().forEach(p -> stand(run, p.layer(), p.at(), p.length()));
        layout.unfilled().forEach(span -> unfilled.add(new Generator.Unfilled(run, span)));
        for (var i = 0; i < run.panels().size(); i++) {
            var panel = run.panels().get(i);
            var stack = layout.panels().get(i);
            set(
                    openingPanel(run, panel, stack),
                    run,
                    stack,
                    panel.at(),
                    isPanelSetFromBehind(run, panel, stack),
                    Chunk.OPENING,
                    panel.opening().id(),
                    0);
        }
    }

    private void stand(WallRun run, Tiers.Layer layer, Length at, Length length) {
        var sides = run.dressing().between(layer.foot(), layer.top());
        var kind = walls.computeIfAbsent(
                new Wall(length, Tiers.Size.of(run, layer)),
                wall -> new Kind(
                        Role.WALL,
                        new Recipe.WallPanel(wall.box()),
                        Pivot.FACE_START,
                        wall.size().sides()));
        var start = run.at(at);
        var along = run.side().runsEastWest()
                ? start.x() - of.room().anchor().x()
                : start.y() - of.room().anchor().y();
        var up = layer.foot() - run.start().z();
        set(
                kind,
                run,
                layer,
                at,
                sides.isSetFromBehind(),
                up == 0 ? Chunk.runCode(run.edge(), run.tier()) : Chunk.TIER,
                along,
                up == 0
                        ? Chunk.runColumn(run.edge(), run.tier(), length.um())
                        : Chunk.tierColumn(run.edge(), run.tier(), up));
    }

    /** Sets a wall's piece down from its room's side, or turned by half from behind. */
    private void set(
            Kind kind, WallRun run, Tiers.Layer layer, Length at, boolean isFromBehind, byte code, long a, long b) {
        var turn = run.side().turn();
        var start = run.start()
                .plus(turn.apply(
                        isFromBehind
                                ? new Vec(at.um() + kind.size().x(), run.depth().um(), 0)
                                : new Vec(at.um(), 0, 0)));
        writing.derive(
                kind, start.x(), start.y(), layer.foot(), (turn.quarters() + (isFromBehind ? 2 : 0)) % 4, code, a, b);
    }

    /** What is clear in a panel, from its foot and its end. */
    private static Box clear(WallRun run, WallRun.Panel panel, Tiers.Layer stack) {
        var below = stack.foot() - run.start().z();
        return Box.of(
                panel.from().minus(panel.at()).um(),
                0,
                panel.sill().um() - below,
                panel.to().minus(panel.at()).um(),
                run.depth().um(),
                panel.head().um() - below);
    }

    /** Of two panels that are one another turned by half, one alone is a kind. */
    private static boolean isPanelSetFromBehind(WallRun run, WallRun.Panel panel, Tiers.Layer stack) {
        var sides = run.dressing().between(stack.foot(), stack.top());
        var clear = clear(run, panel, stack);
        return sides.isSetFromBehind()
                || sides.front() == sides.back()
                        && clear.min().x() > panel.length().um() - clear.max().x();
    }

    static Kind openingPanel(WallRun run, WallRun.Panel panel, Tiers.Layer stack) {
        var seen = run.dressing().between(stack.foot(), stack.top());
        var isTurned = isPanelSetFromBehind(run, panel, stack);
        var sides = isTurned ? seen.turned() : seen;
        var clear = clear(run, panel, stack);
        var size = Vec.of(panel.length(), run.depth(), stack.height());
        var open = isTurned
                ? new Box(
                        new Vec(
                                size.x() - clear.max().x(),
                                clear.min().y(),
                                clear.min().z()),
                        new Vec(
                                size.x() - clear.min().x(),
                                clear.max().y(),
                                clear.max().z()))
                : clear;
        return switch (panel.opening().kind()) {
            case DOOR -> new Kind(Role.DOOR, new Recipe.OpeningPanel(size, open), Pivot.FACE_START, sides);
            case WINDOW -> new Kind(Role.WINDOW, new Recipe.OpeningPanel(size, open), Pivot.FACE_START, sides);
            case PASSAGE -> new Kind(Role.PASSAGE, new Recipe.PassagePanel(size, open), Pivot.FACE_START, sides);
        };
    }

    static Recipe recipe(Post post) {
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

    static Kind postKind(Recipe recipe, long look) {
        return new Kind(Role.POST, recipe, Pivot.BASE_CENTRE, look);
    }

    private void close(Post post) {
        for (var layer : of.choice().tiers().layers(post)) {
            close(
                    post.between(layer.foot(), layer.top()),
                    layer.foot() - post.box().min().z());
        }
    }

    private void close(Post post, long up) {
        var turn = post.legs().map(Post.Legs::turn).orElse(Turn.NONE);
        var kind = postKind(recipe(post), post.look());
        var at = post.boxes().stream()
                .reduce(Box::union)
                .orElseThrow()
                .min()
                .minus(turn.apply(kind.box()).min());
        var anchor = of.room().anchor();
        if (post.edge() >= 0) {
            writing.derive(kind, at.x(), at.y(), at.z(), turn.quarters(), Chunk.POST, post.edge(), up);
        } else {
            var x = post.box().min().x() - anchor.x();
            var y = post.box().min().y() - anchor.y();
            writing.derive(
                    kind,
                    at.x(),
                    at.y(),
                    at.z(),
                    turn.quarters(),
                    up == 0 ? Chunk.BETWEEN : Chunk.BETWEEN_TIER,
                    up == 0 ? x : Chunk.highColumn(x, up),
                    up == 0 ? y : Chunk.lowColumn(y, up));
        }
    }
}
