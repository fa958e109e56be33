package hausbau.core.standing;

import hausbau.core.fit.Filling;
import hausbau.core.massing.Room;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What a person should hear about a room's sizes where they are typed: allowed, but not as one would expect.
 *
 * @param field of the room, such as {@code widthMm}
 */
public record Remark(long roomId, String field, String message) {

    /** For every room: sizes off the step, spans that the chosen kinds do not come to, odd tiles. */
    public static List<Remark> of(StandingSet set) {
        var remarks = new ArrayList<Remark>();
        var massing = set.decisions().massing();
        for (var room : massing.rooms()) {
            size(remarks, room, "widthMm", "width", room.width(), massing.settings(), set);
            size(remarks, room, "depthMm", "depth", room.depth(), massing.settings(), set);
        }
        set.unfilled().forEach(u -> {
            var unit = massing.settings().unit();
            if (!u.span().length().isMultipleOf(massing.settings().step())) {
                return;
            }
            var kit = set.decisions().kit().orElseThrow();
            remarks.add(new Remark(
                    u.run().room(),
                    u.run().side().runsEastWest() ? "widthMm" : "depthMm",
                    "The kit has no pieces that come to "
                            + unit.format(u.span().length()) + " in the "
                            + u.run().side().label() + " wall, from "
                            + unit.format(u.span().at()) + "; that much stays open. "
                            + wouldDo(
                                    Filling.nearest(
                                            kit.step(), kit.kinds(), u.span().length()),
                                    massing.settings()) + " Or work out the kit again."));
        });
        massing.fit()
                .misfits()
                .forEach(m -> remarks.add(new Remark(
                        m.opening().roomId(),
                        "opening." + m.opening().id(),
                        m.fault().message())));
        return remarks;
    }

    private static void size(
            List<Remark> remarks,
            Room room,
            String field,
            String what,
            Length size,
            SiteSettings settings,
            StandingSet set) {
        var unit = settings.unit();
        if (!size.isMultipleOf(settings.step())) {
            remarks.add(new Remark(
                    room.id(),
                    field,
                    "The " + what + " of " + unit.format(size) + " is no whole number of steps of "
                            + unit.format(settings.step()) + ": no wall pieces come to it. "
                            + wouldDo(List.of(size.floorTo(settings.step()), size.ceilTo(settings.step())), settings)));
            return;
        }
        set.decisions().kit().filter(kit -> !kit.tiles().isEmpty()).ifPresent(kit -> {
            var tiles = new Tiling(kit.step(), kit.tiles(), settings.tiles().mirrored()).tiles(size);
            var odd = tiles.get(tiles.size() - 1);
            if (!kit.tiles().contains(odd)) {
                remarks.add(new Remark(
                        room.id(),
                        field,
                        "Floor and ceiling end in an odd tile of " + unit.format(odd) + " along the " + what
                                + ". Work out the kit again for tiles that fit."));
            }
        });
    }

    private static String wouldDo(List<Length> lengths, SiteSettings settings) {
        var all = lengths.stream()
                .filter(Length::isPositive)
                .map(settings.unit()::format)
                .collect(Collectors.joining(" or "));
        return all.isEmpty() ? "" : "It would do at " + all + ".";
    }
}
