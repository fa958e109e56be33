package hausbau.server.work;

import hausbau.core.build.Stance;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import hausbau.server.store.Stores;
import hausbau.server.journal.Seen;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnBooleanProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Loads the demo sites that are not there, through the same services that people use. All of it is invented. */
@Component
@ConditionalOnBooleanProperty("hausbau.demo")
class DemoSites implements ApplicationRunner {

    private static final String BATHS = "Ottersteg Baths";
    private static final Seen NOT_TOLD = Seen.NOT_TOLD;

    private final Stores store;
    private final SiteService sites;
    private final MassingService massing;
    private final KitService kit;
    private final PlacementService placements;
    private final DemoBoard board;
    private final TransactionTemplate transaction;

    DemoSites(Stores store, SiteService sites, MassingService massing, KitService kit, PlacementService placements,
            DemoBoard board, TransactionTemplate transaction) {
        this.store = store;
        this.sites = sites;
        this.massing = massing;
        this.kit = kit;
        this.placements = placements;
        this.board = board;
        this.transaction = transaction;
    }

    @Override
    public void run(ApplicationArguments args) {
        if (store.sites().sites().stream().noneMatch(site -> site.name().equals(BATHS))) {
            // All of the site or nothing of it, should the process be stopped meanwhile.
            transaction.executeWithoutResult(status -> makeBaths());
        }
    }

    private void makeBaths() {
        var settings = new SiteSettings(Unit.METRE, mm(100), mm(200), mm(4200), 256, false);
        var id = sites.create(BATHS, usual -> settings).site().getId();
        var hall = massing.addRoom(id, NOT_TOLD, (roomId, standing) -> new Room(roomId, "Ticket hall", Vec.ZERO, mm(12_000), mm(8_000), mm(4_200))).id();
        open(id, hall, Opening.Kind.DOOR, Side.SOUTH, 5_100, 1_800, 2_600, 0);
        open(id, hall, Opening.Kind.DOOR, Side.NORTH, 8_600, 1_200, 2_200, 0);
        open(id, hall, Opening.Kind.DOOR, Side.EAST, 3_400, 1_200, 2_200, 0);
        open(id, hall, Opening.Kind.WINDOW, Side.WEST, 1_200, 1_400, 2_200, 900);
        open(id, hall, Opening.Kind.WINDOW, Side.WEST, 5_400, 1_400, 2_200, 900);
        open(id, hall, Opening.Kind.WINDOW, Side.SOUTH, 1_700, 1_600, 2_200, 900);
        open(id, hall, Opening.Kind.WINDOW, Side.SOUTH, 8_700, 1_600, 2_200, 900);
        var plan = kit.plan(id, mm(200), mm(4_000), 4, "").plan();
        var option = plan.options().get(plan.recommended().orElseThrow());
        kit.choose(id, NOT_TOLD, option.kinds(), mm(200), mm(4_000));
        furnish(id);
        board.fill(id);
    }

    private void furnish(long id) {
        for (var x : new int[] {3_500, 8_500}) {
            for (var y : new int[] {2_600, 5_400}) {
                place(id, "PIL-400", x, y, 0);
            }
        }
        for (var i = 0; i < 6; i++) {
            place(id, "PRP-CUBICLE", 600 + 1_000 * i, 7_400, 0);
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
        massing.addOpening(site, NOT_TOLD, id -> new Opening(id, room, kind, side, mm(at), mm(width), mm(height), mm(sill)));
    }

    private void place(long site, String code, long x, long y, int quarterTurns) {
        var piece = kit.pieces(site).stream().filter(e -> e.piece().code().equals(code)).findFirst().orElseThrow().id();
        placements.place(site, NOT_TOLD, piece, Stance.at(Vec.ofMillimetres(x, y, 0), new Turn(quarterTurns)), true);
    }

    private static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }
}
