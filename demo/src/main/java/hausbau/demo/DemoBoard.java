package hausbau.demo;

import hausbau.core.budget.Brief;
import hausbau.core.budget.Budget;
import hausbau.core.exchange.PieceListCsv;
import hausbau.core.kit.PieceState;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.place.Standing;
import hausbau.core.shape.Finish;
import hausbau.core.takeoff.Calibration;
import hausbau.core.takeoff.Camera;
import hausbau.core.takeoff.Mark;
import hausbau.core.takeoff.Pixel;
import hausbau.core.takeoff.Rendering;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.store.board.BoardItemRow.Kind;
import hausbau.server.store.board.BoardItemRow.Lie;
import hausbau.server.store.takeoff.MarkRow;
import hausbau.server.store.takeoff.Points;
import hausbau.server.work.board.BoardService;
import hausbau.server.work.board.PictureFile;
import hausbau.server.work.brief.BriefService;
import hausbau.server.work.list.PieceListService;
import hausbau.server.work.takeoff.MarkService;
import hausbau.server.work.takeoff.TakeoffService;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;

/**
 * Where the demo site began: pictures of the bathhouse, drawn by the project's own camera, calibrated and marked as a hand
 * would, a pixel off here and there; the brief, and the list of pieces. All of it is invented.
 */
@Component
class DemoBoard {

    private static final Seen NOT_TOLD = Seen.NOT_TOLD;
    private static final int WIDTH = 1600;
    private static final int HEIGHT = 1000;

    private final Sets sets;
    private final BoardService board;
    private final TakeoffService takeoff;
    private final MarkService marks;
    private final PieceListService list;
    private final BriefService briefs;
    private final Random hand = new Random(1924);

    DemoBoard(
            Sets sets,
            BoardService board,
            TakeoffService takeoff,
            MarkService marks,
            PieceListService list,
            BriefService briefs) {
        this.sets = sets;
        this.board = board;
        this.takeoff = takeoff;
        this.marks = marks;
        this.list = list;
        this.briefs = briefs;
    }

    void fill(long site) {
        brief(site);
        var cubicle = tag(site, "changing cubicle", Role.PROP);
        var door = tag(site, "passage door", Role.DOOR);
        var window = tag(site, "hall window", Role.WINDOW);
        var entrance = tag(site, "entrance", Role.DOOR);
        var bench = tag(site, "bench", Role.PROP);
        cubicles(site, cubicle, door);
        entrance(site, window, entrance);
        bench(site, bench);
        note(
                site,
                -330,
                330,
                360,
                110,
                "Tiles to shoulder height, plaster above. Everything repeats on a tenth of a metre.");
        marks.changeTag(
                site, NOT_TOLD, cubicle, tag -> new MarkService.TagTold(tag.letter(), tag.name(), tag.role(), 14));
        marks.accept(site, NOT_TOLD, List.of(cubicle), "PRP-CUBICLE", "changing cubicle", mm(1000), mm(1200), mm(2100));
        marks.accept(site, NOT_TOLD, List.of(bench), "PRP-BENCH", "bench", mm(1600), mm(450), mm(450));
        for (var line : List.of(
                line("PRP-LAMP", "standing lamp", Role.PROP, 320, 320, 2000, 3, PieceListCsv.Source.MAKE, 2, 3, false),
                line(
                        "PRP-CLOCK",
                        "hall clock on a bracket",
                        Role.PROP,
                        700,
                        250,
                        900,
                        1,
                        PieceListCsv.Source.MAKE,
                        1,
                        6,
                        true),
                line(
                        "PRP-TILL",
                        "ticket window with till",
                        Role.PROP,
                        1800,
                        700,
                        2200,
                        1,
                        PieceListCsv.Source.MAKE,
                        1,
                        8,
                        true),
                line(
                        "PRP-SCALE",
                        "weighing scale",
                        Role.PROP,
                        500,
                        800,
                        1900,
                        1,
                        PieceListCsv.Source.STOCK,
                        4,
                        0.5,
                        false),
                line("PRP-RAIL", "towel rail", Role.PROP, 1200, 150, 900, 6, PieceListCsv.Source.BUY, 5, 0.5, false))) {
            list.add(site, NOT_TOLD, line);
        }
        var ids = list.find(site).stream()
                .filter(l -> List.of("PRP-CUBICLE", "PRP-BENCH", "PRP-LAMP", "PRP-TILL")
                        .contains(l.row().toLine().code()))
                .map(l -> l.row().getId())
                .toList();
        list.standIn(site, NOT_TOLD, ids);
    }

    private void brief(long site) {
        briefs.change(
                site,
                NOT_TOLD,
                empty -> new Brief(
                        "The hour before the baths open: wet tiles, one lamp lit, nobody in yet.\nCalm, worn, municipal; built to outlast its fashion.",
                        "The ticket window, under the clock",
                        Budget.Target.DESKTOP,
                        Budget.Target.DESKTOP.budget(),
                        List.of(60L, 90L, 45L, 180L, 60L, 45L, 30L),
                        empty.correctedSeconds()),
                Map.of(0, 2_700L, 1, 4_500L, 2, 3_300L, 3, 5_400L, 5, 600L));
    }

    private static PieceListCsv.Line line(
            String code,
            String name,
            Role role,
            long x,
            long y,
            long z,
            int count,
            PieceListCsv.Source source,
            int priority,
            double hours,
            boolean hero) {
        return new PieceListCsv.Line(
                code, name, role, mm(x), mm(y), mm(z), count, source, PieceState.WANTED, priority, hours, hero, "");
    }

    /** The row of cubicles with the passage door beside it, from the south. */
    private void cubicles(long site, long cubicle, long door) {
        var camera = new Camera(
                Vec.ofMillimetres(6000, 350, 1650), Vec.ofMillimetres(5100, 8000, 1450), 20, 36, WIDTH, HEIGHT);
        var picture = picture(site, "Cubicles and passage", camera, piece -> true, -260, -20);
        var fronts = plane(site, picture, "cubicle fronts", wall(camera, 100, 6100, 6800, 0, 2100), 6000, 2100);
        var north = plane(site, picture, "north wall", wall(camera, 8600, 9800, 8000, 0, 2200), 1200, 2200);
        for (var i = 0; i < 6; i++) {
            mark(
                    site,
                    picture,
                    fronts,
                    cubicle,
                    see(camera, 100 + 1000 * i, 6800, 2100),
                    see(camera, 1100 + 1000 * i, 6800, 0),
                    false);
        }
        mark(site, picture, north, door, see(camera, 8600, 8000, 2200), see(camera, 9800, 8000, 0), false);
    }

    /** The entrance between its windows, from the north. */
    private void entrance(long site, long window, long entrance) {
        var camera = new Camera(
                Vec.ofMillimetres(7300, 7700, 1650), Vec.ofMillimetres(6000, 0, 1500), 20, 36, WIDTH, HEIGHT);
        var picture = picture(site, "Entrance from inside", camera, piece -> true, 260, -20);
        var south = plane(site, picture, "south wall", wall(camera, 10_300, 1_700, 0, 900, 3_100), 8600, 2200);
        mark(site, picture, south, window, see(camera, 10_300, 0, 3_100), see(camera, 8_700, 0, 900), false);
        mark(site, picture, south, window, see(camera, 3_300, 0, 3_100), see(camera, 1_700, 0, 900), true);
        mark(site, picture, south, entrance, see(camera, 6_900, 0, 2_600), see(camera, 5_100, 0, 0), false);
    }

    /** One bench from far in front with a long lens: as good as flat. */
    private void bench(long site, long bench) {
        var camera = new Camera(
                Vec.ofMillimetres(3500, -26_000, 300), Vec.ofMillimetres(3500, 3575, 300), 400, 36, WIDTH, HEIGHT);
        var picture = picture(
                site,
                "Bench, front",
                camera,
                p -> p.kind().recipe() instanceof Recipe.Bench
                        && p.stance().at().x() == 3_500_000,
                260,
                330);
        var left = see(camera, 2700, 3575, 450);
        var right = see(camera, 4300, 3575, 450);
        var flat = takeoff.addPlane(
                        site,
                        NOT_TOLD,
                        picture,
                        "front",
                        new Calibration(Calibration.Kind.FLAT, List.of(left, right), mm(1600), Length.ZERO, 1))
                .getId();
        mark(site, picture, flat, bench, see(camera, 2700, 3575, 450), see(camera, 4300, 3575, 0), false);
    }

    private long tag(long site, String name, Role role) {
        return marks.addTag(site, NOT_TOLD, "", name, role).getId();
    }

    private long picture(long site, String name, Camera camera, Predicate<Standing> shown, double x, double y) {
        var placed = sets.current(site).set().all().stream().filter(shown).toList();
        var raster = Rendering.of(camera, placed, Finish.ofDensity(256));
        var image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, WIDTH, HEIGHT, raster.rgb(), 0, WIDTH);
        return board.lay(site, NOT_TOLD, name, PictureFile.read(PictureFile.png(image)), x, y)
                .getId();
    }

    /** A pick: where a point shows, and up to a pixel off. */
    private Pixel see(Camera camera, long x, long y, long z) {
        var pixel = camera.see(Vec.ofMillimetres(x, y, z)).pixel();
        return new Pixel(
                Math.round(pixel.x() + hand.nextDouble(-0.7, 0.7)), Math.round(pixel.y() + hand.nextDouble(-0.7, 0.7)));
    }

    /** The corners of an upright rectangle whose left end, as seen, is at {@code left}. */
    private List<Double> wall(Camera camera, long left, long right, long y, long low, long high) {
        var points = new ArrayList<Double>();
        for (var corner : List.of(
                see(camera, left, y, low),
                see(camera, right, y, low),
                see(camera, right, y, high),
                see(camera, left, y, high))) {
            points.add(corner.x());
            points.add(corner.y());
        }
        return points;
    }

    private long plane(long site, long picture, String name, List<Double> corners, long width, long height) {
        return takeoff.addPlane(
                        site,
                        NOT_TOLD,
                        picture,
                        name,
                        new Calibration(Calibration.Kind.PERSPECTIVE, Points.pixels(corners), mm(width), mm(height), 1))
                .getId();
    }

    private void mark(long site, long picture, long plane, long tag, Pixel a, Pixel b, boolean mirrored) {
        marks.addMark(
                site,
                NOT_TOLD,
                new MarkService.MarkTold(
                        picture,
                        plane,
                        tag,
                        Mark.Shape.RECTANGLE,
                        List.of(a.x(), a.y(), b.x(), b.y()),
                        new MarkRow.Look(mirrored, false, "")));
    }

    private void note(long site, double x, double y, double width, double height, String text) {
        board.add(site, NOT_TOLD, Kind.NOTE, text, new Lie(x, y, width, height, 0, false, List.of(0.0, 0.0, 1.0, 1.0)));
    }

    private static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }
}
