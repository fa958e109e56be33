package hausbau.server.work;

import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Refused;
import hausbau.server.journal.Journal;
import hausbau.server.store.NotFound;
import hausbau.server.store.PlacementRow;
import hausbau.server.store.SiteRow;
import hausbau.server.store.SiteStore;
import jakarta.persistence.EntityManager;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Sites as wholes: making, renaming, setting up, copying, deleting, and telling what has changed. */
@Service
public class SiteService {

    /** Beyond this many changed placements a browser does better to fetch the whole set. */
    private static final int MOST_CHANGED = 5000;
    private static final List<String> TABLES_WITH_ID = List.of("room", "piece", "opening", "placement", "omission", "brief", "media", "board_item",
            "plane", "listed_piece", "tag", "mark");

    private final SiteStore store;
    private final Journal journal;
    private final Deriver deriver;
    private final Previews previews;
    private final EntityManager rows;

    SiteService(SiteStore store, Journal journal, Deriver deriver, Previews previews, EntityManager rows) {
        this.store = store;
        this.journal = journal;
        this.deriver = deriver;
        this.previews = previews;
        this.rows = rows;
    }

    public record Overview(SiteRow site, long rooms, long placements) {
    }

    /** A site with what undo would undo and redo would do again; empty where there is nothing. */
    public record Standing(SiteRow site, String undo, String redo, long leftOut) {
    }

    /**
     * What has changed since a revision.
     *
     * @param all     everything may have changed: fetch it anew
     * @param changed the placements that were added or changed, as they stand now
     * @param removed the ids of those that are gone
     */
    public record News(Standing standing, boolean all, boolean rooms, boolean pieces, boolean board, List<PlacementRow> changed, List<Long> removed) {
    }

    @Transactional(readOnly = true)
    public List<Overview> list() {
        var rooms = countBySite("RoomRow");
        var placements = countBySite("PlacementRow");
        return store.sites().stream().map(site -> new Overview(site,
                rooms.getOrDefault(site.getId(), 0L), placements.getOrDefault(site.getId(), 0L))).toList();
    }

    private Map<Long, Long> countBySite(String entity) {
        return rows.createQuery("select siteId, count(*) from " + entity + " group by siteId", Object[].class).getResultList()
                .stream().collect(Collectors.toMap(pair -> (Long) pair[0], pair -> (Long) pair[1]));
    }

    @Transactional(readOnly = true)
    public Standing find(long id) {
        return standing(store.site(id));
    }

    private Standing standing(SiteRow site) {
        return new Standing(site, journal.undoLabel(site).orElse(""), journal.redoLabel(site).orElse(""),
                store.countOmissions(site.getId()));
    }

    @Transactional
    public Standing create(String name, UnaryOperator<SiteSettings> setUp) {
        var site = new SiteRow(store.nextId(), checkedName(name), setUp.apply(SiteSettings.USUAL));
        rows.persist(site);
        return standing(site);
    }

    static String checkedName(String name) {
        var trimmed = name.strip();
        if (trimmed.isEmpty() || trimmed.length() > 200) {
            throw new Refused("name", "A name takes 1 to 200 characters.");
        }
        if (trimmed.chars().anyMatch(Character::isISOControl)) {
            throw new Refused("name", "A name must not hold control characters.");
        }
        return trimmed;
    }

    /** Renames the site or changes its settings; the set follows. */
    @Transactional
    public Standing change(long id, OptionalLong seen, String name, UnaryOperator<SiteSettings> setUp) {
        var checked = checkedName(name);
        journal.edit(id, seen, edit -> {
            var renames = !checked.equals(edit.site().name());
            edit.name(renames ? "Rename the site to “" + checked + "”" : "Change the site's settings");
            edit.change(edit.site(), site -> {
                site.rename(checked);
                site.set(setUp.apply(site.settings()));
            });
            store.massing(edit.site());
            deriver.derive(edit);
            return null;
        });
        return find(id);
    }

    /** A new site with everything in it, but without the journal. */
    @Transactional
    public Standing copy(long id, String name) {
        var from = store.site(id);
        var copy = new SiteRow(store.nextId(), checkedName(name), from.settings());
        from.kit().ifPresent(copy::set);
        rows.persist(copy);
        rows.flush();
        rows.createNativeQuery("create temporary table if not exists new_id (old bigint primary key, fresh bigint) on commit drop").executeUpdate();
        for (var table : TABLES_WITH_ID) {
            // One value of the sequence stands for a block of 100 ids.
            rows.createNativeQuery("insert into new_id select id, nextval('hausbau_id') from " + table + " where site_id = :site")
                    .setParameter("site", id).executeUpdate();
        }
        for (var table : TABLES_WITH_ID) {
            copyRows(table, id, copy.getId());
        }
        return standing(copy);
    }

    private void copyRows(String table, long from, long to) {
        @SuppressWarnings("unchecked")
        List<String> columns = rows.createNativeQuery("select column_name::text from information_schema.columns "
                + "where table_schema = current_schema() and table_name = :table order by ordinal_position")
                .setParameter("table", table).getResultList();
        var values = columns.stream().map(column -> switch (column) {
            case "media_id", "picture_id", "plane_id", "tag_id", "listed_id" ->
                    "coalesce((select fresh from new_id where old = t." + column + "), 0)";
            case "piece_id" -> table.equals("listed_piece") ? "coalesce((select fresh from new_id where old = t.piece_id), 0)"
                    : "(select fresh from new_id where old = t.piece_id)";
            case "id", "room_id" -> "(select fresh from new_id where old = t." + column + ")";
            case "site_id" -> ":to";
            case "source" -> "regexp_replace(t.source, '^room/[0-9]+', 'room/' || coalesce((select fresh from new_id "
                    + "where old = nullif(split_part(t.source, '/', 2), '')\\:\\:bigint), 0))";
            default -> "t." + column;
        }).collect(Collectors.joining(", "));
        rows.createNativeQuery("insert into " + table + " (" + String.join(", ", columns) + ") select " + values
                + " from " + table + " t where t.site_id = :from order by t.id")
                .setParameter("from", from).setParameter("to", to).executeUpdate();
    }

    @Transactional
    public void delete(long id) {
        rows.remove(store.lockedSite(id));
        previews.forget(id);
    }

    @Transactional(readOnly = true)
    public News newsSince(long id, long revision) {
        var site = store.site(id);
        if (revision > site.revision()) {
            throw new NotFound("Site " + id + " has no revision " + revision + " yet.");
        }
        var since = store.revisionsAfter(id, revision);
        var touched = since.stream().flatMap(r -> Arrays.stream(r.placements()).boxed()).distinct().limit(MOST_CHANGED + 1).toList();
        var all = touched.size() > MOST_CHANGED || since.size() < site.revision() - revision;
        var changed = all || touched.isEmpty() ? List.<PlacementRow>of() : store.placements(id, touched);
        var there = changed.stream().map(PlacementRow::getId).collect(Collectors.toSet());
        var removed = all ? List.<Long>of() : touched.stream().filter(t -> !there.contains(t)).toList();
        return new News(standing(site), all, since.stream().anyMatch(r -> r.rooms()), since.stream().anyMatch(r -> r.pieces()),
                since.stream().anyMatch(r -> r.board()), changed, removed);
    }
}
