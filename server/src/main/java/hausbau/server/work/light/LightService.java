package hausbau.server.work.light;

import com.github.benmanes.caffeine.cache.Cache;
import hausbau.core.dress.Dresses;
import hausbau.core.dress.Traits;
import hausbau.core.exchange.VolumeBytes;
import hausbau.core.finish.Colourway;
import hausbau.core.irradiance.Grid;
import hausbau.core.irradiance.LampChecks;
import hausbau.core.irradiance.LampShadows;
import hausbau.core.irradiance.LitKind;
import hausbau.core.irradiance.LitScene;
import hausbau.core.irradiance.SetLight;
import hausbau.core.irradiance.StandingGlow;
import hausbau.core.irradiance.StandingLamps;
import hausbau.core.irradiance.Transport;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Part;
import hausbau.core.kit.Piece;
import hausbau.core.light.Mood;
import hausbau.core.measure.Length;
import hausbau.core.standing.Chunk;
import hausbau.core.standing.Digest;
import hausbau.core.survey.Finding;
import hausbau.core.variety.Looks;
import hausbau.server.jobs.Job;
import hausbau.server.jobs.Jobs;
import hausbau.server.standing.LookShelf;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.work.Weighed;
import hausbau.server.work.kit.ColourwayService;
import hausbau.server.work.kit.KitService;
import hausbau.server.work.kit.MeshShelf;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.Function;
import org.springframework.stereotype.Service;

/**
 * The lamps of a site, and the light that bounces about its set. What is worked out is kept by what it depends on: 320 MiB of how light gets about
 * sets, 64 MiB of volumes, and what lamps shine on; a miss works it out again.
 */
@Service
public class LightService {

    private final Stores stores;
    private final Sets sets;
    private final LookShelf looks;
    private final MeshShelf meshes;
    private final ColourwayService colourways;
    private final MoodService moods;
    private final Jobs jobs;

    LightService(
            Stores stores,
            Sets sets,
            LookShelf looks,
            MeshShelf meshes,
            ColourwayService colourways,
            MoodService moods,
            Jobs jobs) {
        this.stores = stores;
        this.sets = sets;
        this.looks = looks;
        this.meshes = meshes;
        this.colourways = colourways;
        this.moods = moods;
        this.jobs = jobs;
    }

    /** What light depends on, besides the light itself. */
    private record Lit(
            List<Digest> chunks,
            Map<Long, Piece> pieces,
            Traits traits,
            Dresses dresses,
            Map<Long, Colourway> colourways) {}

    private record Spaced(Lit lit, Length spacing) {}

    private record Seen(Spaced spaced, Mood mood) {}

    private record Shape(Kind kind, List<Part> model) {}

    private final Cache<Spaced, Transport> transports = Weighed.upTo(320, (key, transport) -> transport.bytes());
    private final Cache<Seen, byte[]> volumes = Weighed.upTo(64, (key, bytes) -> bytes.length);
    private final Cache<Lit, byte[]> shadows = Weighed.upTo(32, (key, bytes) -> bytes.length);
    private final Cache<Shape, LitKind> kinds =
            Weighed.upTo(64, (key, kind) -> 84L * kind.triangles().size());

    /** A site as it is asked about. */
    private record Asked(SiteState state, Looks looks, Lit lit) {}

    private Asked asked(long siteId) {
        var state = sets.current(siteId);
        var all = new TreeMap<Long, Colourway>();
        colourways.all(siteId).forEach(known -> {
            all.put(known.id(), known.colourway());
            if (known.isUsed()) {
                all.put(0L, known.colourway());
            }
        });
        var decisions = state.decisions();
        return new Asked(
                state,
                looks.of(state),
                new Lit(
                        state.set().chunks().stream().map(Chunk::digest).toList(),
                        state.kit().pieces(),
                        decisions.traits(),
                        decisions.dresses(),
                        all));
    }

    private LitScene scene(Asked asked) {
        var state = asked.state();
        return SetLight.of(state.set(), asked.looks(), shapes(state), finishes(asked));
    }

    private static SetLight.Finishes finishes(Asked asked) {
        return SetLight.Finishes.of(asked.lit().colourways());
    }

    @Reading
    public List<StandingLamps.Lit> lamps(long siteId) {
        var state = sets.current(siteId);
        return StandingLamps.of(state.set(), looks.of(state));
    }

    /** Placements that do not glow as their finishes say. */
    @Reading
    public List<StandingGlow.Dimmed> dimmed(long siteId) {
        var asked = asked(siteId);
        var state = asked.state();
        return StandingGlow.of(state.set(), asked.looks(), kind -> state.piece(state.id(kind)), finishes(asked));
    }

    /** What is wrong with the lamps of a site. */
    public List<Finding> findings(SiteState state) {
        var given = looks.of(state);
        var lamps = StandingLamps.of(state.set(), given);
        if (lamps.isEmpty()) {
            return List.of();
        }
        var atOnce = stores.briefs()
                .brief(state.siteId())
                .map(b -> b.toBrief().budget().lampsAtOnce());
        return LampChecks.of(state.set(), state.kit(), lamps, shapes(state), atOnce.orElse(0L));
    }

    private Function<Kind, LitKind> shapes(SiteState state) {
        var finish = KitService.finish(state);
        var known = new HashMap<Kind, LitKind>();
        return kind -> known.computeIfAbsent(kind, k -> {
            var piece = state.piece(state.id(k));
            return Objects.requireNonNull(
                    kinds.get(new Shape(k, piece.model()), s -> LitKind.of(meshes.mesh(piece, finish))));
        });
    }

    public SiteState state(long siteId) {
        return sets.current(siteId);
    }

    /** See {@link LampShadows}, in the order of the lamps' emitters. */
    public byte[] shadows(long siteId, String token) {
        var asked = asked(siteId);
        var known = shadows.getIfPresent(asked.lit());
        if (known != null) {
            return known;
        }
        var made = jobs.run(siteId, token, asked.lit(), job -> LampShadows.of(scene(asked), job::reachOrStop));
        shadows.put(asked.lit(), made);
        return made;
    }

    /** The light that bounces about the set in a mood, see {@link VolumeBytes}; empty where nothing stands, or where it is for judging shape. */
    public byte[] volume(long siteId, long moodId, Length spacing, String token) {
        var mood = moods.one(siteId, moodId);
        var asked = asked(siteId);
        if (mood.isEven() || asked.state().set().size() == 0) {
            return new byte[0];
        }
        var seen = new Seen(new Spaced(asked.lit(), spacing), withoutExposure(mood));
        var known = volumes.getIfPresent(seen);
        if (known != null) {
            return known;
        }
        var made = jobs.run(siteId, token, seen, job -> volume(asked, seen, job));
        volumes.put(seen, made);
        return made;
    }

    /** How it is seen makes no difference to what there is. */
    private static Mood withoutExposure(Mood mood) {
        var even = Mood.usual().values().iterator().next();
        return new Mood(mood.sky(), mood.sun(), even.air(), even.exposure(), mood.lamps());
    }

    private byte[] volume(Asked asked, Seen seen, Job job) {
        var transport = transports.getIfPresent(seen.spaced());
        if (transport == null) {
            var scene = scene(asked);
            var grid = Grid.over(scene.scene().bounds(), seen.spaced().spacing().um() / 1e6);
            transport = Transport.of(scene, grid, share -> job.reachOrStop(0.9 * share));
            transports.put(seen.spaced(), transport);
        }
        job.reachOrStop(0.9);
        return VolumeBytes.of(transport.in(seen.mood().around(), seen.mood().lamps() / 100.0));
    }
}
