package hausbau.server.work.site;

import hausbau.core.massing.SiteSettings;
import hausbau.server.store.Aggregate;
import hausbau.server.store.Stores;
import hausbau.server.store.site.SiteRow;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Copies a site: every aggregate by its rows, each row under an id of its own, whatever refers to it with it. */
@Component
class SiteCopying {

    /** Ids within words, such as the places of departures. */
    private static final Pattern NUMBERED = Pattern.compile(
            "(\"(?:piece|assembly|hand|use|repeat|COLOUR|NORMAL|ROUGHNESS|METALLIC|OCCLUSION|OPACITY)\":)(\\d+)");

    private static final Pattern NAMED =
            Pattern.compile("\\b(hand|room|opening|repeat|stairs|solid|use|twin)\\.(\\d+)");

    private final Stores stores;
    private final JdbcTemplate jdbc;

    SiteCopying(Stores stores, JdbcTemplate jdbc) {
        this.stores = stores;
        this.jdbc = jdbc;
    }

    /** @return the id of the copy */
    @Transactional
    long copy(long id, String name) {
        // Held, so that no edit falls between one table and the next.
        return copy(stores.sites().lockedSite(id), name, "");
    }

    /**
     * Copies a site whose rows stand in tables of the same columns, called as those of the aggregates with something before it.
     *
     * @return the id of the copy
     */
    @Transactional
    long copy(SiteRow from, String name, String prefix) {
        long id = from.getId();
        var copy = new SiteRow(stores.nextId(), name, from.settings());
        from.kit().ifPresent(copy::set);
        copy.nameGround(from.groundName());
        stores.sites().add(copy);
        jdbc.update(
                "update site set own_materials = (select own_materials from " + prefix
                        + "site where id = ?) where id = ?",
                id,
                copy.getId());
        jdbc.execute("drop table if exists new_id");
        jdbc.execute("create temporary table new_id (old bigint primary key, fresh bigint) on commit drop");
        for (var aggregate : Aggregate.values()) {
            if (aggregate != Aggregate.SITE && aggregate.hasIds()) {
                // One value of the sequence stands for a block of 100 ids; ids of a block stay together.
                jdbc.update(
                        "insert into new_id select id, base + row_number() over (partition by block order by id) - 1 from (select id, block, "
                                + "first_value(value) over (partition by block order by id) as base from (select id, (row_number() over (order by id) - 1) / 100 as block, "
                                + "case when (row_number() over (order by id) - 1) % 100 = 0 then nextval('hausbau_id') end as value from "
                                + prefix + aggregate.table()
                                + " where site_id = ?) numbered) based",
                        id);
            }
        }
        for (var aggregate : Aggregate.values()) {
            if (aggregate != Aggregate.SITE) {
                copyRows(aggregate, prefix, id, copy.getId());
            }
        }
        rename(copy.getId());
        renumber(copy.getId());
        renamePatterns(copy);
        return copy.getId();
    }

    /** The settings and the kit name patterns. */
    private void renamePatterns(SiteRow copy) {
        var fresh = fresh();
        var facing = copy.settings().facing();
        copy.set(copy.settings()
                .with(new SiteSettings.Facing(facing.bothSides(), fresh.getOrDefault(facing.outside(), 0L))));
        copy.kit().ifPresent(kit -> copy.set(kit.renamed(look -> fresh.getOrDefault(look, look))));
    }

    /** New ids by the old ones. */
    private Map<Long, Long> fresh() {
        var fresh = new HashMap<Long, Long>();
        jdbc.query("select old, fresh from new_id", row -> {
            fresh.put(row.getLong(1), row.getLong(2));
        });
        return fresh;
    }

    private void copyRows(Aggregate aggregate, String prefix, long from, long to) {
        var columns = jdbc.queryForList(
                "select column_name from information_schema.columns where table_schema = current_schema() and table_name = ? "
                        + "order by ordinal_position",
                String.class,
                aggregate.table());
        var values = columns.stream()
                .map(column -> column.equals("id")
                        ? fresh(column)
                        : column.equals("site_id")
                                ? String.valueOf(to)
                                : aggregate.references().contains(column)
                                        ? "coalesce(" + fresh(column) + ", 0)"
                                        : column.equals("tag_ids")
                                                ? "array(select fresh from new_id where old = any(t.tag_ids) order by fresh)"
                                                : "t." + column)
                .collect(Collectors.joining(", "));
        jdbc.update(
                "insert into " + aggregate.table() + " (" + String.join(", ", columns) + ") select " + values + " from "
                        + prefix + aggregate.table() + " t where t.site_id = ?",
                from);
    }

    private static String fresh(String column) {
        return "(select fresh from new_id where old = t." + column + ")";
    }

    /** What is repeated and what assemblies are made of names pieces within JSON, and finishes name pictures. */
    private void renumber(long copy) {
        var fresh = new HashMap<Long, Long>();
        for (var column : Map.of(
                        "repeat",
                        "bodies",
                        "assembly",
                        "parts",
                        "twin",
                        "hands",
                        "piece_trait",
                        "looks",
                        "colourway",
                        "words",
                        "shared_sheet",
                        "words")
                .entrySet()) {
            List<Map<String, Object>> json = jdbc.queryForList(
                    "select id, " + column.getValue() + " as json from " + column.getKey() + " where site_id = ?",
                    copy);
            if (!json.isEmpty() && fresh.isEmpty()) {
                fresh.putAll(fresh());
            }
            json.forEach(row -> jdbc.update(
                    "update " + column.getKey() + " set " + column.getValue() + " = ? where id = ?",
                    NUMBERED.matcher((String) row.get("json"))
                            .replaceAll(m -> m.group(1) + fresh.getOrDefault(Long.parseLong(m.group(2)), 0L)),
                    row.get("id")));
        }
    }

    /** What disorder left out stands nowhere, and comes back under an id of its own. */
    private long renamed(Map<Long, Long> fresh, long old, String table) {
        return table.equals("disorder")
                ? fresh.computeIfAbsent(old, o -> stores.nextId())
                : fresh.getOrDefault(old, 0L);
    }

    /** Places and findings name rooms, openings and placements within words. */
    private void rename(long copy) {
        var fresh = new HashMap<Long, Long>();
        for (var column : Map.of(
                        "departure",
                        "place",
                        "accepted",
                        "finding",
                        "disorder",
                        "place",
                        "selection",
                        "places",
                        "dress",
                        "places")
                .entrySet()) {
            List<Map<String, Object>> words = jdbc.queryForList(
                    "select id, " + column.getValue() + " as word from " + column.getKey() + " where site_id = ?",
                    copy);
            if (words.isEmpty()) {
                continue;
            }
            if (fresh.isEmpty()) {
                fresh.putAll(fresh());
            }
            words.forEach(row -> jdbc.update(
                    "update " + column.getKey() + " set " + column.getValue() + " = ? where id = ?",
                    NAMED.matcher((String) row.get("word"))
                            .replaceAll(m ->
                                    m.group(1) + "." + renamed(fresh, Long.parseLong(m.group(2)), column.getKey())),
                    row.get("id")));
        }
    }
}
