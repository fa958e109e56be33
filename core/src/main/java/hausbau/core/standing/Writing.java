package hausbau.core.standing;

import hausbau.core.kit.Kind;
import hausbau.core.place.Departure;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Writes what a generator makes into chunks, with the hand's departures in place of what is derived. */
final class Writing {

    private final Source source;
    private final long owner;
    private final Map<Place, Departure> departures = new HashMap<>();
    private final List<Departure> lost = new ArrayList<>();
    private final List<Chunk> chunks = new ArrayList<>();
    private Rows rows;

    Writing(Source source, long owner, int expected, List<Departure> departures) {
        this.source = source;
        this.owner = owner;
        departures.forEach(d -> this.departures.put(d.place(), d));
        rows = new Rows(owner, expected);
    }

    /** Writes a derived piece that stands exactly, unless a hand has decided otherwise about its place. */
    void derive(Kind kind, long x, long y, long z, int turn, byte code, long a, long b) {
        turnPage();
        var departure = departures.isEmpty() ? null : departures.remove(Chunk.place(code, owner, a, b));
        if (departure == null) {
            rows.add(rows.number(kind), x, y, z, turn, code, a, b);
        } else if (departure instanceof Departure.Restood d) {
            rows.add(new Standing(d.place(), d.kind(), d.stance(), d.free(), true, false));
        }
    }

    /** The same for what may stand askew. */
    void derive(Kind kind, Stance stance, byte code, long a, long b) {
        if (stance.isExact()) {
            derive(
                    kind,
                    stance.at().x(),
                    stance.at().y(),
                    stance.at().z(),
                    stance.turn().quarters() | (stance.mirrored() ? Chunk.MIRRORED : 0),
                    code,
                    a,
                    b);
            return;
        }
        turnPage();
        var place = Chunk.place(code, owner, a, b);
        var departure = departures.isEmpty() ? null : departures.remove(place);
        if (departure == null) {
            rows.add(new Standing(place, kind, stance, false, false, false));
        } else if (departure instanceof Departure.Restood d) {
            rows.add(new Standing(d.place(), d.kind(), d.stance(), d.free(), true, false));
        }
    }

    void put(Standing standing) {
        turnPage();
        rows.add(standing);
    }

    private void turnPage() {
        if (rows.isFull()) {
            close();
            rows = new Rows(owner, Rows.MOST);
        }
    }

    private void close() {
        if (rows.size() > 0) {
            chunks.add(new Chunk(source, chunks.size(), rows));
        }
    }

    Generator.Made made(Generator by, List<Generator.Unfilled> unfilled) {
        close();
        lost.addAll(departures.values());
        return new Generator.Made(by, List.copyOf(chunks), unfilled, List.copyOf(lost));
    }
}
