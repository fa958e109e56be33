package hausbau.demo;

import hausbau.core.light.Lamp;
import hausbau.core.light.Lamps;
import hausbau.core.massing.Corners;
import hausbau.core.massing.Level;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Source;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import hausbau.core.repeat.Field;
import hausbau.core.repeat.Pace;
import hausbau.core.repeat.Ring;
import hausbau.core.repeat.Variation;
import hausbau.core.standing.Repeat;
import hausbau.server.journal.Seen;
import hausbau.server.store.set.RuleWords;
import hausbau.server.work.massing.LevelService;
import hausbau.server.work.massing.MassingService;
import hausbau.server.work.set.AssemblyService;
import hausbau.server.work.set.PlacementService;
import hausbau.server.work.set.RepeatService;
import hausbau.server.work.site.SiteService;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The demo's sites that live by repetition: a shopping passage of equal bays, and an estate of 100 000 placements for measuring. */
@Component
class DemoEstates {

    static final String ARCADE = "Sperling Arcade";
    static final String TERRACE = "Stress Terrace";
    private static final Seen NOT_TOLD = Seen.NOT_TOLD;
    private static final int BAYS = 6;
    private static final long BAY = 6_000;
    private static final long WIDE = 6_000;
    private static final long SHOP = 5_000;
    private static final long STOREY = 3_400;

    private final SiteService sites;
    private final MassingService massing;
    private final LevelService levels;
    private final DemoKit kit;
    private final PlacementService placements;
    private final RepeatService repeats;
    private final AssemblyService assemblies;
    private final DemoDressing dressing;

    DemoEstates(
            SiteService sites,
            MassingService massing,
            LevelService levels,
            DemoKit kit,
            PlacementService placements,
            RepeatService repeats,
            AssemblyService assemblies,
            DemoDressing dressing) {
        this.sites = sites;
        this.massing = massing;
        this.levels = levels;
        this.kit = kit;
        this.placements = placements;
        this.repeats = repeats;
        this.assemblies = assemblies;
        this.dressing = dressing;
    }

    private long site(String name) {
        var settings =
                new SiteSettings(Unit.METRE, mm(100), mm(200), mm(3_200), 256, false, false, mm(1500), Corners.POSTS);
        return sites.create(name, usual -> settings, false).site().getId();
    }

    private long room(long site, String name, long level, long x, long y, long z, long width, long depth, long height) {
        return massing.addRoom(site, NOT_TOLD, (id, standing) -> new Room(
                                id, name, Vec.ofMillimetres(x, y, z), mm(width), mm(depth), mm(height))
                        .raised(level, 0))
                .id();
    }

    private void open(long site, long room, Opening.Kind kind, Side side, long at, long width, long height, long sill) {
        massing.addOpening(
                site,
                NOT_TOLD,
                room,
                (id, of) -> new Opening(id, room, kind, side, mm(at), mm(width), mm(height), mm(sill)));
    }

    /** A passage of six bays under glass between two fronts of three storeys: shops below, workrooms above, all looking into it. */
    long makeArcade() {
        var id = site(ARCADE);
        var length = BAYS * BAY - 200;
        var passage = room(id, "Passage", 0, 0, 0, 0, WIDE, length, 3 * STOREY);
        open(id, passage, Opening.Kind.PASSAGE, Side.SOUTH, 1_500, 3_000, 2_800, 0);
        open(id, passage, Opening.Kind.PASSAGE, Side.NORTH, 1_500, 3_000, 2_800, 0);
        for (var bay = 0; bay < BAYS; bay++) {
            shops(id, passage, bay);
        }
        for (var storey = 1; storey < 3; storey++) {
            upper(id, passage, storey, length);
        }
        glass(id);
        kit.build(id);
        bays(id);
        return id;
    }

    private void shops(long id, long passage, int bay) {
        var y = bay * BAY;
        for (var west : new boolean[] {true, false}) {
            room(
                    id,
                    "Shop " + (bay + 1) + (west ? " west" : " east"),
                    0,
                    west ? -SHOP - 200 : WIDE + 200,
                    y,
                    0,
                    SHOP,
                    BAY - 200,
                    STOREY - 200);
            var side = west ? Side.WEST : Side.EAST;
            open(id, passage, Opening.Kind.PASSAGE, side, y + 1_700, 2_400, 2_600, 0);
        }
    }

    private void upper(long id, long passage, int storey, long length) {
        var z = storey * STOREY;
        var level = levels.add(
                        id,
                        NOT_TOLD,
                        (l, all) -> new Level(l, storey == 1 ? "First" : "Second", mm(z).um(), mm(STOREY)))
                .id();
        for (var west : new boolean[] {true, false}) {
            var side = west ? Side.WEST : Side.EAST;
            room(
                    id,
                    (storey == 1 ? "Workrooms" : "Lodgings") + (west ? " west" : " east"),
                    level,
                    west ? -SHOP - 200 : WIDE + 200,
                    0,
                    z,
                    SHOP,
                    length,
                    STOREY - 200);
            // In turn left and right of the shops' fronts, so that no two lie above one another.
            for (var bay = 0; bay < BAYS; bay++) {
                open(
                        id,
                        passage,
                        Opening.Kind.WINDOW,
                        side,
                        bay * BAY + ((bay + storey) % 2 == 0 ? 300 : 4_500),
                        1_000,
                        1_800,
                        z + 800);
            }
        }
    }

    private void glass(long id) {
        var level = levels.add(
                        id,
                        NOT_TOLD,
                        (l, all) -> new Level(l, "Glass", mm(3 * STOREY).um(), mm(1_200)))
                .id();
        for (var bay = 0; bay < BAYS; bay++) {
            var light = room(
                    id,
                    "Rooflight " + (bay + 1),
                    level,
                    1_000,
                    bay * BAY + 600,
                    3 * STOREY,
                    WIDE - 2_000,
                    BAY - 1_400,
                    800);
            massing.changeRoom(id, light, NOT_TOLD, r -> r.under(true));
        }
    }

    /** A bay is an assembly of a kerb with lamps, which is one itself; the east side's bays are the west's, mirrored. */
    private void bays(long id) {
        dressing.standIn(id, "PRP-LANTERN", "lantern on a post", 300, 300, 2_600);
        dressing.standIn(id, "PRP-PLANTER", "planter", 900, 500, 550);
        dressing.standIn(id, "PRP-SEAT", "slatted seat", 1_500, 500, 450);
        dressing.standIn(id, "PRP-STALL", "flower stall", 1_600, 900, 1_100);
        dressing.standIn(id, "PRP-CRATE", "crate of flowers", 400, 300, 250);
        var seat = assemblies.save(
                id,
                NOT_TOLD,
                List.of(
                        at(id, "PRP-SEAT", 700, 3_700, 1),
                        at(id, "PRP-PLANTER", 700, 2_500, 1),
                        at(id, "PRP-PLANTER", 700, 4_900, 1)));
        assemblies.rename(id, seat.assembly(), NOT_TOLD, "Seat between planters");
        var parts = new ArrayList<Place>(assemblies.state(id).set().of(new Source.Uses(seat.id())).stream()
                .map(Standing::place)
                .toList());
        parts.add(at(id, "PRP-LANTERN", 400, 1_900, 0));
        parts.add(at(id, "PRP-LANTERN", 400, 5_500, 0));
        var bay = assemblies.save(id, NOT_TOLD, parts);
        assemblies.rename(id, bay.assembly(), NOT_TOLD, "Bay");
        var west = bay.stance().at();
        for (var n = 0; n < BAYS; n++) {
            var y = BAY * n;
            if (n > 0) {
                assemblies.use(id, bay.assembly(), NOT_TOLD, bay.stance().movedBy(Vec.ofMillimetres(0, y, 0)), false);
            }
            // Across the passage's axis: its pivot lies as far from the east wall.
            var east = new Stance(new Vec(mm(WIDE).um() - west.x(), west.y() + mm(y).um(), 0), Turn.NONE, true, 0);
            assemblies.use(id, bay.assembly(), NOT_TOLD, east, false);
        }
        // A lamp in each shop's front, of which some are still lit when it is late; the lanterns are lit.
        for (var front = 0; front < BAYS; front++) {
            at(id, "PRP-LAMP", -1_200, front * BAY + 700, 0);
            at(id, "PRP-LAMP", WIDE + 1_200, front * BAY + 700, 0);
        }
        dressing.light(
                id, "PRP-LAMP", new Lamps(List.of(Lamp.globe(Vec.ofMillimetres(160, 160, 1_860), 2_500, 8)), 40, 5));
        dressing.light(id, "PRP-LANTERN", Lamps.of(Lamp.globe(Vec.ofMillimetres(150, 150, 2_400), 1_200, 7)));
        // In the middle a stall, crates about it, all looking outward.
        at(id, "PRP-STALL", 3_000, 18_000, 0);
        var ring = new Ring(
                Vec.ofMillimetres(3_000, 18_000, 0),
                mm(1_500),
                Pace.of(12),
                0,
                360_000,
                Ring.Facing.OUT,
                Variation.NONE);
        dressing.repeat(id, "Crates about the stall", List.of("PRP-CRATE"), ring, "Passage", Repeat.Hold.ROOM);
    }

    private Place at(long id, String code, long x, long y, int quarterTurns) {
        return dressing.place(id, code, x, y, quarterTurns);
    }

    /** One house with everything in it is an assembly; a field of it stands along its streets, with paving of single slabs before it. */
    long makeTerrace() {
        var id = site(TERRACE);
        var house = room(id, "House", 0, 0, 0, 0, 5_600, 7_600, 3_000);
        open(id, house, Opening.Kind.DOOR, Side.SOUTH, 800, 1_200, 2_200, 0);
        open(id, house, Opening.Kind.WINDOW, Side.SOUTH, 3_000, 1_600, 1_400, 900);
        open(id, house, Opening.Kind.WINDOW, Side.NORTH, 2_000, 1_600, 1_400, 900);
        kit.build(id);
        for (var x : new int[] {1_500, 4_000}) {
            at(id, "PRP-BENCH", x, 6_800, 0);
            at(id, "PRP-LAMP", x, 3_000, 0);
        }
        var all = placements.state(id).set().all().stream().map(s -> s.place()).toList();
        var copies = placements.copy(id, NOT_TOLD, all, Vec.ofMillimetres(-20_000, 0, 0));
        var use = assemblies.save(id, NOT_TOLD, copies);
        assemblies.rename(id, use.assembly(), NOT_TOLD, "Terrace house");
        var each = copies.size();
        var houses = 80_000 / each;
        var columns = 60;
        var rows = (houses + columns - 1) / columns;
        // Two rows back to back, then a street; a lane after every ten houses.
        var area = Region.of(new Rect(
                0,
                20_000_000,
                mm(columns * 6_000L + columns / 10 * 4_000L).um(),
                20_000_000 + mm(rows * 8_100L + rows / 2 * 6_000L).um()));
        var field = new Field(area, 0, mm(6_000), mm(8_100), false, 10, mm(4_000), 2, mm(6_000), 1, 0, 1);
        name(
                id,
                "Houses",
                repeats.add(
                        id,
                        NOT_TOLD,
                        new RepeatService.Wanted(
                                List.of(),
                                List.of(),
                                Optional.of(use.assembly()),
                                RuleWords.of(field),
                                Optional.empty())));
        dressing.standIn(id, "PRP-SLAB", "paving slab", 500, 500, 60);
        var paved = Region.of(new Rect(0, -56_000_000, 100_000_000, -5_000_000));
        var paving = new Field(paved, 0, Length.ZERO, Length.ZERO, true, 40, mm(1_000), 0, Length.ZERO, 1, 2, 7);
        name(
                id,
                "Paving",
                repeats.add(
                        id,
                        NOT_TOLD,
                        new RepeatService.Wanted(
                                List.of(dressing.piece(id, "PRP-SLAB")),
                                List.of(),
                                RuleWords.of(paving),
                                Optional.empty())));
        return id;
    }

    private void name(long id, String name, Repeat made) {
        repeats.change(id, made.id(), NOT_TOLD, RepeatService.Change.named(name));
    }

    private static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }
}
