package hausbau.bench;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Kit;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Hands;
import hausbau.core.place.Stance;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.KitChoice;
import hausbau.core.standing.StandingSet;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/** Large sites for measuring: rooms of 8 × 6 m in rows, built from metres, and benches on a square beside them. */
final class Estate {

    static final Kind BENCH = new Kind(Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE);
    private static final Length METRE = Length.ofMillimetres(1000);
    /** 28 walls, 4 posts, 48 floors and 48 ceilings. */
    private static final int A_ROOM = 128;

    private static final int ROW = 25;

    private Estate() {}

    /** @param derived standing pieces in rooms, to the next room, @param hands set down by hand */
    static StandingSet of(int derived, int hands) {
        return StandingSet.of(decisions(derived, hands));
    }

    static Decisions decisions(int derived, int hands) {
        var rooms = IntStream.range(0, (derived + A_ROOM - 1) / A_ROOM)
                .mapToObj(i -> new Room(
                        i + 1,
                        "Room " + i,
                        Vec.ofMillimetres(i % ROW * 9000L, i / ROW * 7000L, 0),
                        Length.ofMillimetres(8000),
                        Length.ofMillimetres(6000),
                        Length.ofMillimetres(3000)))
                .toList();
        var placed = IntStream.range(0, hands).mapToObj(i -> bench(i + 1)).toList();
        var choice = new KitChoice(Length.ofMillimetres(100), List.of(METRE), List.of(METRE), METRE, METRE);
        return new Decisions(
                new Massing(SiteSettings.USUAL, rooms, List.of()),
                Optional.of(choice),
                Hands.EMPTY.with(placed, List.of()),
                Map.of());
    }

    /** The bench of this number, in a square of its own. */
    static HandPlacement bench(long number) {
        return new HandPlacement(
                number,
                BENCH,
                Stance.at(Vec.ofMillimetres(-(number % 300 + 2) * 2000, number / 300 * 1000, 0), Turn.NONE),
                false);
    }

    static Kit named(StandingSet set) {
        var kinds = set.kinds().stream()
                .sorted(Comparator.comparing(Kind::toString))
                .toList();
        var codes = Kit.EMPTY.codes(kinds, Length.ofMillimetres(3000), Map.of());
        var pieces = new LinkedHashMap<Long, Piece>();
        IntStream.range(0, kinds.size())
                .forEach(i -> pieces.put(i + 1L, new Piece(codes.get(i), codes.get(i), kinds.get(i))));
        return new Kit(pieces);
    }
}
