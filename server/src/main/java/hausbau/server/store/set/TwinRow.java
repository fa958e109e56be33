package hausbau.server.store.set;

import hausbau.core.standing.Twin;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.List;
import java.util.function.ToLongFunction;
import java.util.stream.Stream;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** What follows its original across a plane. */
@Entity
@Table(name = "twin")
public class TwinRow implements Row {

    private static final JsonMapper JSON = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .build();

    @Id
    Long id;

    long siteId;
    String name;
    /** The originals, as JSON. */
    String hands;

    boolean eastWest;
    long atUm;
    /** 0 where it keeps to no room's middle. */
    long room;

    protected TwinRow() {}

    public TwinRow(long siteId, Twin twin) {
        this.id = twin.id();
        this.siteId = siteId;
        set(twin);
    }

    public final void set(Twin twin) {
        name = twin.name();
        hands = JSON.writeValueAsString(Stream.of(
                        twin.hands().stream().map(h -> new Original(h, 0, 0)),
                        twin.uses().stream().map(u -> new Original(0, u, 0)),
                        twin.repeats().stream().map(r -> new Original(0, 0, r)))
                .flatMap(s -> s)
                .toList());
        eastWest = twin.plane().eastWest();
        atUm = twin.plane().at();
        room = twin.room();
    }

    /** One of the three; the others are 0. */
    record Original(long hand, long use, long repeat) {}

    private static List<Long> ids(List<Original> all, ToLongFunction<Original> id) {
        return all.stream().map(id::applyAsLong).filter(i -> i != 0).toList();
    }

    @Override
    public Long getId() {
        return id;
    }

    public Twin toTwin() {
        var all = JSON.readValue(hands, new TypeReference<List<Original>>() {});
        return new Twin(
                id,
                name,
                ids(all, Original::hand),
                ids(all, Original::use),
                ids(all, Original::repeat),
                new Twin.Plane(eastWest, atUm),
                room);
    }
}
