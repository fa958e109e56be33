package hausbau.server.store.set;

import hausbau.core.dress.Traits;
import hausbau.core.dress.Variety;
import hausbau.core.kit.Held;
import hausbau.core.kit.Kit;
import hausbau.server.store.Millimetres;
import hausbau.server.store.Row;
import hausbau.server.store.light.LampWords;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** How a piece is held, how it may look, and what shines in it. */
@Entity
@Table(name = "piece_trait")
public class TraitRow implements Row {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Id
    Long id;

    long siteId;
    long pieceId;

    @Enumerated(EnumType.STRING)
    Held held;
    /** As JSON. */
    String looks;

    long seed;
    /** As JSON; empty where it has those that it comes with. */
    String lamps;

    protected TraitRow() {}

    /** @param trait the piece and its looks are of this kit */
    public TraitRow(long id, long siteId, long pieceId, Traits.Trait trait, Kit kit) {
        this.id = id;
        this.siteId = siteId;
        this.pieceId = pieceId;
        set(trait, kit);
    }

    /** @param wear not told by what was kept before it was known */
    record LookWords(long piece, String tint, @Nullable Integer wear, int weight) {}

    public final void set(Traits.Trait trait, Kit kit) {
        held = trait.held();
        looks = JSON.writeValueAsString(trait.variety().looks().stream()
                .map(l -> new LookWords(kit.id(l.kind()).orElseThrow(), l.tint(), l.wear(), l.weight()))
                .toList());
        seed = trait.variety().seed();
        var usual = Traits.Trait.usual(kit.piece(pieceId).orElseThrow().kind()).lamps();
        lamps = trait.lamps().equals(usual) ? "" : Millimetres.JSON.writeValueAsString(LampWords.of(trait.lamps()));
    }

    public long pieceId() {
        return pieceId;
    }

    public Traits.Trait toTrait(Kit kit) {
        return new Traits.Trait(
                held,
                new Variety(
                        JSON.readValue(looks, new TypeReference<List<LookWords>>() {}).stream()
                                .map(l -> new Variety.Look(
                                        kit.piece(l.piece()).orElseThrow().kind(),
                                        l.tint(),
                                        l.wear() == null ? 0 : l.wear(),
                                        l.weight()))
                                .toList(),
                        seed),
                lamps.isEmpty()
                        ? Traits.Trait.usual(kit.piece(pieceId).orElseThrow().kind())
                                .lamps()
                        : Millimetres.JSON.readValue(lamps, LampWords.class).toLamps());
    }

    @Override
    public Long getId() {
        return id;
    }
}
