package hausbau.server.work.handover;

import hausbau.core.exchange.Bill;
import hausbau.core.exchange.GltfScene;
import hausbau.core.exchange.NodeNames;
import hausbau.core.exchange.PlanPicture;
import hausbau.core.exchange.Schedules;
import hausbau.core.irradiance.SetLight;
import hausbau.core.irradiance.StandingGlow;
import hausbau.core.irradiance.StandingLamps;
import hausbau.core.massing.Level;
import hausbau.core.massing.SiteSettings;
import hausbau.core.place.Place;
import hausbau.core.shape.MaterialNames;
import hausbau.core.shape.Swatch;
import hausbau.core.variety.Looks;
import hausbau.server.jobs.Job;
import hausbau.server.jobs.Jobs;
import hausbau.server.standing.LookShelf;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.Millimetres;
import hausbau.server.store.NotFound;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.light.MoodWords;
import hausbau.server.work.kit.ColourwayService;
import hausbau.server.work.kit.ColourwayService.Finishes;
import hausbau.server.work.kit.KitService;
import hausbau.server.work.kit.WorkshopService;
import hausbau.server.work.light.MoodService;
import hausbau.server.work.massing.LevelService;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.type.TypeReference;

/** The files that a site is handed over in; each is of one state of the site. */
@Service
public class HandoverService {

    private final Stores stores;
    private final Sets sets;
    private final KitService kit;
    private final LevelService levels;
    private final LookShelf looks;
    private final ColourwayService colourways;
    private final WorkshopService workshop;
    private final MoodService moods;
    private final Jobs jobs;
    private final TransactionTemplate reading;

    public HandoverService(
            Stores stores,
            Sets sets,
            KitService kit,
            LevelService levels,
            LookShelf looks,
            ColourwayService colourways,
            WorkshopService workshop,
            MoodService moods,
            Jobs jobs,
            PlatformTransactionManager transactions) {
        this.stores = stores;
        this.sets = sets;
        this.kit = kit;
        this.levels = levels;
        this.looks = looks;
        this.colourways = colourways;
        this.workshop = workshop;
        this.moods = moods;
        this.jobs = jobs;
        this.reading = new TransactionTemplate(transactions);
        reading.setReadOnly(true);
    }

    @Reading
    public String name(long siteId) {
        return stores.sites().site(siteId).name();
    }

    /**
     * The whole set in its finishes: nodes stand under their level, their room and their repeat, twin or use of an assembly.
     *
     * @param token under which it can be asked how far it is, and called off; may be empty
     */
    public byte[] scene(long siteId, String token) {
        var state = sets.current(siteId);
        return jobs.run(siteId, token, List.of("scene", siteId, state.revision()), job -> scene(state, job));
    }

    private byte[] scene(SiteState state, Job job) {
        var siteId = state.siteId();
        var given = looks.of(state);
        var materials = Stream.concat(
                        state.set().kinds().stream(), given.all().stream().map(Looks.Guise::kind))
                .distinct()
                .flatMap(kind -> state.piece(state.id(kind)).parts().stream())
                .map(part -> part.swatch().material())
                .collect(Collectors.toSet());
        var read = read(
                siteId,
                state.decisions().massing().settings(),
                materials,
                given.all().stream().map(Looks.Guise::colourway).toList());
        var finishes = colourways.make(read.wanted(), job::reachOrStop);
        var scene = GltfScene.inColourways(
                read.name(),
                KitService.finish(state),
                read.names(),
                finishes.values().stream().collect(Collectors.toMap(Finishes::name, Finishes::sheets)));
        var names = new NodeNames(state.decisions(), read.levels());
        var lamps =
                StandingLamps.of(state.set(), given).stream().collect(Collectors.groupingBy(StandingLamps.Lit::place));
        var dimmed = dimmed(state, given, read.wanted());
        scene.seenIn(read.mood());
        for (var chunk : state.set().chunks()) {
            job.reachOrStop(1);
            for (var row = 0; row < chunk.size(); row++) {
                var standing = chunk.standing(row);
                var look = given.look(chunk, row);
                var piece = state.piece(state.id(look == null ? standing.kind() : look.kind()));
                scene.add(
                        names.path(standing),
                        names.name(piece.code()),
                        piece,
                        (look == null ? GltfScene.Look.PLAIN : look(look, finishes))
                                .glowing(dimmed.getOrDefault(standing.place(), 1.0)),
                        standing.stance(),
                        lamps.getOrDefault(standing.place(), List.of()));
            }
        }
        return scene.toBytes();
    }

    /** How brightly what does not glow as its finishes say does, as a share of that. */
    private static Map<Place, Double> dimmed(SiteState state, Looks given, ColourwayService.Wanted wanted) {
        var coats = wanted.colourways().stream()
                .collect(Collectors.toMap(k -> k.isUsed() ? 0L : k.id(), ColourwayService.Known::colourway));
        return StandingGlow.of(state.set(), given, kind -> state.piece(state.id(kind)), SetLight.Finishes.of(coats))
                .stream()
                .collect(Collectors.toMap(StandingGlow.Dimmed::place, StandingGlow.Dimmed::share));
    }

    /** What is read for it, in one transaction. */
    private record Read(
            String name,
            Map<Long, String> levels,
            MaterialNames names,
            ColourwayService.Wanted wanted,
            Map<String, Object> mood) {}

    private Read read(long siteId, SiteSettings settings, Set<Swatch> materials, List<Long> others) {
        return Objects.requireNonNull(reading.execute(status -> new Read(
                stores.sites().site(siteId).name(),
                levels.all(siteId, settings).stream().collect(Collectors.toMap(Level::id, Level::name)),
                stores.kits().materialNames(siteId),
                colourways.wanted(siteId, materials, others),
                mood(siteId))));
    }

    /** The mood that is in use, in words. */
    private Map<String, Object> mood(long siteId) {
        var used = moods.all(siteId).stream()
                .filter(MoodService.Known::isUsed)
                .findFirst()
                .orElseThrow();
        var told = new LinkedHashMap<String, Object>();
        told.put("name", used.name());
        told.putAll(
                Millimetres.JSON.convertValue(MoodWords.of(used.mood()), new TypeReference<Map<String, Object>>() {}));
        return told;
    }

    private static GltfScene.Look look(Looks.Guise of, Map<Long, Finishes> finishes) {
        var in = finishes.get(of.colourway());
        return new GltfScene.Look(of.tint(), in == null ? GltfScene.SITE : in.name(), of.wear());
    }

    /**
     * What goes along with the pieces of the set.
     *
     * @param unused  whether pieces do that stand nowhere
     * @param details whether levels of detail do, the first named {@code CODE detail 1}, and hulls, {@code CODE hull}
     * @param sheets  whether the pictures of their materials do, in the folder {@code sheets}
     */
    public record Wanted(boolean unused, boolean details, boolean sheets) {}

    /** A piece as a file of its own, with both sets of UVs; one that is worn somewhere has its mask beside it, {@code CODE wear}. */
    public byte[] pieces(long siteId, Wanted wanted, String token) {
        var state = sets.current(siteId);
        return jobs.run(
                siteId, token, List.of("pieces", siteId, state.revision(), wanted), job -> pieces(state, wanted, job));
    }

    private byte[] pieces(SiteState state, Wanted wanted, Job job) {
        var siteId = state.siteId();
        var files = new LinkedHashMap<String, byte[]>();
        var finish = KitService.finish(state);
        var given = looks.of(state).all();
        var worn =
                given.stream().filter(g -> g.wear() > 0).map(Looks.Guise::kind).collect(Collectors.toSet());
        var all = uses(state, wanted.unused());
        var materials = all.stream()
                .flatMap(use -> use.piece().parts().stream())
                .map(part -> part.swatch().material())
                .collect(Collectors.toSet());
        var read = read(
                siteId,
                state.decisions().massing().settings(),
                materials,
                given.stream().map(Looks.Guise::colourway).toList());
        var names = read.names();
        var share = wanted.sheets() ? 0.5 : 1;
        for (var i = 0; i < all.size(); i++) {
            job.reachOrStop(share * i / all.size());
            var use = all.get(i);
            var code = use.piece().code();
            files.put(code + ".glb", GltfScene.handedOver(use.piece(), finish, names));
            if (worn.contains(use.piece().kind())) {
                files.put(code + " wear.png", kit.wearMask(use.piece(), finish));
            }
            if (wanted.details()) {
                var of = workshop.details(siteId, use.id());
                for (var level = 0; level < of.levels().size(); level++) {
                    var name = code + " detail " + (level + 1);
                    files.put(
                            name + ".glb",
                            GltfScene.handedOver(name, of.levels().get(level).mesh(), finish, names));
                }
                files.put(code + " hull.glb", GltfScene.of(code + " hull", of.hull(), finish));
            }
        }
        if (wanted.sheets()) {
            var finishes = colourways.make(read.wanted(), done -> job.reachOrStop(share + (1 - share) * done));
            finishes.values().forEach(in -> in.sheets()
                    .forEach((material, pictures) -> pictures.named(GltfScene.called(names.of(material), in.name()))
                            .forEach((name, file) -> files.put("sheets/" + name, file))));
        }
        return Zip.of(files);
    }

    private List<KitService.PieceUse> uses(SiteState state, boolean unused) {
        return Objects.requireNonNull(reading.execute(status -> kit.pieces(state))).stream()
                .filter(use -> unused || use.count() > 0)
                .toList();
    }

    @Reading
    public String bill(long siteId) {
        return Bill.csv(kit.pieces(siteId).stream()
                .filter(use -> use.count() > 0)
                .map(u -> new Bill.Line(u.piece(), u.count()))
                .toList());
    }

    /** @throws NotFound if there is no such schedule */
    @Reading
    public String schedule(long siteId, String what) {
        var found = sets.current(siteId).decisions().massing();
        var schedules = new Schedules(found, levels.all(siteId, found.settings()));
        return switch (what) {
            case "rooms" -> schedules.rooms();
            case "openings" -> schedules.openings();
            case "runs" -> schedules.runs();
            case "stairs" -> schedules.stairs();
            default -> throw new NotFound("There are schedules of rooms, openings, stairs and runs.");
        };
    }

    /** The plan as a small picture, and what it is of. */
    public record Picture(String svg, long revision) {}

    public Picture picture(long siteId, int width, int height) {
        var state = sets.current(siteId);
        return new Picture(PlanPicture.of(state.set(), width, height), state.revision());
    }
}
