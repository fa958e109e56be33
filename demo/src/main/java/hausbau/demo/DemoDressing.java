package hausbau.demo;

import hausbau.core.exchange.GltfScene;
import hausbau.core.exchange.PieceListCsv;
import hausbau.core.finish.Coat;
import hausbau.core.hand.Clinging;
import hausbau.core.hand.Disorder;
import hausbau.core.kit.Form;
import hausbau.core.kit.Held;
import hausbau.core.kit.Part;
import hausbau.core.kit.Pattern;
import hausbau.core.kit.Piece;
import hausbau.core.kit.PieceState;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Profile;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.kit.Surroundings;
import hausbau.core.light.Lamps;
import hausbau.core.massing.Stair;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import hausbau.core.repeat.Course;
import hausbau.core.repeat.Pace;
import hausbau.core.repeat.Rule;
import hausbau.core.repeat.Scatter;
import hausbau.core.repeat.Trail;
import hausbau.core.repeat.Variation;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Patch;
import hausbau.core.shape.Swatch;
import hausbau.core.standing.Repeat;
import hausbau.server.journal.Seen;
import hausbau.server.store.kit.CoatWords;
import hausbau.server.store.kit.PartWords;
import hausbau.server.store.set.RuleWords;
import hausbau.server.work.kit.ColourwayService;
import hausbau.server.work.kit.DeliveryService;
import hausbau.server.work.kit.KitService;
import hausbau.server.work.kit.PatternService;
import hausbau.server.work.kit.SharedSheetService;
import hausbau.server.work.kit.WorkshopService;
import hausbau.server.work.list.PieceListService;
import hausbau.server.work.massing.MassingService;
import hausbau.server.work.set.AssemblyService;
import hausbau.server.work.set.DisorderService;
import hausbau.server.work.set.DressService;
import hausbau.server.work.set.PlacementService;
import hausbau.server.work.set.RepeatService;
import hausbau.server.work.set.TraitService;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Dresses the demo's baths: an edge round the basin, benches in groups, towels, baskets and a bucket out of order. */
@Component
class DemoDressing {

    private static final Seen NOT_TOLD = Seen.NOT_TOLD;

    private final PieceListService list;
    private final KitService kit;
    private final MassingService massing;
    private final PlacementService placements;
    private final RepeatService repeats;
    private final AssemblyService assemblies;
    private final DisorderService disorder;
    private final TraitService traits;
    private final PatternService patterns;
    private final ColourwayService colourways;
    private final WorkshopService workshop;
    private final DeliveryService deliveries;
    private final DressService dresses;
    private final SharedSheetService shared;

    DemoDressing(
            PieceListService list,
            KitService kit,
            MassingService massing,
            PlacementService placements,
            RepeatService repeats,
            AssemblyService assemblies,
            DisorderService disorder,
            TraitService traits,
            PatternService patterns,
            ColourwayService colourways,
            WorkshopService workshop,
            DeliveryService deliveries,
            DressService dresses,
            SharedSheetService shared) {
        this.list = list;
        this.kit = kit;
        this.massing = massing;
        this.placements = placements;
        this.repeats = repeats;
        this.assemblies = assemblies;
        this.disorder = disorder;
        this.traits = traits;
        this.patterns = patterns;
        this.colourways = colourways;
        this.workshop = workshop;
        this.deliveries = deliveries;
        this.dresses = dresses;
        this.shared = shared;
    }

    void dress(long site) {
        var frieze = shared.add(
                site, Swatch.SHARED, NOT_TOLD, onSheet(site, "frieze", Patch.Kind.STRIP, 1, DemoPictures.frieze()));
        var notice = shared.add(
                site, Swatch.SHARED, NOT_TOLD, onSheet(site, "notice", Patch.Kind.SINGLE, 3, DemoPictures.notice()));
        line(site, frieze);
        var closed = finish(site);
        standIn(site, "PRP-EDGE", "basin edge", 1000, 250, 60);
        standIn(site, "PRP-EDGE-C", "basin edge, corner", 250, 250, 60);
        standIn(site, "PRP-TOWEL", "folded towel", 320, 240, 90);
        standIn(site, "PRP-BASKET", "clothes basket", 420, 320, 300);
        standIn(site, "PRP-BUCKET", "bucket", 280, 280, 320);
        standIn(site, "PRP-HANDRAIL", "handrail", 1000, 50, 60);
        model(site);
        bringIn(site);
        sign(site);
        notice(site, notice);
        boilerWalk(site, closed);
        basinEdge(site);
        handrail(site);
        benchGroups(site);
        baskets(site);
        // On the benches under the north windows, dropped where a hand let them go.
        var towels = new Scatter(
                Region.of(new Rect(500_000, 24_400_000, 14_000_000, 25_300_000)),
                0,
                14,
                0,
                mm(340),
                Scatter.Jitter.turned(12),
                Length.ZERO,
                Region.EMPTY,
                List.of(),
                new Scatter.Landing(Scatter.Lands.TOPS, mm(1_000), true, List.of()),
                List.of(),
                5);
        repeat(site, "Towels", List.of("PRP-TOWEL"), towels, "Pool hall", Repeat.Hold.ROOM);
        lamps(site);
        differ(site, "PRP-TOWEL", 3, "", "#d8b7a4", "#a9bcc4");
        differ(site, "PRP-CUBICLE", 2, "", "#b9c4b0");
    }

    /** On the wall between the windows, and a row that hangs in the ticket hall. */
    private void lamps(long site) {
        for (var x : new int[] {1_100, 5_000, 9_000, 13_000, 16_900}) {
            placements.place(
                    site,
                    NOT_TOLD,
                    piece(site, "PRP-WALL-LAMP"),
                    Stance.at(Vec.ofMillimetres(x, 25_300, 1_000), Turn.NONE),
                    new Clinging.Offset(Optional.of(mm(2_300)), Length.ZERO),
                    true);
        }
        var row = new Course(
                Vec.ofMillimetres(2_000, 4_000, 0),
                Vec.ofMillimetres(10_000, 4_000, 0),
                Pace.of(3),
                Length.ZERO,
                false,
                false,
                Variation.NONE);
        repeat(site, "Hanging lamps", List.of("PRP-HANGING-LAMP"), row, "Ticket hall", Repeat.Hold.ROOM);
    }

    /** Gives out tints among the placements of a piece. */
    private void differ(long site, String code, long seed, String... tints) {
        var id = piece(site, code);
        traits.change(
                site,
                id,
                NOT_TOLD,
                new TraitService.Change(
                        null,
                        Stream.of(tints)
                                .map(t -> new TraitService.Look(id, t, 0, 1))
                                .toList(),
                        seed,
                        null));
    }

    void light(long site, String code, Lamps lamps) {
        traits.change(site, piece(site, code), NOT_TOLD, new TraitService.Change(null, null, null, lamps));
    }

    void standIn(long site, String code, String name, long x, long y, long z) {
        var line = list.add(
                site,
                NOT_TOLD,
                new PieceListCsv.Line(
                        code,
                        name,
                        Role.PROP,
                        mm(x),
                        mm(y),
                        mm(z),
                        1,
                        PieceListCsv.Source.MAKE,
                        PieceState.WANTED,
                        3,
                        0.5,
                        false,
                        ""));
        list.standIn(site, NOT_TOLD, List.of(line.getId()));
    }

    /** Outside of the basin's rim, a metre a piece, with pieces of its own in the corners. */
    private void basinEdge(long site) {
        var pace = new Pace(Pace.Kind.SIDE_BY_SIDE, Length.ZERO, 0, Pace.Rest.BOTH_ENDS);
        var trail = new Trail(
                List.of(Vec.ZERO, Vec.ofMillimetres(1000, 0, 0)),
                true,
                Length.ZERO,
                pace,
                mm(125),
                false,
                new Trail.Joints(true, Length.ZERO, false, true, false),
                Variation.NONE);
        repeat(site, "Basin edge", List.of("PRP-EDGE", "PRP-EDGE-C"), trail, "Basin", Repeat.Hold.OUTLINE);
    }

    /** Up the stairs to the gallery, on the wall's side, tipped with their slope. */
    private void handrail(long site) {
        var stair = massing.find(site).decisions().massing().stairs().stream()
                .max(Comparator.comparingLong(Stair::top))
                .orElseThrow()
                .id();
        var pace = new Pace(Pace.Kind.SIDE_BY_SIDE, Length.ZERO, 0, Pace.Rest.BOTH_ENDS);
        var trail = new Trail(
                List.of(Vec.ZERO, Vec.ofMillimetres(1000, 0, 0)),
                false,
                Length.ZERO,
                pace,
                mm(480),
                false,
                new Trail.Joints(true, Length.ZERO, false, false, true),
                Variation.NONE);
        var made = repeats.add(
                site,
                NOT_TOLD,
                new RepeatService.Wanted(
                        List.of(piece(site, "PRP-HANDRAIL")),
                        List.of(),
                        RuleWords.of(trail),
                        Optional.of(new RepeatService.Following(stair, Repeat.Hold.STAIR, 0, mm(900)))));
        repeats.change(site, made.id(), NOT_TOLD, RepeatService.Change.named("Handrail"));
    }

    /** A bench with a basket and a bucket beside it, five times along the east wall, looking at the water. */
    private void benchGroups(long site) {
        var places = List.of(
                place(site, "PRP-BENCH", 17_700, 12_600, 3),
                place(site, "PRP-BASKET", 17_700, 11_700, 3),
                place(site, "PRP-BUCKET", 17_700, 13_600, 0));
        var use = assemblies.save(site, NOT_TOLD, places);
        assemblies.rename(site, use.assembly(), NOT_TOLD, "Bench group");
        for (var y = 1; y < 5; y++) {
            assemblies.use(
                    site, use.assembly(), NOT_TOLD, use.stance().movedBy(Vec.ofMillimetres(0, 2_700L * y, 0)), false);
        }
    }

    private void baskets(long site) {
        var places = new ArrayList<Place>();
        for (var i = 0; i < 6; i++) {
            places.add(place(site, "PRP-BASKET", 15_000 + 500 * (i % 3), 24_300 + 450 * (i / 3), 0));
        }
        places.add(place(site, "PRP-BUCKET", 14_700, 23_800, 0));
        disorder.disturb(site, NOT_TOLD, places, new Disorder(mm(160), 60, 0, 30, 0, 4));
    }

    void repeat(long site, String name, List<String> codes, Rule rule, String room, Repeat.Hold hold) {
        var host = massing.find(site).decisions().massing().rooms().stream()
                .filter(r -> r.name().equals(room))
                .findFirst()
                .orElseThrow()
                .id();
        var made = repeats.add(
                site,
                NOT_TOLD,
                new RepeatService.Wanted(
                        codes.stream().map(c -> piece(site, c)).toList(),
                        List.of(),
                        RuleWords.of(rule),
                        Optional.of(new RepeatService.Following(host, hold, 0, null))));
        repeats.change(site, made.id(), NOT_TOLD, RepeatService.Change.named(name));
    }

    long piece(long site, String code) {
        return kit.pieces(site).stream()
                .filter(e -> e.piece().code().equals(code))
                .findFirst()
                .orElseThrow()
                .id();
    }

    Place place(long site, String code, long x, long y, int quarterTurns) {
        return placements
                .place(
                        site,
                        NOT_TOLD,
                        piece(site, code),
                        Stance.at(Vec.ofMillimetres(x, y, 0), new Turn(quarterTurns)),
                        Clinging.Offset.NONE,
                        true)
                .standing()
                .place();
    }

    private static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }

    /** Plinth, tiles to the shoulder with a rail on them, plaster, a cornice. */
    private void line(long site, Swatch frieze) {
        var pattern = patterns.create(site, NOT_TOLD, null);
        var usual = Pattern.usual();
        var around = new Surroundings(
                Optional.of(new Surroundings.Slab(Swatch.TERRAZZO, Swatch.TERRAZZO, 0, 0)),
                Optional.of(new Surroundings.Slab(Swatch.PLASTER, Swatch.PLASTER, 120_000, 60_000)),
                Optional.of(new Surroundings.Tread(Swatch.STONE, Swatch.TERRAZZO, 40_000, 20_000)),
                Optional.of(new Surroundings.Railing(Swatch.METAL, 115_000, 18_000, Swatch.TIMBER, 60_000, 50_000)));
        var bands = new ArrayList<>(usual.bands());
        // Above the rail.
        bands.add(bands.size() - 1, new Pattern.Band("frieze", frieze, 250_000, 10_000));
        patterns.change(
                site,
                pattern,
                NOT_TOLD,
                "Tiled halls",
                new Pattern(usual.least(), bands, usual.trims(), usual.uprights(), around));
        patterns.use(site, pattern, NOT_TOLD);
    }

    /** Pieces of its own in place of plain blocks: a rail with its profile, a turned bucket. */
    private void model(long site) {
        var rail = new Form.Pushed(
                Profile.of(Profile.Kind.HANDRAIL, 50_000, 60_000, 0, 0, 0),
                List.of(new Form.Pushed.Corner(Vec.ZERO, 0), new Form.Pushed.Corner(Vec.ofMillimetres(1000, 0, 0), 0)),
                false,
                1,
                -1,
                false);
        inPlace(site, "PRP-HANDRAIL", Part.of(Swatch.TIMBER, rail, Vec.ZERO).named("rail"));
        var bucket = new Form.Turned(
                Stream.of(
                                new long[] {105, 0},
                                new long[] {108, 8},
                                new long[] {134, 296},
                                new long[] {140, 300},
                                new long[] {140, 316},
                                new long[] {136, 320})
                        .map(at -> Form.Turned.Station.ofMillimetres(at[0], at[1]))
                        .toList(),
                Form.Turned.SIDES);
        inPlace(
                site,
                "PRP-BUCKET",
                Part.of(Swatch.METAL, bucket, Vec.ofMillimetres(140, 140, 0)).named("body"));
    }

    /** The ticket window comes from a file, as if it was modelled elsewhere: it takes the place of its stand-in. */
    private void bringIn(long site) {
        var window = List.of(
                block(Swatch.PAINT, 0, 0, 0, 1800, 700, 950, "counter"),
                block(Swatch.STONE, -40, -60, 950, 1840, 720, 1000, "top"),
                block(Swatch.PAINT, 0, 280, 1000, 120, 420, 2200, "post"),
                block(Swatch.PAINT, 1680, 280, 1000, 1800, 420, 2200, "post"),
                block(Swatch.PAINT, 840, 280, 1000, 960, 420, 2080, "post"),
                block(Swatch.PAINT, 120, 280, 2080, 1680, 420, 2200, "head"),
                block(Swatch.OPAL, 120, 340, 1160, 840, 360, 2080, "pane"),
                block(Swatch.OPAL, 960, 340, 1160, 1680, 360, 2080, "pane"),
                block(Swatch.METAL, 1180, 430, 1000, 1500, 690, 1180, "till"),
                block(Swatch.METAL, 1220, 470, 1180, 1460, 600, 1330, "keys"));
        var piece =
                new Piece("ticket-window", "ticket window", Role.PROP, new Recipe.Made(0, window), Pivot.BASE_CENTRE);
        var till = piece(site, "PRP-TILL");
        var look = deliveries
                .deliver(site, Map.of("ticket-window.glb", GltfScene.ofPiece(piece, Finish.ofDensity(256))), "", till)
                .get(0);
        deliveries.bring(
                site,
                look.id(),
                NOT_TOLD,
                new DeliveryService.Order(
                        look.choices(),
                        Map.of(),
                        false,
                        false,
                        List.of(new DeliveryService.Taken(0, till, null, null))));
        deliveries.remove(site, look.id());
        place(site, "PRP-TILL", 6_000, 6_600, 0);
    }

    /** Made here of parts that cut: a recess in a board, and letters in it; on the wall behind the ticket window. */
    private void sign(long site) {
        var id =
                workshop.create(site, NOT_TOLD, new WorkshopService.Wanted("PRP-SIGN", "ticket sign", Role.PROP, null));
        Stream.of(
                        block(Swatch.PAINT, 0, 0, 0, 1600, 60, 420, "board"),
                        block(Swatch.OPAL, 40, -10, 40, 1560, 18, 380, "recess").cutting(),
                        Part.of(
                                        Swatch.METAL,
                                        new Form.Letters("TICKETS", 180_000, 20_000),
                                        Vec.ofMillimetres(245, 0, 120))
                                .named("letters"))
                .forEach(part -> workshop.add(site, id, NOT_TOLD, PartWords.of(part)));
        workshop.remove(site, id, 0, NOT_TOLD);
        traits.change(site, id, NOT_TOLD, new TraitService.Change(Held.FIXED, null, null, null));
        placements.place(
                site,
                NOT_TOLD,
                id,
                Stance.at(Vec.ofMillimetres(4_500, 7_900, 1_000), Turn.NONE),
                new Clinging.Offset(Optional.of(mm(2_700)), Length.ZERO),
                true);
    }

    private SharedSheetService.Words onSheet(long site, String name, Patch.Kind kind, int height, byte[] picture) {
        return new SharedSheetService.Words(
                name,
                kind,
                null,
                null,
                kind == Patch.Kind.STRIP ? null : 4,
                height,
                Map.of(Coat.Layer.COLOUR, colourways.addPicture(site, picture)),
                35,
                null);
    }

    /** A board of the shared sheet's notice, on the wall beside the door. */
    private void notice(long site, Swatch swatch) {
        standIn(site, "PRP-NOTICE", "notice board", 1000, 30, 750);
        inPlace(
                site,
                "PRP-NOTICE",
                Part.of(swatch, new Form.Block(Vec.ofMillimetres(1000, 30, 750)), Vec.ZERO)
                        .named("board"));
        var id = piece(site, "PRP-NOTICE");
        traits.change(site, id, NOT_TOLD, new TraitService.Change(Held.FIXED, null, null, null));
        placements.place(
                site,
                NOT_TOLD,
                id,
                Stance.at(Vec.ofMillimetres(2_700, 7_900, 1_000), Turn.NONE),
                new Clinging.Offset(Optional.of(mm(1_900)), Length.ZERO),
                true);
    }

    /** A room under a pattern of its own: limewash above a dark plinth, with a kerb along its foot; nobody paints it. */
    private void boilerWalk(long site, long closed) {
        var room = massing.find(site).decisions().massing().rooms().stream()
                .filter(r -> r.name().equals("Boiler walk"))
                .findFirst()
                .orElseThrow()
                .id();
        var id = patterns.createFor(site, room, NOT_TOLD);
        patterns.change(
                site,
                id,
                NOT_TOLD,
                "Boiler walk",
                new Pattern(
                        2_000_000,
                        List.of(
                                new Pattern.Band("plinth", Swatch.PAINT, 900_000, 0),
                                new Pattern.Band("wall", Swatch.PLASTER, 0, 0)),
                        List.of(new Pattern.Trim(
                                "skirting",
                                Swatch.STONE,
                                Profile.of(Profile.Kind.SKIRTING, 30_000, 150_000, 0, 0, 12_000),
                                Pattern.From.FOOT,
                                0)),
                        List.of()));
        dresses.change(site, NOT_TOLD, List.of(), List.of(room), new DressService.Change(null, 35, closed, null));
    }

    private static Part block(Swatch swatch, long x0, long y0, long z0, long x1, long y1, long z1, String name) {
        return Part.of(
                        swatch,
                        new Form.Block(Vec.ofMillimetres(x1 - x0, y1 - y0, z1 - z0)),
                        Vec.ofMillimetres(x0, y0, z0))
                .named(name);
    }

    /** @param more of the words of {@link CoatWords}, by their names */
    private static CoatWords coat(String colour, String second, Map<String, Object> more) {
        var all = new TreeMap<String, Object>(more);
        all.put("colour", colour);
        all.put("second", second);
        return CoatWords.told(all);
    }

    /** Two sets of finishes: as it was opened, which is in use, and as it was left. @return the latter */
    private long finish(long site) {
        var opened = colourways.create(site, NOT_TOLD, null);
        colourways.change(
                site,
                opened,
                NOT_TOLD,
                "opened 1926",
                Map.of(
                        Swatch.TILE,
                        coat("#c4d8cd", "#8f8c80", Map.of()),
                        Swatch.PAINT,
                        coat("#2f5d55", "#2c2a26", Map.of()),
                        Swatch.PLASTER,
                        coat("#eae3d0", "#c2b79e", Map.of()),
                        Swatch.TIMBER,
                        coat("#93613a", "#57361f", Map.of()),
                        Swatch.OPAL,
                        coat("#f3efe2", "#d8cfb4", Map.of("glow", 2_500, "glowColour", "#ffd9a8")),
                        Swatch.STONE,
                        coat(
                                "#c3b9a8",
                                "#75685a",
                                Map.of(
                                        "grain", "TERRAZZO",
                                        "unitXMm", 35,
                                        "unitYMm", 35,
                                        "variation", 16,
                                        "roughness", 42))));
        var closed = colourways.create(site, NOT_TOLD, opened);
        colourways.change(
                site,
                closed,
                NOT_TOLD,
                "closed 1974",
                Map.of(
                        Swatch.TILE,
                        coat("#c9cdb8", "#5f5a4c", Map.of("wear", 55, "roughness", 48)),
                        Swatch.PAINT,
                        coat("#9a7f3d", "#4a3a22", Map.of("wear", 50, "roughness", 70)),
                        Swatch.PLASTER,
                        coat("#d6c8a2", "#93845f", Map.of("wear", 55, "roughness", 95)),
                        Swatch.TIMBER,
                        coat("#6f5a45", "#43342a", Map.of("wear", 35, "roughness", 82)),
                        Swatch.STONE,
                        coat("#a39d8f", "#726c60", Map.of("wear", 45, "roughness", 88)),
                        Swatch.METAL,
                        coat("#5c5f5f", "#7a4526", Map.of("wear", 70, "roughness", 70)),
                        Swatch.TERRAZZO,
                        coat("#b3aa97", "#5f554b", Map.of("wear", 40, "roughness", 66)),
                        Swatch.OPAL,
                        coat("#d9cfae", "#a89a72", Map.of("wear", 25, "roughness", 40, "glow", 0))));
        colourways.use(site, opened, NOT_TOLD);
        return closed;
    }

    private void inPlace(long site, String code, Part part) {
        workshop.add(site, piece(site, code), NOT_TOLD, PartWords.of(part));
        workshop.remove(site, piece(site, code), 0, NOT_TOLD);
    }
}
