package hausbau.server.store;

import hausbau.server.store.board.BoardStore;
import hausbau.server.store.brief.BriefStore;
import hausbau.server.store.kit.KitStore;
import hausbau.server.store.light.MoodStore;
import hausbau.server.store.list.ListStore;
import hausbau.server.store.massing.MassingStore;
import hausbau.server.store.set.SetStore;
import hausbau.server.store.site.SiteStore;
import hausbau.server.store.takeoff.TakeoffStore;
import java.util.List;
import org.springframework.stereotype.Component;

/** The stores of all aggregates, for services that need several. Every method runs in the caller's transaction. */
@Component
public record Stores(
        SiteStore sites,
        MassingStore massing,
        KitStore kits,
        SetStore sets,
        BriefStore briefs,
        BoardStore boards,
        TakeoffStore takeoff,
        ListStore lists,
        MoodStore moods) {

    public long nextId() {
        return sites.nextId();
    }

    /**
     * The row with this id among those of a site.
     *
     * @throws NotFound if there is none
     */
    public static <R extends Row> R find(List<R> among, long id, String what) {
        return among.stream()
                .filter(r -> r.getId() == id)
                .findFirst()
                .orElseThrow(() -> new NotFound("The site has no " + what + " " + id + "."));
    }

    /**
     * The rows with these ids, each once, in the order first named.
     *
     * @throws NotFound if there is one missing
     */
    public static <R extends Row> List<R> find(List<R> among, List<Long> ids, String what) {
        return ids.stream().distinct().map(id -> find(among, id, what)).toList();
    }
}
