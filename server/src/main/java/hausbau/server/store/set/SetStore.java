package hausbau.server.store.set;

import hausbau.core.dress.Dress;
import hausbau.core.dress.Dresses;
import hausbau.core.dress.Traits;
import hausbau.core.kit.Kit;
import hausbau.core.measure.Lean;
import hausbau.core.place.HandPlacement;
import hausbau.core.place.Place;
import hausbau.core.standing.Assemblies;
import hausbau.core.standing.Twin;
import jakarta.persistence.EntityManager;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.hibernate.Session;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/**
 * What a hand decided about the set: placements, departures, accepted findings. Placements are written by plain JDBC, as
 * many at once as an edit has: a hundred thousand of them are no entities.
 */
@Repository
public class SetStore {

    private static final String COLUMNS =
            "id, piece_id, x_um, y_um, z_um, quarter_turns, mirrored, free_degrees, free, tilt, roll, scale";
    private static final String VALUES =
            "unnest(?::bigint[], ?::bigint[], ?::bigint[], ?::bigint[], ?::bigint[], ?::smallint[], ?::boolean[], ?::float8[], ?::boolean[], ?::float8[], ?::float8[], ?::float8[])";
    private static final String INSERT = "insert into placement (site_id, " + COLUMNS + ") select ?, * from " + VALUES;
    private static final String UPDATE =
            "update placement p set piece_id = v.piece_id, x_um = v.x_um, y_um = v.y_um, z_um = v.z_um, quarter_turns = v.quarter_turns, "
                    + "mirrored = v.mirrored, free_degrees = v.free_degrees, free = v.free, tilt = v.tilt, roll = v.roll, scale = v.scale from "
                    + VALUES + " as v(" + COLUMNS + ") where p.site_id = ? and p.id = v.id";
    private static final String DELETE = "delete from placement where site_id = ? and id = any(?::bigint[])";

    private final EntityManager rows;
    private final JdbcTemplate jdbc;

    public SetStore(EntityManager rows, JdbcTemplate jdbc) {
        this.rows = rows;
        this.jdbc = jdbc;
    }

    public List<HandPlacement> placements(long siteId, Kit kit) {
        return read("", kit, siteId);
    }

    public List<HandPlacement> placements(long siteId, Kit kit, Collection<Long> ids) {
        return read(" and id = any(?)", kit, siteId, ids.toArray(Long[]::new));
    }

    private List<HandPlacement> read(String which, Kit kit, Object... arguments) {
        var placements = new ArrayList<HandPlacement>();
        jdbc.query(
                "select " + COLUMNS + " from placement where site_id = ?" + which + " order by id",
                row -> {
                    placements.add(new HandRow(
                                    row.getLong(2),
                                    row.getLong(3),
                                    row.getLong(4),
                                    row.getLong(5),
                                    row.getInt(6),
                                    row.getBoolean(7),
                                    row.getDouble(8),
                                    row.getBoolean(9),
                                    new Lean(row.getDouble(10), row.getDouble(11), row.getDouble(12)))
                            .toPlacement(row.getLong(1), kit));
                },
                arguments);
        return placements;
    }

    public void add(long siteId, Map<Long, HandRow> placements) {
        write(
                placements,
                INSERT,
                (statement, connection) -> {
                    statement.setLong(1, siteId);
                    return 2;
                },
                statement -> {});
    }

    public void change(long siteId, Map<Long, HandRow> placements) {
        write(placements, UPDATE, (statement, connection) -> 1, statement -> statement.setLong(13, siteId));
    }

    private interface Before {
        int set(PreparedStatement statement, Connection connection) throws SQLException;
    }

    private interface After {
        void set(PreparedStatement statement) throws SQLException;
    }

    private void write(Map<Long, HandRow> placements, String sql, Before before, After after) {
        if (placements.isEmpty()) {
            return;
        }
        rows.unwrap(Session.class).doWork(connection -> {
            try (var statement = connection.prepareStatement(sql)) {
                var at = before.set(statement, connection);
                statement.setArray(
                        at,
                        connection.createArrayOf("bigint", placements.keySet().toArray()));
                at = longs(
                        statement,
                        connection,
                        placements,
                        at,
                        HandRow::pieceId,
                        HandRow::xUm,
                        HandRow::yUm,
                        HandRow::zUm);
                array(statement, connection, placements, ++at, "smallint", HandRow::quarterTurns);
                array(statement, connection, placements, ++at, "boolean", HandRow::mirrored);
                array(statement, connection, placements, ++at, "float8", HandRow::freeDegrees);
                array(statement, connection, placements, ++at, "boolean", HandRow::free);
                array(statement, connection, placements, ++at, "float8", HandRow::tilt);
                array(statement, connection, placements, ++at, "float8", HandRow::roll);
                array(statement, connection, placements, ++at, "float8", HandRow::scale);
                after.set(statement);
                statement.executeUpdate();
            }
        });
    }

    @SafeVarargs
    private static int longs(
            PreparedStatement statement,
            Connection connection,
            Map<Long, HandRow> placements,
            int before,
            Function<HandRow, Long>... columns)
            throws SQLException {
        var at = before;
        for (var column : columns) {
            array(statement, connection, placements, ++at, "bigint", column);
        }
        return at;
    }

    private static void array(
            PreparedStatement statement,
            Connection connection,
            Map<Long, HandRow> placements,
            int at,
            String type,
            Function<HandRow, ?> column)
            throws SQLException {
        statement.setArray(
                at,
                connection.createArrayOf(
                        type, placements.values().stream().map(column).toArray()));
    }

    public void remove(long siteId, Collection<Long> ids) {
        if (!ids.isEmpty()) {
            jdbc.update(DELETE, siteId, ids.toArray(Long[]::new));
        }
    }

    public List<DepartureRow> departures(long siteId) {
        return rows.createQuery("from DepartureRow where siteId = :site order by id", DepartureRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    /** Those at these places. */
    public List<DepartureRow> departures(long siteId, Collection<String> places) {
        return rows.createQuery(
                        "from DepartureRow where siteId = :site and place in :places order by id", DepartureRow.class)
                .setParameter("site", siteId)
                .setParameter("places", places)
                .getResultList();
    }

    public List<RepeatRow> repeats(long siteId) {
        return rows.createQuery("from RepeatRow where siteId = :site order by id", RepeatRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public List<AssemblyRow> assemblyRows(long siteId) {
        return rows.createQuery("from AssemblyRow where siteId = :site order by id", AssemblyRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public List<UseRow> useRows(long siteId) {
        return rows.createQuery("from UseRow where siteId = :site order by id", UseRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public Assemblies assemblies(long siteId, Kit kit) {
        return new Assemblies(
                assemblyRows(siteId).stream().map(a -> a.toAssembly(kit)).toList(),
                useRows(siteId).stream().map(UseRow::toUse).toList());
    }

    public List<TwinRow> twinRows(long siteId) {
        return rows.createQuery("from TwinRow where siteId = :site order by id", TwinRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public List<Twin> twins(long siteId) {
        return twinRows(siteId).stream().map(TwinRow::toTwin).toList();
    }

    public List<TraitRow> traitRows(long siteId) {
        return rows.createQuery("from TraitRow where siteId = :site order by id", TraitRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public Traits traits(long siteId, Kit kit) {
        return new Traits(traitRows(siteId).stream()
                .collect(Collectors.toMap(
                        r -> kit.piece(r.pieceId()).orElseThrow().kind(), r -> r.toTrait(kit))));
    }

    public List<DressRow> dressRows(long siteId) {
        return rows.createQuery("from DressRow where siteId = :site order by id", DressRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public Dresses dresses(long siteId) {
        var pieces = new HashMap<Place, Dress>();
        var rooms = new HashMap<Long, Dress>();
        for (var row : dressRows(siteId)) {
            row.pieces().forEach(p -> pieces.put(p, row.dress()));
            row.rooms().forEach(r -> rooms.put(r, row.dress()));
        }
        return new Dresses(pieces, rooms);
    }

    public List<DisorderRow> disorder(long siteId) {
        return rows.createQuery("from DisorderRow where siteId = :site order by id", DisorderRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public List<SelectionRow> selections(long siteId) {
        return rows.createQuery("from SelectionRow where siteId = :site order by id", SelectionRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public List<AcceptedRow> accepted(long siteId) {
        return rows.createQuery("from AcceptedRow where siteId = :site order by id", AcceptedRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }
}
