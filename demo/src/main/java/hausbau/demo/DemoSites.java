package hausbau.demo;

import hausbau.core.hand.Clinging;
import hausbau.core.kit.Profile;
import hausbau.core.kit.Role;
import hausbau.core.massing.Corners;
import hausbau.core.massing.Level;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.massing.Stair;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import hausbau.core.repeat.Course;
import hausbau.core.repeat.Pace;
import hausbau.core.repeat.Variation;
import hausbau.core.standing.Repeat;
import hausbau.server.journal.Seen;
import hausbau.server.store.set.RuleWords;
import hausbau.server.work.kit.KitService;
import hausbau.server.work.massing.LevelService;
import hausbau.server.work.massing.MassingService;
import hausbau.server.work.massing.MouldingService;
import hausbau.server.work.massing.StairService;
import hausbau.server.work.set.PlacementService;
import hausbau.server.work.set.RepeatService;
import hausbau.server.work.site.SiteService;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Makes the demo sites, through the same services that people use. All of it is invented. */
@Component
public class DemoSites {

    private static final String BATHS = "Ottersteg Baths";
    private static final Seen NOT_TOLD = Seen.NOT_TOLD;

    private final SiteService sites;
    private final MassingService massing;
    private final LevelService levels;
    private final StairService stairs;
    private final DemoKit kit;
    private final KitService pieces;
    private final PlacementService placements;
    private final RepeatService repeats;
    private final DemoBoard board;
    private final DemoDressing dressing;
    private final DemoEstates estates;
    private final MouldingService mouldings;
    private final DemoLight light;

    DemoSites(
            SiteService sites,
            MassingService massing,
            LevelService levels,
            StairService stairs,
            DemoKit kit,
            KitService pieces,
            PlacementService placements,
            RepeatService repeats,
            DemoBoard board,
            DemoDressing dressing,
            DemoEstates estates,
            MouldingService mouldings,
            DemoLight light) {
        this.sites = sites;
        this.massing = massing;
        this.levels = levels;
        this.stairs = stairs;
        this.kit = kit;
        this.pieces = pieces;
        this.placements = placements;
        this.repeats = repeats;
        this.board = board;
        this.dressing = dressing;
        this.estates = estates;
        this.mouldings = mouldings;
        this.light = light;
    }

    /** @return the ids of the sites, in a fixed order */
    public List<Long> make() {
        var baths = makeBaths();
        var arcade = estates.makeArcade();
        light.arcade(arcade);
        return List.of(baths, arcade, estates.makeTerrace());
    }

    private long makeBaths() {
        var settings =
                new SiteSettings(Unit.METRE, mm(100), mm(200), mm(4400), 256, false, false, mm(1500), Corners.POSTS);
        var id = sites.create(BATHS, usual -> settings, false).site().getId();
        var hall = massing.addRoom(
                        id,
                        NOT_TOLD,
                        (roomId, standing) ->
                                new Room(roomId, "Ticket hall", Vec.ZERO, mm(12_000), mm(8_000), mm(4_400)))
                .id();
        open(id, hall, Opening.Kind.DOOR, Side.SOUTH, 5_100, 1_800, 2_600, 0);
        open(id, hall, Opening.Kind.DOOR, Side.NORTH, 8_600, 1_200, 2_200, 0);
        open(id, hall, Opening.Kind.DOOR, Side.EAST, 3_400, 1_200, 2_200, 0);
        open(id, hall, Opening.Kind.WINDOW, Side.WEST, 1_200, 1_400, 2_200, 900);
        open(id, hall, Opening.Kind.WINDOW, Side.WEST, 5_400, 1_400, 2_200, 900);
        open(id, hall, Opening.Kind.WINDOW, Side.SOUTH, 1_700, 1_400, 2_200, 900);
        open(id, hall, Opening.Kind.WINDOW, Side.SOUTH, 8_700, 1_400, 2_200, 900);
        kit.build(id);
        furnish(id);
        addBaths(id);
        addCornice(id, hall);
        kit.build(id);
        furnishBaths(id);
        board.fill(id);
        dressing.dress(id);
        light.baths(id);
        return id;
    }

    /** Along the ticket hall's ceiling alone: the rule of the building is off, and the hall has its own in its place. */
    private void addCornice(long id, long hall) {
        var rule = mouldings.add(id, NOT_TOLD, Profile.Kind.CORNICE);
        mouldings.addFor(id, rule, hall, NOT_TOLD);
        mouldings.change(id, rule, NOT_TOLD, m -> m.switched(false));
    }

    /**
     * Behind the ticket hall the cloakroom passage and the pool hall through two storeys under rooflights; a gallery over the passage that
     * looks into the hall, with stairs up to it; the boiler walk below, with stairs down to it.
     */
    private void addBaths(long id) {
        var pool = room(id, "Pool hall", 0, 0, 11_400, 0, 18_000, 14_000, 7_600);
        room(id, "Basin", 0, 4_000, 14_400, -1_400, 10_000, 8_000, 1_400);
        var passage = room(id, "Cloakroom passage", 0, 0, 8_200, 0, 18_000, 3_000, 4_200);
        var upper = levels.add(
                        id,
                        NOT_TOLD,
                        (level, all) -> new Level(level, "Gallery", mm(4_400).um(), mm(3_400)))
                .id();
        var gallery = room(id, "Gallery", upper, 0, 8_200, 4_400, 18_000, 3_000, 3_200);
        var lower = levels.add(
                        id,
                        NOT_TOLD,
                        (level, all) -> new Level(level, "Below", mm(-3_000).um(), mm(3_000)))
                .id();
        room(id, "Boiler walk", lower, 0, 0, -3_000, 3_000, 8_000, 2_800);
        for (var x : new int[] {3_200, 8_200, 13_200}) {
            var light = room(id, "Rooflight", upper, x, 14_600, 7_600, 1_600, 7_600, 800);
            massing.changeRoom(id, light, NOT_TOLD, r -> r.under(true));
        }
        open(id, gallery, Opening.Kind.DOOR, Side.NORTH, 300, 1_200, 2_200, 0);
        for (var x : new int[] {3_700, 6_400, 10_300, 13_000}) {
            open(id, gallery, Opening.Kind.WINDOW, Side.NORTH, x, 1_400, 1_600, 1_000);
        }
        stairs.add(
                id,
                NOT_TOLD,
                0,
                (stair, on, above, settings) -> Stair.drawn(
                        stair,
                        on,
                        Vec.ofMillimetres(900, 18_650, 0),
                        Vec.ofMillimetres(900, 11_400, 0),
                        mm(1_200),
                        mm(4_400),
                        settings));
        // Their going makes the well four metres long, so that whole tiles go round it.
        stairs.add(id, NOT_TOLD, lower, (stair, on, above, settings) -> Stair.drawn(
                        stair,
                        on,
                        Vec.ofMillimetres(500, 815, 0),
                        Vec.ofMillimetres(500, 8_000, 0),
                        mm(1_000),
                        mm(3_000),
                        settings)
                .stepped(18, Optional.of(mm(305)))
                .onStep(mm(1_000)));
        // Down into the basin at its corner.
        stairs.add(
                id,
                NOT_TOLD,
                0,
                (stair, on, above, settings) -> Stair.usual(
                        stair,
                        on.id(),
                        Stair.Shape.STRAIGHT,
                        false,
                        Vec.ofMillimetres(5_960, 15_600, -1_400),
                        new Turn(2),
                        mm(1_200),
                        mm(1_400),
                        settings.unit()));
        for (var x : new int[] {1_700, 8_900, 15_200}) {
            open(id, passage, Opening.Kind.DOOR, Side.NORTH, x, 1_200, 2_200, 0);
        }
        for (var x : new int[] {1_600, 5_600, 9_600, 13_600}) {
            open(id, pool, Opening.Kind.WINDOW, Side.NORTH, x + 600, 1_600, 4_200, 2_000);
        }
        for (var y : new int[] {1_600, 5_200, 8_800}) {
            open(id, pool, Opening.Kind.WINDOW, Side.EAST, y + 800, 1_600, 4_200, 2_000);
            open(id, pool, Opening.Kind.WINDOW, Side.WEST, y + 800, 1_600, 4_200, 2_000);
        }
    }

    private long room(long site, String name, long level, long x, long y, long z, long width, long depth, long height) {
        return massing.addRoom(site, NOT_TOLD, (id, standing) -> new Room(
                                id, name, Vec.ofMillimetres(x, y, z), mm(width), mm(depth), mm(height))
                        .raised(level, 0))
                .id();
    }

    private void furnishBaths(long id) {
        var tall = pieces.pieces(id).stream()
                .filter(e -> e.piece().role() == Role.PILLAR
                        && e.piece().size().z() == mm(7_600).um())
                .findFirst()
                .orElseThrow()
                .id();
        course(id, "Pool hall", tall, 3_000, 13_400, 15_000, 13_400, 4);
        course(id, "Pool hall", tall, 3_000, 23_400, 15_000, 23_400, 4);
        // From right to left, so that their doors look into the passage.
        course(id, "Cloakroom passage", piece(id, "PRP-CUBICLE"), 7_600, 8_800, 600, 8_800, 8);
        course(id, "Cloakroom passage", piece(id, "PRP-CUBICLE"), 13_600, 8_800, 10_600, 8_800, 4);
        for (var x : new int[] {1_500, 5_000, 9_000, 13_000}) {
            place(id, "PRP-BENCH", x, 24_900, 0);
        }
        course(id, "Pool hall", piece(id, "PRP-LAMP"), 2_400, 14_500, 2_400, 22_300, 3);
        course(id, "Pool hall", piece(id, "PRP-LAMP"), 17_000, 14_500, 17_000, 22_300, 3);
    }

    private void furnish(long id) {
        for (var x : new int[] {3_500, 8_500}) {
            for (var y : new int[] {2_600, 5_400}) {
                place(id, "PIL-400", x, y, 0);
            }
        }
        place(id, "PRP-BENCH", 3_500, 3_800, 0);
        place(id, "PRP-BENCH", 8_500, 3_800, 0);
        place(id, "PRP-BENCH", 1_000, 300, 2);
        place(id, "PRP-BENCH", 11_000, 300, 2);
        place(id, "PRP-LAMP", 4_600, 1_000, 0);
        place(id, "PRP-LAMP", 7_400, 1_000, 0);
        place(id, "PRP-LAMP", 11_400, 7_400, 0);
    }

    private void open(long site, long room, Opening.Kind kind, Side side, long at, long width, long height, long sill) {
        massing.addOpening(
                site,
                NOT_TOLD,
                room,
                (id, of) -> new Opening(id, room, kind, side, mm(at), mm(width), mm(height), mm(sill)));
    }

    /** So many of a piece along a line, turned with it, going along with a room. */
    private void course(long site, String room, long piece, long x0, long y0, long x1, long y1, int count) {
        var host = massing.find(site).decisions().massing().rooms().stream()
                .filter(r -> r.name().equals(room))
                .findFirst()
                .orElseThrow()
                .id();
        var rule = new Course(
                Vec.ofMillimetres(x0, y0, 0),
                Vec.ofMillimetres(x1, y1, 0),
                Pace.of(count),
                Length.ZERO,
                false,
                y0 == y1,
                Variation.NONE);
        repeats.add(
                site,
                NOT_TOLD,
                new RepeatService.Wanted(
                        List.of(piece),
                        List.of(),
                        RuleWords.of(rule),
                        Optional.of(new RepeatService.Following(host, Repeat.Hold.ROOM, 0, null))));
    }

    private long piece(long site, String code) {
        return pieces.pieces(site).stream()
                .filter(e -> e.piece().code().equals(code))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private void place(long site, String code, long x, long y, int quarterTurns) {
        placements.place(
                site,
                NOT_TOLD,
                piece(site, code),
                Stance.at(Vec.ofMillimetres(x, y, 0), new Turn(quarterTurns)),
                Clinging.Offset.NONE,
                true);
    }

    private static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }
}
