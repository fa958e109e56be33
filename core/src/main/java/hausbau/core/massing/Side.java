package hausbau.core.massing;

import hausbau.core.measure.Turn;
import java.util.Locale;

/** A room's side; the turn takes a wall piece (X along, Y outward) to it, running left to right seen from inside. */
public enum Side {
    NORTH(0),
    EAST(3),
    SOUTH(2),
    WEST(1);

    private final Turn turn;

    Side(int quarters) {
        this.turn = new Turn(quarters);
    }

    public Turn turn() {
        return turn;
    }

    public boolean runsEastWest() {
        return this == NORTH || this == SOUTH;
    }

    /** Whether a wall on it, seen from inside, runs along its axis and not against it. */
    public boolean isRising() {
        return this == NORTH || this == WEST;
    }

    public Side opposite() {
        return values()[(ordinal() + 2) % 4];
    }

    public String label() {
        return name().toLowerCase(Locale.ROOT);
    }
}
