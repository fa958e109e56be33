package hausbau.core.advice;

import hausbau.core.massing.Building;
import hausbau.core.massing.Level;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Collectors;

/** A change of a building. */
public sealed interface Change {

    Building in(Building building);

    /** How far it moves anything, µm. */
    long size();

    /** In words, such as “Boiler walk 3.2 m high instead of 3 m”. */
    String describe(Unit unit);

    /** Equal for changes that can be said in one: what they have in common. */
    default Object alike() {
        return this;
    }

    /** The changes of one thing each that it comes to. */
    List<One> parts();

    /** A change of one thing. */
    sealed interface One extends Change {

        /** The id of the room, opening or level that it changes: none has that of another. */
        long thing();

        @Override
        default List<One> parts() {
            return List.of(this);
        }
    }

    record RoomHeight(Room room, Length height) implements One {

        @Override
        public long thing() {
            return room.id();
        }

        @Override
        public Building in(Building building) {
            return building.changing(room.reshaped(room.name(), room.corner(), room.width(), room.depth(), height));
        }

        @Override
        public long size() {
            return Math.abs(height.um() - room.height().um());
        }

        @Override
        public Object alike() {
            return List.of(room.height(), height);
        }

        @Override
        public String describe(Unit unit) {
            return room.name() + " " + unit.format(height) + " high instead of " + unit.format(room.height());
        }
    }

    /** The size of a room's extent, its corner where it is. */
    record RoomSize(Room room, Length width, Length depth) implements One {

        @Override
        public long thing() {
            return room.id();
        }

        @Override
        public Building in(Building building) {
            return building.changing(room.reshaped(room.name(), room.corner(), width, depth, room.height()));
        }

        @Override
        public long size() {
            return Math.max(
                    Math.abs(width.um() - room.width().um()),
                    Math.abs(depth.um() - room.depth().um()));
        }

        @Override
        public String describe(Unit unit) {
            var isWidth = !width.equals(room.width());
            var is = isWidth ? width : depth;
            var was = isWidth ? room.width() : room.depth();
            return room.name() + " " + unit.format(new Length(size()))
                    + (is.compareTo(was) > 0 ? " longer " : " shorter ")
                    + (isWidth ? "east to west" : "south to north");
        }
    }

    /** @param room that it is in */
    record OpeningAt(Opening opening, Room room, Length at) implements One {

        @Override
        public long thing() {
            return opening.id();
        }

        @Override
        public Building in(Building building) {
            return building.changing(opening.at(at));
        }

        @Override
        public long size() {
            return Math.abs(at.um() - opening.at().um());
        }

        @Override
        public String describe(Unit unit) {
            var by = new Length(size());
            return "Slide the " + opening.kind().label() + " at " + unit.format(opening.at()) + " of “" + room.name()
                    + "” by " + unit.format(by) + " to the " + (at.compareTo(opening.at()) < 0 ? "left" : "right");
        }
    }

    /** The size and the sill of another opening. */
    record OpeningSize(Opening opening, Room room, Length width, Length height, Length sill) implements One {

        @Override
        public long thing() {
            return opening.id();
        }

        @Override
        public Building in(Building building) {
            return building.changing(new Opening(
                    opening.id(),
                    opening.roomId(),
                    opening.kind(),
                    opening.edge(),
                    opening.at(),
                    width,
                    height,
                    sill,
                    opening.hold()));
        }

        @Override
        public long size() {
            return Math.max(
                    Math.abs(width.um() - opening.width().um()),
                    Math.max(
                            Math.abs(height.um() - opening.height().um()),
                            Math.abs(sill.um() - opening.sill().um())));
        }

        @Override
        public Object alike() {
            return List.of(opening.kind(), opening.width(), opening.height(), opening.sill(), width, height, sill);
        }

        @Override
        public String describe(Unit unit) {
            return "The " + opening.kind().label() + " at " + unit.format(opening.at()) + " of “" + room.name() + "” "
                    + sizes(unit);
        }

        private String sizes(Unit unit) {
            return unit.format(width) + " × " + unit.format(height)
                    + (sill.equals(opening.sill()) ? "" : " from " + unit.format(sill)) + " instead of "
                    + unit.format(opening.width()) + " × " + unit.format(opening.height());
        }
    }

    /** A level's floor, with all that is on it. @param by µm, below 0 downward @param unit in which it is refused */
    record LevelFloor(Level level, long by, Unit unit) implements One {

        @Override
        public long thing() {
            return level.id();
        }

        @Override
        public Building in(Building building) {
            return building.raising(level, by, unit);
        }

        @Override
        public long size() {
            return Math.abs(by);
        }

        @Override
        public String describe(Unit in) {
            return "Level “" + level.name() + "” " + in.format(new Length(size())) + (by > 0 ? " higher" : " lower");
        }
    }

    /** A room under another pattern. @param look the pattern; 0 for the site's @param as whose that is, in words */
    record RoomPattern(Room room, long look, String as) implements One {

        @Override
        public long thing() {
            return room.id();
        }

        @Override
        public Building in(Building building) {
            return building.changing(room.looking(look));
        }

        @Override
        public long size() {
            return 0;
        }

        @Override
        public Object alike() {
            return List.of(room.look(), look);
        }

        @Override
        public String describe(Unit unit) {
            return room.name() + " under " + as;
        }
    }

    /** Several changes of different things, that only help together. @param parts at least two */
    record Together(List<One> parts) implements Change {

        private static final int NAMED = 3;

        /** Of these, each of which may be of several itself. */
        static Together of(List<? extends Change> changes) {
            return new Together(
                    changes.stream().flatMap(c -> c.parts().stream()).toList());
        }

        @Override
        public Building in(Building building) {
            var changed = building;
            for (var part : parts) {
                changed = part.in(changed);
            }
            return changed;
        }

        @Override
        public long size() {
            return parts.stream().mapToLong(Change::size).max().orElse(0);
        }

        /** What several rooms or openings have in common is said once. */
        @Override
        public String describe(Unit unit) {
            return parts.stream()
                    .collect(Collectors.groupingBy(Change::alike, LinkedHashMap::new, Collectors.toList()))
                    .values()
                    .stream()
                    .map(alike -> describe(alike, unit))
                    .collect(Collectors.joining("; "));
        }

        private static String describe(List<One> alike, Unit unit) {
            var first = alike.get(0);
            if (alike.size() > 1 && first instanceof RoomHeight h) {
                var names =
                        alike.stream().map(c -> ((RoomHeight) c).room().name()).toList();
                return names(names) + h.describe(unit).substring(h.room().name().length());
            }
            if (alike.size() > 1 && first instanceof RoomPattern p) {
                var names =
                        alike.stream().map(c -> ((RoomPattern) c).room().name()).toList();
                return names(names) + " under " + p.as();
            }
            if (alike.size() > 1 && first instanceof OpeningSize size) {
                return alike.size() + " " + size.opening().kind().label() + "s " + size.sizes(unit);
            }
            return alike.stream().map(c -> c.describe(unit)).collect(Collectors.joining("; "));
        }

        private static String names(List<String> names) {
            return names.size() <= NAMED
                    ? String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.get(names.size() - 1)
                    : String.join(", ", names.subList(0, NAMED - 1)) + " and " + (names.size() - NAMED + 1) + " others";
        }
    }
}
