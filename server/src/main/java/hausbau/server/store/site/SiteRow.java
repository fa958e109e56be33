package hausbau.server.store.site;

import com.fasterxml.jackson.annotation.JsonIgnore;
import hausbau.core.kit.Sides;
import hausbau.core.massing.Corners;
import hausbau.core.massing.SiteSettings;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import hausbau.core.standing.KitChoice;
import hausbau.core.standing.KitRules;
import hausbau.core.standing.Tiers;
import hausbau.server.store.Row;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.LongStream;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "site")
public class SiteRow implements Row {

    @Id
    Long id;

    String name;

    @Enumerated(EnumType.STRING)
    Unit unit;

    long stepUm;
    long wallUm;
    long storeyUm;
    int pixelsPerMetre;
    boolean tilesByCentre;
    boolean tilesTurned;
    boolean tilesMirrored;
    boolean skins;
    long guardDropUm;

    @Enumerated(EnumType.STRING)
    Corners.Kind corners = Corners.Kind.POST;

    long cornerLegUm;
    boolean bothSides;
    long outsideLook;
    String groundName = "Ground";
    /** Wall lengths, falling; empty until a kit is chosen. */
    long[] kitKinds = {};

    long[] kitTiles = {};
    /** Heights at which walls are cut. */
    long[] kitJoints = {};
    /** Of each tier its height, its thickness, how many lengths it has, and those. */
    long[] kitTiers = {};
    /** Of each tier the patterns on both sides; empty in entries of the journal from before there were any. */
    long[] kitSides = {};

    long kitStepUm;
    long kitMinUm;
    long kitMaxUm;
    /** All rules in a word; empty or limits alone where everything else is usual. */
    String kitRules = "";
    /** Raised by every edit, undo and redo; like those below not part of what an edit changes, and written by the store. */
    @JsonIgnore
    @Column(updatable = false)
    long revision;
    /** The last entry of the journal, undone or not. */
    @JsonIgnore
    @Column(updatable = false)
    long journalTop;
    /** Pieces that stand; absent until it is worked out. */
    @JsonIgnore
    @Column(updatable = false)
    @Nullable
    Long standing;

    @JsonIgnore
    @Column(updatable = false)
    Instant changedAt;

    protected SiteRow() {}

    public SiteRow(long id, String name, SiteSettings settings) {
        this.id = id;
        this.name = name;
        this.changedAt = Instant.now();
        set(settings);
    }

    @Override
    public Long getId() {
        return id;
    }

    public String name() {
        return name;
    }

    public void rename(String newName) {
        name = newName;
    }

    /** What the ground level is called. */
    public String groundName() {
        return groundName;
    }

    public void nameGround(String newName) {
        groundName = newName;
    }

    public SiteSettings settings() {
        return new SiteSettings(
                unit,
                new Length(stepUm),
                new Length(wallUm),
                new Length(storeyUm),
                pixelsPerMetre,
                new SiteSettings.Tiles(tilesByCentre, tilesTurned, tilesMirrored),
                skins,
                new Length(guardDropUm),
                new Corners(corners, new Length(cornerLegUm)),
                new SiteSettings.Facing(bothSides, outsideLook));
    }

    public final void set(SiteSettings settings) {
        unit = settings.unit();
        stepUm = settings.step().um();
        wallUm = settings.wall().um();
        storeyUm = settings.storey().um();
        pixelsPerMetre = settings.pixelsPerMetre();
        tilesByCentre = settings.tiles().byCentre();
        tilesTurned = settings.tiles().turned();
        tilesMirrored = settings.tiles().mirrored();
        skins = settings.skins();
        guardDropUm = settings.guardDrop().um();
        corners = settings.corners().kind();
        cornerLegUm = settings.corners().leg().um();
        bothSides = settings.facing().bothSides();
        outsideLook = settings.facing().outside();
    }

    public Optional<KitChoice> kit() {
        return kitKinds.length == 0
                ? Optional.empty()
                : Optional.of(
                        new KitChoice(new Length(kitStepUm), lengths(kitKinds), lengths(kitTiles), rules(), tiers()));
    }

    /** Entries of the journal from before there were rules tell limits alone. */
    private KitRules rules() {
        var limits = KitRules.between(new Length(kitMinUm), new Length(kitMaxUm));
        return kitRules.startsWith(limits.word() + "-") ? KitRules.parse(kitRules) : limits;
    }

    private Tiers tiers() {
        var lengths = new HashMap<Tiers.Size, List<Length>>();
        var tier = 0;
        for (var i = 0; i < kitTiers.length; i += 3 + (int) kitTiers[i + 2]) {
            var sides = kitSides.length == 0 ? Sides.PLAIN : new Sides(kitSides[2 * tier], kitSides[2 * tier + 1]);
            lengths.put(
                    new Tiers.Size(new Length(kitTiers[i]), new Length(kitTiers[i + 1]), sides),
                    lengths(Arrays.copyOfRange(kitTiers, i + 3, i + 3 + (int) kitTiers[i + 2])));
            tier++;
        }
        return new Tiers(Arrays.stream(kitJoints).boxed().toList(), lengths);
    }

    private static List<Length> lengths(long[] um) {
        return Arrays.stream(um).mapToObj(Length::new).toList();
    }

    public void set(KitChoice kit) {
        kitKinds = kit.kinds().stream().mapToLong(Length::um).toArray();
        kitTiles = kit.tiles().stream().mapToLong(Length::um).toArray();
        kitStepUm = kit.step().um();
        kitMinUm = kit.minPiece().um();
        kitMaxUm = kit.maxPiece().um();
        kitRules = kit.rules().word();
        kitJoints = kit.tiers().joints().stream().mapToLong(Long::longValue).toArray();
        var tiers = kit.tiers().lengths().entrySet().stream()
                .sorted(Map.Entry.comparingByKey(Tiers.Size.ORDER))
                .toList();
        kitSides = tiers.stream()
                .map(e -> e.getKey().sides())
                .flatMapToLong(sides -> LongStream.of(sides.front(), sides.back()))
                .toArray();
        kitTiers = tiers.stream()
                .flatMapToLong(e -> LongStream.concat(
                        LongStream.of(
                                e.getKey().height().um(),
                                e.getKey().depth().um(),
                                e.getValue().size()),
                        e.getValue().stream().mapToLong(Length::um)))
                .toArray();
    }

    public long revision() {
        return revision;
    }

    public Instant changedAt() {
        return changedAt;
    }

    /** How many pieces stand, if that has been worked out. */
    public OptionalLong standing() {
        return standing == null ? OptionalLong.empty() : OptionalLong.of(standing);
    }

    public long journalTop() {
        return journalTop;
    }

    /** @param newJournalTop the last entry of the journal from now on, @param nowStanding pieces */
    public void advance(long newJournalTop, long nowStanding) {
        revision++;
        journalTop = newJournalTop;
        standing = nowStanding;
        changedAt = Instant.now();
    }
}
