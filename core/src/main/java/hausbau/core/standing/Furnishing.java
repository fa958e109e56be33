package hausbau.core.standing;

import hausbau.core.fit.Filling;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Guard;
import hausbau.core.massing.Stair;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import java.util.List;

/** Makes the pieces of what stands in a building besides its walls and slabs. */
final class Furnishing {

    private Furnishing() {}

    static Generator.Made solid(Generator.Solids of) {
        var writing = new Writing(of.source(), of.solid().id(), 1, of.departures());
        var kind = new Kind(Role.SOLID, new Recipe.Mass(of.solid().box().size()), Pivot.BASE_CENTRE);
        var at = of.solid().box().min().minus(kind.box().min());
        writing.derive(kind, at.x(), at.y(), at.z(), 0, Chunk.SOLID, 0, 0);
        return writing.made(of, List.of());
    }

    static Generator.Made stairs(Generator.Stairs of) {
        var parts = of.stair().parts();
        var writing = new Writing(
                of.source(), of.stair().id(), parts.size() + of.guards().size(), of.departures());
        var number = 0;
        for (var part : parts) {
            derive(
                    writing,
                    new Kind(Role.STAIR, recipe(part), Pivot.BASE_CORNER),
                    part.box(),
                    part.up(),
                    Chunk.STAIRS,
                    number++,
                    0);
        }
        for (var guard : of.guards()) {
            derive(writing, kind(guard, guard.length(), 0), guard.box(), guard.along(), Chunk.STAIRS, number++, 0);
        }
        return writing.made(of, List.of());
    }

    private static Recipe recipe(Stair.Part part) {
        var size = new Vec(part.length(), part.across(), part.box().size().z());
        return switch (part.kind()) {
            case FLIGHT -> new Recipe.Flight(size, part.treads(), part.foot());
            case LANDING -> new Recipe.Landing(size);
            case RAMP -> new Recipe.Ramp(size);
        };
    }

    static Generator.Made guards(Generator.Guards of) {
        var longest = of.guards().stream().map(Guard::length).reduce(Length.ZERO, Length::max);
        var filling = new Filling(of.choice().step(), of.choice().kinds(), longest);
        var writing = new Writing(of.source(), of.room().id(), 2 * of.guards().size(), of.departures());
        var anchor = of.room().anchor();
        for (var guard : of.guards()) {
            var at = guard.box().min();
            for (var length : lengths(guard.length(), of.choice(), filling)) {
                var along = guard.along().apply(new Vec(length.um(), 0, 0));
                var box = new Box(
                        at,
                        new Vec(
                                along.x() == 0 ? guard.box().max().x() : at.x() + along.x(),
                                along.y() == 0 ? guard.box().max().y() : at.y() + along.y(),
                                guard.box().max().z()));
                derive(
                        writing,
                        kind(guard, length, of.room().look()),
                        box,
                        guard.along(),
                        Chunk.GUARD,
                        at.x() - anchor.x(),
                        at.y() - anchor.y());
                at = at.plus(along);
            }
        }
        return writing.made(of, List.of());
    }

    /** One piece where none need be longer than the kit allows, else lengths of the kit. */
    private static List<Length> lengths(Length whole, KitChoice choice, Filling filling) {
        return whole.compareTo(choice.maxPiece()) <= 0
                ? List.of(whole)
                : filling.fill(whole).filter(all -> !all.isEmpty()).orElse(List.of(whole));
    }

    private static Kind kind(Guard guard, Length length, long look) {
        var size = guard.box().size();
        var across = guard.along().quarters() % 2 == 0 ? size.y() : size.x();
        var own = new Vec(length.um(), across, size.z());
        return new Kind(
                Role.GUARD,
                guard.sloped()
                        ? new Recipe.SlopedGuard(own, new Length(size.z()).minus(Guard.HEIGHT), guard.treads())
                        : new Recipe.Guard(own),
                Pivot.BASE_CORNER,
                look);
    }

    /** A piece with its pivot at the corner of its box, turned, so that it takes a box of the site. */
    private static void derive(Writing writing, Kind kind, Box box, Turn turn, byte code, long a, long b) {
        var at = box.min().minus(turn.apply(kind.box()).min());
        writing.derive(kind, at.x(), at.y(), at.z(), turn.quarters(), code, a, b);
    }
}
