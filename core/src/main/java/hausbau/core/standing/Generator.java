package hausbau.core.standing;

import hausbau.core.fit.Span;
import hausbau.core.massing.Guard;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.RoomWalls;
import hausbau.core.massing.SiteSettings;
import hausbau.core.massing.Solid;
import hausbau.core.massing.Stair;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import hausbau.core.place.Departure;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.plane.Region;
import hausbau.core.repeat.Rule;
import java.util.List;

/**
 * Turns some decisions into standing pieces. A generator <em>is</em> its inputs: two that are equal make the same, on
 * every machine, so that one which has been run need not be run again.
 */
public sealed interface Generator {

    Source source();

    Made run();

    /**
     * What a generator made.
     *
     * @param unfilled spans that the chosen kinds cannot fill, left open
     * @param lost     departures that hold against no place of it
     */
    record Made(Generator by, List<Chunk> chunks, List<Unfilled> unfilled, List<Departure> lost) {}

    /** A span that the chosen kinds cannot fill. */
    record Unfilled(WallRun run, Span span) {}

    /** The walls of a room from the kit, the panels of its openings, and the posts in its corners. */
    record Shell(Room room, RoomWalls walls, KitChoice choice, List<Departure> departures) implements Generator {

        @Override
        public Source source() {
            return new Source.Shell(room.id());
        }

        @Override
        public Made run() {
            return new ShellBuilding(this).run();
        }
    }

    /**
     * The floor and the ceiling of a room.
     *
     * @param floor   the ground that the one takes
     * @param ceiling the ground that the other takes
     */
    record Tiles(
            Room room,
            Region floor,
            Region ceiling,
            Length slab,
            SiteSettings.Tiles how,
            KitChoice choice,
            List<Departure> departures)
            implements Generator {

        @Override
        public Source source() {
            return new Source.Tiles(room.id());
        }

        @Override
        public Made run() {
            return new TileLaying(this).run();
        }
    }

    /** What keeps people from falling off a room's floor. */
    record Guards(Room room, List<Guard> guards, KitChoice choice, List<Departure> departures) implements Generator {

        @Override
        public Source source() {
            return new Source.Guards(room.id());
        }

        @Override
        public Made run() {
            return Furnishing.guards(this);
        }
    }

    /** What runs along a room's walls. */
    record Mouldings(Room room, List<Massing.MouldingLine> lines, Length step, List<Departure> departures)
            implements Generator {

        @Override
        public Source source() {
            return new Source.Mouldings(room.id());
        }

        @Override
        public Made run() {
            return new MouldingLaying(this).run();
        }
    }

    /** Flights and landings with the guards on them. */
    record Stairs(Stair stair, List<Guard> guards, List<Departure> departures) implements Generator {

        @Override
        public Source source() {
            return new Source.Stairs(stair.id());
        }

        @Override
        public Made run() {
            return Furnishing.stairs(this);
        }
    }

    /** A mass that stays, as one piece. */
    record Solids(Solid solid, List<Departure> departures) implements Generator {

        @Override
        public Source source() {
            return new Source.Solids(solid.id());
        }

        @Override
        public Made run() {
            return Furnishing.solid(this);
        }
    }

    /** The copies that a rule sets down. */
    record Repeated(long repeat, List<Body> bodies, Rule rule, List<Departure> departures) implements Generator {

        @Override
        public Source source() {
            return new Source.Repeats(repeat);
        }

        @Override
        public Made run() {
            return Repeating.run(this);
        }
    }

    /** The pieces of an assembly where it is used. */
    record Used(long use, Assemblies.Whole whole, Stance stance, List<Departure> departures) implements Generator {

        @Override
        public Source source() {
            return new Source.Uses(use);
        }

        @Override
        public Made run() {
            var writing = new Writing(source(), use, whole.pieces().size(), departures);
            whole.pieces()
                    .forEach(p -> writing.derive(
                            p.member().kind(),
                            Assemblies.placed(p.member(), whole.box(), stance),
                            Chunk.USE,
                            p.path(),
                            0));
            return writing.made(this, List.of());
        }
    }

    /** What hands set down, once more across a plane. */
    record Twinned(long twin, List<Standing> originals, Twin.Plane plane, List<Departure> departures)
            implements Generator {

        @Override
        public Source source() {
            return new Source.Twins(twin);
        }

        @Override
        public Made run() {
            var writing = new Writing(source(), twin, originals.size(), departures);
            for (var one : originals) {
                var place = place(one.place());
                writing.derive(
                        one.kind(),
                        plane.mirrored(one.kind(), one.stance()),
                        Chunk.TWIN,
                        place.original(),
                        place.part());
            }
            return writing.made(this, List.of());
        }

        private Place.InTwin place(Place of) {
            return of instanceof Place.InUse use
                    ? Place.InTwin.ofUse(twin, use)
                    : of instanceof Place.InRepeat in
                            ? Place.InTwin.ofRepeat(twin, in)
                            : Place.InTwin.ofHand(twin, ((Place.ByHand) of).id());
        }
    }

    /** What hands set down, as it is. */
    record Hands(Source.Hands source, List<HandPlacement> placements) implements Generator {

        @Override
        public Made run() {
            var writing = new Writing(source, 0, placements.size(), List.of());
            placements.forEach(h -> writing.put(Standing.byHand(h)));
            return writing.made(this, List.of());
        }
    }

    /** What a hand changed and whose place is gone: it stands as the hand left it. */
    record Lost(List<Departure.Restood> departures) implements Generator {

        @Override
        public Source source() {
            return new Source.Lost();
        }

        @Override
        public Made run() {
            var writing = new Writing(source(), 0, departures.size(), List.of());
            departures.forEach(d -> writing.put(new Standing(d.place(), d.kind(), d.stance(), d.free(), true, true)));
            return writing.made(this, List.of());
        }
    }
}
