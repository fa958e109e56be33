package hausbau.server.store.kit;

import hausbau.core.finish.SharedSheet;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Kit;
import hausbau.core.kit.Looks;
import hausbau.core.kit.Part;
import hausbau.core.kit.PieceDescription;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.PlainProps;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.kit.Sides;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import hausbau.core.shape.MaterialNames;
import hausbau.core.shape.Patch;
import hausbau.core.shape.Sheets;
import hausbau.core.shape.Shell;
import hausbau.core.shape.Swatch;
import hausbau.server.store.NotFound;
import hausbau.server.store.site.SiteStore;
import jakarta.persistence.EntityManager;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/**
 * The kinds of each site with their codes. A kind is entered once, when it is first needed, and never taken out, so that a
 * code is never given to another; what is in the kit is what stands, and what a person has at hand.
 */
@Repository
public class KitStore {

    private static final String INSERT =
            "insert into piece (id, site_id, code, name, role, pivot, recipe, look, back_dressed, back) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)";

    private final JdbcTemplate jdbc;
    private final EntityManager rows;
    private final SiteStore sites;
    private final ShellStore shells;

    public KitStore(JdbcTemplate jdbc, EntityManager rows, SiteStore sites, ShellStore shells) {
        this.jdbc = jdbc;
        this.rows = rows;
        this.sites = sites;
        this.shells = shells;
    }

    /** @param unit what names are written in */
    public Kit kit(long siteId, Unit unit) {
        var told = new LinkedHashMap<Long, PieceDescription>();
        var brought = shells.of(siteId);
        jdbc.query(
                "select id, code, name, role, pivot, recipe, model, told_pivot, look, back_dressed, back from piece where site_id = ? order by id",
                row -> {
                    var first = new Kind(
                            Role.valueOf(row.getString(4)),
                            RecipeJson.read(row.getString(6), brought),
                            Pivot.valueOf(row.getString(5)),
                            new Sides(row.getLong(9), row.getBoolean(10) ? row.getLong(11) : Sides.BARE));
                    told.put(
                            row.getLong(1),
                            new PieceDescription(
                                    row.getString(2),
                                    row.getString(3),
                                    first,
                                    Optional.of(row.getString(8))
                                            .filter(p -> !p.isEmpty())
                                            .map(Pivot::valueOf),
                                    row.getString(7).isEmpty()
                                            ? List.of()
                                            : RecipeJson.readParts(row.getString(7), brought)));
                },
                siteId);
        return Kit.of(told, looks(siteId), sheets(siteId), unit);
    }

    private Looks looks(long siteId) {
        var all = patterns(siteId);
        return new Looks(
                all.stream().filter(PatternRow::isUsed).findFirst().map(PatternRow::toPattern),
                all.stream().collect(Collectors.toMap(PatternRow::getId, PatternRow::toPattern)));
    }

    /** What pieces lie on. */
    private Sheets sheets(long siteId) {
        var sides = new TreeMap<Swatch, Integer>();
        var patches = new TreeMap<Swatch, Patch>();
        materials(siteId).forEach(row -> sides.put(row.swatch(), row.pixels()));
        sharedSheets(siteId).forEach(sheet -> {
            sides.put(sheet.material(), sheet.side());
            patches.putAll(sheet.patches());
        });
        return new Sheets(sides, patches);
    }

    public List<MaterialRow> materials(long siteId) {
        return rows.createQuery("from MaterialRow where siteId = :site order by place, id", MaterialRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    /** Enters the materials that a new site begins with. */
    public void enterUsualMaterials(long siteId) {
        Swatch.usual()
                .forEach(swatch -> rows.persist(new MaterialRow(
                        sites.nextId(), siteId, swatch, Swatch.usual().indexOf(swatch))));
    }

    /** The code of another material of a site's own; none is given twice. */
    public Swatch nextOwn(long siteId) {
        return Swatch.own(Objects.requireNonNull(jdbc.queryForObject(
                "update site set own_materials = own_materials + 1 where id = ? returning own_materials",
                Integer.class,
                siteId)));
    }

    public MaterialNames materialNames(long siteId) {
        return new MaterialNames(materials(siteId).stream()
                .filter(row -> !row.name().isEmpty())
                .collect(Collectors.toMap(MaterialRow::swatch, MaterialRow::name)));
    }

    public Optional<SharedSheetRow> sharedSheetRow(long siteId, Swatch material) {
        return rows.createQuery(
                        "from SharedSheetRow where siteId = :site and material = :material", SharedSheetRow.class)
                .setParameter("site", siteId)
                .setParameter("material", material.name())
                .getResultStream()
                .findFirst();
    }

    /** The sheets that several swatches share, in their order; the first of them is there, if empty, before anybody puts a swatch there. */
    public List<SharedSheet> sharedSheets(long siteId) {
        var standing = new TreeMap<Swatch, SharedSheet>();
        var first = SharedSheet.empty(Swatch.SHARED);
        standing.put(first.material(), first);
        rows.createQuery("from SharedSheetRow where siteId = :site", SharedSheetRow.class)
                .setParameter("site", siteId)
                .getResultStream()
                .map(SharedSheetRow::toSheet)
                .forEach(sheet -> standing.put(sheet.material(), sheet));
        return List.copyOf(standing.values());
    }

    /** The surfaces of a site that were made elsewhere. */
    public Shells shells(long siteId) {
        return shells.of(siteId);
    }

    public void keep(long siteId, Shell shell) {
        shells.keep(siteId, shell);
    }

    public List<PatternRow> patterns(long siteId) {
        return rows.createQuery("from PatternRow where siteId = :site order by id", PatternRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    public List<ColourwayRow> colourways(long siteId) {
        return rows.createQuery("from ColourwayRow where siteId = :site order by id", ColourwayRow.class)
                .setParameter("site", siteId)
                .getResultList();
    }

    /** Enters the kinds that have no code yet, each under the code it suggests or one like it. */
    public Kit name(long siteId, Kit kit, Collection<Kind> kinds, Length storey, Unit unit) {
        var unnamed = kit.unnamed(kinds).stream()
                .sorted((a, b) -> order(a).compareTo(order(b)))
                .toList();
        if (unnamed.isEmpty()) {
            return kit;
        }
        var patterns = unnamed.stream().allMatch(k -> k.sides().equals(Sides.PLAIN))
                ? Map.<Long, String>of()
                : patternNames(siteId);
        var codes = kit.codes(unnamed, storey, patterns);
        for (var i = 0; i < unnamed.size(); i++) {
            enter(siteId, codes.get(i), "", unnamed.get(i));
        }
        return kit(siteId, unit);
    }

    private Map<Long, String> patternNames(long siteId) {
        return patterns(siteId).stream().collect(Collectors.toMap(PatternRow::getId, PatternRow::name));
    }

    /** Kinds are entered in an order that does not hang on hashes: codes that clash are numbered alike everywhere. */
    private static String order(Kind kind) {
        return kind.toString();
    }

    private void enter(long siteId, String code, String name, Kind kind) {
        jdbc.update(
                INSERT,
                sites.nextId(),
                siteId,
                code,
                name,
                kind.role().name(),
                kind.pivot().name(),
                RecipeJson.write(kind.recipe()),
                kind.look(),
                kind.sides().isBackDressed(),
                Math.max(0, kind.sides().back()));
    }

    /** Enters a kind under a code and a name that a person gave; one that is known keeps its own. */
    public Kit name(long siteId, Kit kit, String code, String name, Kind kind, Unit unit) {
        if (kit.id(kind).isPresent()) {
            return kit;
        }
        enter(siteId, kit.codeFor(code), name, kind);
        return kit(siteId, unit);
    }

    /**
     * Enters a piece of a person's own under a code like the one wanted, and a name.
     *
     * @return its id
     */
    public long enterOwn(long siteId, Kit kit, String code, String name, Role role, Pivot pivot, List<Part> parts) {
        var id = sites.nextId();
        jdbc.update(
                INSERT,
                id,
                siteId,
                kit.codeFor(code),
                name,
                role.name(),
                pivot.name(),
                RecipeJson.write(new Recipe.Made(id, parts)),
                0,
                false,
                0);
        return id;
    }

    /** The props that a new site may begin with. */
    public void enterPlainProps(long siteId) {
        for (var prop : PlainProps.all()) {
            var id = enterOwn(siteId, Kit.EMPTY, prop.code(), prop.name(), Role.PROP, Pivot.BASE_CENTRE, prop.parts());
            row(siteId, id).keep(true);
        }
    }

    public PieceRow row(long siteId, long id) {
        var row = rows.find(PieceRow.class, id);
        if (row == null || row.siteId != siteId) {
            throw new NotFound("The site has no piece " + id + ".");
        }
        return row;
    }

    /** Those that stay at hand though nothing of them stands. */
    public List<Long> kept(long siteId) {
        return jdbc.queryForList("select id from piece where site_id = ? and kept", Long.class, siteId);
    }

    /** The ids of all pieces of a site. */
    public List<Long> ids(long siteId) {
        return jdbc.queryForList("select id from piece where site_id = ?", Long.class, siteId);
    }
}
