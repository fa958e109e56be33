package hausbau.core.place;

/** Which generator something comes from. */
public sealed interface Source extends Comparable<Source> {

    /** The walls, openings and posts of a room. */
    record Shell(long room) implements Source {

        @Override
        public String toString() {
            return "shell." + room;
        }
    }

    /** The floor and the ceiling of a room. */
    record Tiles(long room) implements Source {

        @Override
        public String toString() {
            return "tiles." + room;
        }
    }

    /** The guards round a room's floor. */
    record Guards(long room) implements Source {

        @Override
        public String toString() {
            return "guards." + room;
        }
    }

    /** What runs along a room's walls. */
    record Mouldings(long room) implements Source {

        @Override
        public String toString() {
            return "mouldings." + room;
        }
    }

    /** The flights, landings and guards of stairs. */
    record Stairs(long stair) implements Source {

        @Override
        public String toString() {
            return "stairs." + stair;
        }
    }

    /** A mass that stays. */
    record Solids(long solid) implements Source {

        @Override
        public String toString() {
            return "solids." + solid;
        }
    }

    /** The copies of a repeat. */
    record Repeats(long repeat) implements Source {

        @Override
        public String toString() {
            return "repeats." + repeat;
        }
    }

    /** One use of an assembly. */
    record Uses(long use) implements Source {

        @Override
        public String toString() {
            return "uses." + use;
        }
    }

    /** What stands across a plane from its originals. */
    record Twins(long twin) implements Source {

        @Override
        public String toString() {
            return "twins." + twin;
        }
    }

    /** Some of what hands set down: ids are never given twice and rise, so what was set down together lies together. */
    record Hands(long block) implements Source {

        static final int IDS = 1024;
        public static final Hands FIRST = new Hands(Long.MIN_VALUE);
        public static final Hands LAST = new Hands(Long.MAX_VALUE);

        static Hands of(long id) {
            return new Hands(id / IDS);
        }

        @Override
        public String toString() {
            return "hands." + block;
        }
    }

    /** What a hand changed, and whose place is gone. */
    record Lost() implements Source {

        @Override
        public String toString() {
            return "lost";
        }
    }

    /** Any order will do, as long as it is always the same. */
    @Override
    default int compareTo(Source other) {
        var byKind = Integer.compare(rank(this), rank(other));
        return byKind != 0 ? byKind : Long.compare(number(this), number(other));
    }

    private static int rank(Source s) {
        return s instanceof Shell
                ? 0
                : s instanceof Tiles
                        ? 1
                        : s instanceof Hands
                                ? 2
                                : s instanceof Lost
                                        ? 3
                                        : s instanceof Guards
                                                ? 4
                                                : s instanceof Stairs
                                                        ? 5
                                                        : s instanceof Solids
                                                                ? 6
                                                                : s instanceof Repeats
                                                                        ? 7
                                                                        : s instanceof Uses
                                                                                ? 8
                                                                                : s instanceof Twins ? 9 : 10;
    }

    private static long number(Source s) {
        return s instanceof Shell shell
                ? shell.room()
                : s instanceof Tiles tiles
                        ? tiles.room()
                        : s instanceof Hands hands
                                ? hands.block()
                                : s instanceof Guards guards
                                        ? guards.room()
                                        : s instanceof Stairs stairs
                                                ? stairs.stair()
                                                : s instanceof Solids solids
                                                        ? solids.solid()
                                                        : s instanceof Repeats repeats
                                                                ? repeats.repeat()
                                                                : s instanceof Uses uses
                                                                        ? uses.use()
                                                                        : s instanceof Twins twins
                                                                                ? twins.twin()
                                                                                : s instanceof Mouldings m
                                                                                        ? m.room()
                                                                                        : 0;
    }
}
