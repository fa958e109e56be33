package hausbau.core.shot;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Role;
import hausbau.core.massing.Room;
import hausbau.core.measure.Box;
import hausbau.core.place.Standing;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Point;
import hausbau.core.standing.StandingSet;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Function;

/** A standing set as one sees it from the south-west and above, cut open over the floor of its first room. */
public final class SetPicture {

    private static final Point FROM = new Point(-0.55, -0.75, 0.75);
    private static final double DEGREES = 35;
    private static final double MARGIN = 0.03;
    /** Over the first room's floor, micrometres: common practice, no source. */
    private static final long CUT = 2_000_000;

    private SetPicture() {}

    /**
     * @param width   pixels of the picture that {@link PaperPicture} makes of it, @param height likewise
     * @param meshes  of each kind
     * @param goesOn  asked once a placement; it ends where that is false
     * @return nothing where nothing stands
     */
    public static Optional<DepthPicture> of(
            StandingSet set, int width, int height, Function<Kind, Mesh> meshes, BooleanSupplier goesOn) {
        var cut = set.decisions().massing().rooms().stream()
                        .findFirst()
                        .map(Room::floor)
                        .orElse(0L)
                + CUT;
        var shown = set.all().stream()
                .filter(s -> s.kind().role() != Role.CEILING && s.box().min().z() < cut)
                .toList();
        var extent = shown.stream().map(Standing::box).reduce(Box::union);
        return extent.map(box -> {
            var below = new Box(box.min(), box.max().withZ(Math.min(box.max().z(), cut)));
            var from = Viewpoint.onto(below, FROM, DEGREES, (double) width / height, MARGIN);
            var picture = new DepthPicture(from, width * PaperPicture.FINER, height * PaperPicture.FINER, cut / 1000.0);
            for (var i = 0; i < shown.size() && goesOn.getAsBoolean(); i++) {
                var one = shown.get(i);
                picture.draw(meshes.apply(one.kind()), one.stance().frame(one.kind()), i + 1);
            }
            return picture;
        });
    }
}
