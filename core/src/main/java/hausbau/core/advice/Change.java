package hausbau.core.advice;

import hausbau.core.massing.Building;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;

/** A change of one thing of a building. */
public sealed interface Change {

    Building in(Building building);

    /** How far it moves anything, µm. */
    long size();

    /** In words, such as “Boiler walk 3.2 m high instead of 3 m”. */
    String describe(Unit unit);

    record RoomHeight(Room room, Length height) implements Change {

        @Override
        public Building in(Building building) {
            return building.withRooms(building.rooms().stream()
                    .map(r -> r.id() == room.id() ? r.reshaped(r.name(), r.corner(), r.width(), r.depth(), height) : r)
                    .toList());
        }

        @Override
        public long size() {
            return Math.abs(height.um() - room.height().um());
        }

        @Override
        public String describe(Unit unit) {
            return room.name() + " " + unit.format(height) + " high instead of " + unit.format(room.height());
        }
    }

    /** @param room that it is in */
    record OpeningAt(Opening opening, Room room, Length at) implements Change {

        @Override
        public Building in(Building building) {
            return replaced(building, opening.at(at));
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
    record OpeningSize(Opening opening, Room room, Length width, Length height, Length sill) implements Change {

        @Override
        public Building in(Building building) {
            return replaced(
                    building,
                    new Opening(
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
        public String describe(Unit unit) {
            return "The " + opening.kind().label() + " at " + unit.format(opening.at()) + " of “" + room.name() + "” "
                    + unit.format(width) + " × " + unit.format(height)
                    + (sill.equals(opening.sill()) ? "" : " from " + unit.format(sill)) + " instead of "
                    + unit.format(opening.width()) + " × " + unit.format(opening.height());
        }
    }

    private static Building replaced(Building building, Opening by) {
        return building.withOpenings(building.openings().stream()
                .map(o -> o.id() == by.id() ? by : o)
                .toList());
    }
}
