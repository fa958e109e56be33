package hausbau.server.http.news;

import hausbau.core.exchange.ChunkBytes;
import hausbau.core.standing.Chunk;
import hausbau.server.http.kit.KitController;
import hausbau.server.http.massing.MassingController;
import hausbau.server.http.set.AssemblyController;
import hausbau.server.http.set.DressController;
import hausbau.server.http.set.PlacementController;
import hausbau.server.http.set.RepeatController;
import hausbau.server.http.set.SelectionController;
import hausbau.server.http.set.TraitController;
import hausbau.server.http.set.TwinController;
import hausbau.server.http.site.SiteController.SiteView;
import hausbau.server.http.survey.SurveyController;
import hausbau.server.journal.Maker;
import hausbau.server.store.Aggregate;
import hausbau.server.work.site.SiteService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "News")
public class NewsController {

    /** So many bytes of chunks at most are sent along; the others are fetched by their digests. */
    private static final int MOST_ALONG = 512 * 1024;

    private static final int MOST_CARDS = 500;

    /** After a change to any of these, rooms, repeats and what else depends on the set are sent. */
    private static final Set<Aggregate.Part> OF_THE_SET =
            EnumSet.of(Aggregate.Part.SITE, Aggregate.Part.MASSING, Aggregate.Part.SET);

    private final SiteService sites;
    private final MassingController massing;
    private final KitController kit;
    private final RepeatController repeats;
    private final AssemblyController assemblies;
    private final TwinController twins;
    private final SelectionController selections;
    private final DressController dresses;
    private final TraitController traits;
    private final SurveyController survey;
    private final PlacementController placements;

    NewsController(
            SiteService sites,
            MassingController massing,
            KitController kit,
            RepeatController repeats,
            AssemblyController assemblies,
            TwinController twins,
            SelectionController selections,
            DressController dresses,
            TraitController traits,
            SurveyController survey,
            PlacementController placements) {
        this.sites = sites;
        this.massing = massing;
        this.kit = kit;
        this.repeats = repeats;
        this.assemblies = assemblies;
        this.twins = twins;
        this.selections = selections;
        this.dresses = dresses;
        this.traits = traits;
        this.survey = survey;
        this.placements = placements;
    }

    /**
     * @param digest  of its content; fetched from {@code chunks/digest}
     * @param columns its content in base 64; absent where there is too much of it to be sent along
     */
    record ChunkView(@NotNull String name, @NotNull String digest, @NotNull int count, @Nullable String columns) {}

    /**
     * What has changed since a revision, all of it as it stands at one revision.
     *
     * @param parts  what an edit has changed; absent: everything may have changed
     * @param chunks those of the set that are new or were written anew; with {@code all} every one there is
     * @param gone   the names of those that are no more
     * @param set    what depends on rooms and set; absent where neither has changed
     */
    record NewsView(
            @NotNull SiteView site,
            @Nullable List<Aggregate.Part> parts,
            @NotNull List<ChunkView> chunks,
            @NotNull List<String> gone,
            @NotNull boolean all,
            @NotNull List<KitController.PieceView> pieces,
            @NotNull TraitController.LooksView looks,
            @Nullable SetView set) {}

    record SetView(
            @NotNull MassingController.MassingView massing,
            @NotNull List<RepeatController.RepeatView> repeats,
            @NotNull AssemblyController.AssembliesView assemblies,
            @NotNull List<TwinController.TwinView> twins,
            @NotNull List<SelectionController.SelectionView> selections,
            @NotNull List<DressController.DressView> dresses) {}

    /** What the set costs and what is wrong with it. */
    record AccountView(
            @NotNull KitController.TallyView tally,
            @NotNull SurveyController.SurveyView survey,
            @NotNull List<SurveyController.CardView> cards,
            @NotNull List<PlacementController.DepartureView> departures) {}

    @GetMapping("/news")
    @Operation(summary = "What has changed since a revision; without one, everything")
    NewsView news(@PathVariable long siteId, @RequestParam(required = false) @Nullable Long since, Maker maker) {
        return sites.atOneRevision(siteId, () -> {
            var news = since == null ? sites.everything(siteId, maker) : sites.newsSince(siteId, since, maker);
            var pieces = kit.pieces(siteId);
            var dressed = dresses.all(siteId);
            var differ = !dressed.isEmpty()
                    || pieces.stream().anyMatch(p -> !p.trait().looks().isEmpty());
            return new NewsView(
                    SiteView.of(news.standing()),
                    news.parts().map(List::copyOf).orElse(null),
                    views(siteId, news.chunks()),
                    news.gone(),
                    news.all(),
                    pieces,
                    differ ? traits.looks(siteId) : TraitController.LooksView.NONE,
                    mayHaveChangedTheSet(news) ? setOf(siteId, dressed) : null);
        });
    }

    private static boolean mayHaveChangedTheSet(SiteService.News news) {
        return news.parts()
                .map(parts -> !Collections.disjoint(parts, OF_THE_SET))
                .orElse(true);
    }

    private SetView setOf(long siteId, List<DressController.DressView> dressed) {
        return new SetView(
                massing.find(siteId),
                repeats.list(siteId),
                assemblies.list(siteId),
                twins.list(siteId),
                selections.list(siteId),
                dressed);
    }

    private List<ChunkView> views(long siteId, List<Chunk> chunks) {
        var state = sites.state(siteId);
        var views = new ArrayList<ChunkView>();
        var along = 0;
        for (var chunk : chunks) {
            var columns = along < MOST_ALONG ? ChunkBytes.of(chunk, state::id) : null;
            along += columns == null ? 0 : columns.length;
            views.add(new ChunkView(
                    chunk.name(),
                    chunk.digest().toString(),
                    chunk.size(),
                    columns == null ? null : Base64.getEncoder().encodeToString(columns)));
        }
        return views;
    }

    @GetMapping("/account")
    @Operation(summary = "What the set costs, what is wrong with it, and what hands changed about derived pieces")
    AccountView account(@PathVariable long siteId) {
        return sites.atOneRevision(
                siteId,
                () -> new AccountView(
                        kit.tally(siteId),
                        survey.survey(siteId),
                        survey.cards(siteId, MOST_CARDS),
                        placements.departures(siteId)));
    }
}
