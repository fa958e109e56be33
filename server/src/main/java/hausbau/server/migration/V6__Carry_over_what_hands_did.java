package hausbau.server.migration;

import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Side;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import hausbau.core.measure.Vec;
import hausbau.core.place.Hands;
import hausbau.core.place.Place;
import hausbau.core.place.Standing;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.KitChoice;
import hausbau.core.standing.StandingSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Derived placements are stored no longer. Those that a hand changed become departures at their places, those that it took
 * away likewise; the journal's entries are written anew without what was derived, so that undo goes on working.
 */
@Component
public class V6__Carry_over_what_hands_did extends BaseJavaMigration {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Override
    public void migrate(Context context) {
        var jdbc = new JdbcTemplate(new SingleConnectionDataSource(context.getConnection(), true));
        for (var site : jdbc.queryForList("select id from site", Long.class)) {
            new Carrying(jdbc, site).run();
        }
        jdbc.execute("drop index placement_extent");
        jdbc.execute("drop table omission");
        jdbc.execute(
                "alter table placement drop column origin, drop column pinned, drop column stray, drop column source, "
                        + "drop column x_min, drop column y_min, drop column x_max, drop column y_max");
        jdbc.execute("create index placement_site on placement (site_id)");
        // What a kind is called follows from what it is; only stand-ins have names of their own.
        jdbc.execute("update piece set name = '' where recipe->>'made' <> 'stand-in'");
        jdbc.execute("alter table mark add column stamped boolean not null default false");
    }

    /** One site. */
    private static final class Carrying {

        private final JdbcTemplate jdbc;
        private final long site;
        private final Massing massing;
        private final Map<Long, Room> rooms = new HashMap<>();
        private final StandingSet set;

        Carrying(JdbcTemplate jdbc, long site) {
            this.jdbc = jdbc;
            this.site = site;
            var all = jdbc.query(
                    "select id, name, x_um, y_um, z_um, width_um, depth_um, height_um from room where site_id = ? order by id",
                    (r, n) -> new Room(
                            r.getLong(1),
                            r.getString(2),
                            new Vec(r.getLong(3), r.getLong(4), r.getLong(5)),
                            new Length(r.getLong(6)),
                            new Length(r.getLong(7)),
                            new Length(r.getLong(8))),
                    site);
            all.forEach(room -> rooms.put(room.id(), room));
            var openings = jdbc.query(
                    "select id, room_id, kind, side, at_um, width_um, height_um, sill_um from opening where site_id = ? order by id",
                    (r, n) -> new Opening(
                            r.getLong(1),
                            r.getLong(2),
                            Opening.Kind.valueOf(r.getString(3)),
                            Side.valueOf(r.getString(4)),
                            new Length(r.getLong(5)),
                            new Length(r.getLong(6)),
                            new Length(r.getLong(7)),
                            new Length(r.getLong(8))),
                    site);
            var settings = jdbc.queryForObject(
                    "select unit, step_um, wall_um, storey_um, pixels_per_metre, tiles_by_centre from site where id = ?",
                    (r, n) -> new SiteSettings(
                            Unit.valueOf(r.getString(1)),
                            new Length(r.getLong(2)),
                            new Length(r.getLong(3)),
                            new Length(r.getLong(4)),
                            r.getInt(5),
                            r.getBoolean(6),
                            false,
                            SiteSettings.USUAL.guardDrop(),
                            SiteSettings.USUAL.corners()),
                    site);
            massing = new Massing(settings, all, openings);
            var kit = kit();
            kit.ifPresent(k -> jdbc.update(
                    "update site set kit_tiles = ? where id = ?",
                    k.tiles().stream().map(Length::um).toArray(Long[]::new),
                    site));
            set = StandingSet.of(new Decisions(massing, kit, Hands.EMPTY, Map.of()));
        }

        private Optional<KitChoice> kit() {
            return jdbc
                    .query(
                            "select kit_kinds, kit_step_um, kit_min_um, kit_max_um from site where id = ? and cardinality(kit_kinds) > 0",
                            (r, n) -> {
                                var kinds = List.of((Long[]) r.getArray(1).getArray()).stream()
                                        .map(Length::new)
                                        .toList();
                                var least = new Length(r.getLong(3));
                                var greatest = new Length(r.getLong(4));
                                return new KitChoice(
                                        new Length(r.getLong(2)),
                                        kinds,
                                        KitChoice.tiles(massing, least, greatest),
                                        least,
                                        greatest);
                            },
                            site)
                    .stream()
                    .findFirst();
        }

        void run() {
            jdbc.query(
                    "select id, source, piece_id, x_um, y_um, z_um, quarter_turns, mirrored, free_degrees, free from placement where site_id = ? and pinned",
                    r -> {
                        depart(
                                r.getLong(1),
                                place(r.getString(2)),
                                r.getLong(3),
                                r.getLong(4),
                                r.getLong(5),
                                r.getLong(6),
                                r.getInt(7),
                                r.getBoolean(8),
                                r.getDouble(9),
                                r.getBoolean(10));
                    },
                    site);
            jdbc.query(
                    "select id, source from omission where site_id = ?",
                    r -> {
                        depart(r.getLong(1), place(r.getString(2)), 0, 0, 0, 0, 0, false, 0, false);
                    },
                    site);
            jdbc.update("delete from placement where site_id = ? and origin = 'MASSING'", site);
            jdbc.query(
                    "select seq, changes from journal where site_id = ?",
                    r -> {
                        jdbc.update(
                                "update journal set changes = ?, format = 2 where site_id = ? and seq = ?",
                                JSON.writeValueAsString(carried(JSON.readTree(r.getString(2)))),
                                site,
                                r.getLong(1));
                    },
                    site);
        }

        private void depart(
                long id,
                String place,
                long piece,
                long x,
                long y,
                long z,
                int turns,
                boolean mirrored,
                double degrees,
                boolean free) {
            jdbc.update(
                    "insert into departure values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
                    id,
                    site,
                    place,
                    piece,
                    x,
                    y,
                    z,
                    turns,
                    mirrored,
                    degrees,
                    free);
        }

        /**
         * The place that a source of the version before stood for, such as {@code room/7/north/4000000}: where nothing is
         * derived there any more, a place that is lost.
         */
        private String place(String source) {
            var part = source.split("/");
            var room = rooms.get(Long.parseLong(part[1]));
            if (room == null) {
                return "room." + part[1] + ".floor." + Math.abs(source.hashCode()) + ".0";
            }
            if (part[2].equals("post")) {
                return new Place.AtCorner(
                                room.id(),
                                Place.Corner.valueOf(
                                        part[3].toUpperCase(Locale.ROOT).replace('-', '_')))
                        .toString();
            }
            if (part[2].equals("floor") || part[2].equals("ceiling")) {
                return new Place.Tile(
                                room.id(),
                                Place.Layer.valueOf(part[2].toUpperCase(Locale.ROOT)),
                                Long.parseLong(part[3]),
                                Long.parseLong(part[4]))
                        .toString();
            }
            return inRun(room, Side.valueOf(part[2].toUpperCase(Locale.ROOT)), new Length(Long.parseLong(part[3])));
        }

        private String inRun(Room room, Side side, Length at) {
            var run = massing.walls(room, massing.settings().step()).runs().stream()
                    .filter(r -> r.side() == side)
                    .findFirst()
                    .orElseThrow();
            var panel = run.panels().stream().filter(p -> p.at().equals(at)).findFirst();
            if (panel.isPresent()) {
                return new Place.OfOpening(room.id(), panel.get().opening().id()).toString();
            }
            // The pieces of a span may stand in another order now: the place is that of the piece over the middle of
            // what stood.
            var inside = run.box(at.um() + 1, 0, 0, at.um() + 2, 1, 1);
            return set.near(inside).stream()
                    .filter(s -> s.place() instanceof Place.InRun p
                            && p.room() == room.id()
                            && p.edge() == side.ordinal()
                            && s.box().contains(inside))
                    .map(Standing::place)
                    .findFirst()
                    .orElse(new Place.InRun(room.id(), side, at.um(), 0))
                    .toString();
        }

        private ArrayNode carried(JsonNode changes) {
            var carried = JSON.createArrayNode();
            for (var change : changes) {
                var table = change.get("table").asString();
                var before = change.get("before");
                var after = change.get("after");
                switch (table) {
                    case "PIECE" -> {}
                    case "PLACEMENT" -> {
                        add(carried, "PLACEMENT", change, hand(before), hand(after));
                        add(carried, "DEPARTURE", change, pinned(before), pinned(after));
                    }
                    case "OMISSION" -> add(carried, "DEPARTURE", change, leftOut(before), leftOut(after));
                    case "ROOM" -> add(carried, table, change, anchored(before), anchored(after));
                    case "SITE" -> add(carried, table, change, withStep(before), withStep(after));
                    default -> add(carried, table, change, before, after);
                }
            }
            return carried;
        }

        private static void add(ArrayNode carried, String table, JsonNode change, JsonNode before, JsonNode after) {
            if (!before.equals(after)) {
                var node = carried.addObject()
                        .put("table", table)
                        .put("id", change.get("id").asLong());
                node.set("before", before);
                node.set("after", after);
            }
        }

        private static JsonNode nothing() {
            return JSON.getNodeFactory().nullNode();
        }

        private static JsonNode hand(JsonNode row) {
            return row.isNull() || !row.get("origin").asString().equals("HAND") ? nothing() : stance(row);
        }

        private static ObjectNode stance(JsonNode row) {
            var node = JSON.createObjectNode();
            for (var field :
                    List.of("pieceId", "xUm", "yUm", "zUm", "quarterTurns", "mirrored", "freeDegrees", "free")) {
                node.set(field, row.get(field));
            }
            return node;
        }

        private JsonNode pinned(JsonNode row) {
            return row.isNull() || !row.get("pinned").asBoolean() ? nothing() : departure(row, stance(row));
        }

        private JsonNode leftOut(JsonNode row) {
            return row.isNull() ? nothing() : departure(row, JSON.createObjectNode());
        }

        private ObjectNode departure(JsonNode row, ObjectNode stance) {
            return stance.put("id", row.get("id").asLong())
                    .put("siteId", site)
                    .put("place", place(row.get("source").asString()));
        }

        private static JsonNode anchored(JsonNode row) {
            return row.isNull()
                    ? row
                    : ((ObjectNode) row.deepCopy())
                            .put("xAnchorUm", row.get("xUm").asLong())
                            .put("yAnchorUm", row.get("yUm").asLong());
        }

        private static JsonNode withStep(JsonNode row) {
            return row.isNull()
                    ? row
                    : ((ObjectNode) row.deepCopy())
                            .put("kitStepUm", row.get("stepUm").asLong());
        }
    }
}
