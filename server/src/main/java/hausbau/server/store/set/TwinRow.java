package hausbau.server.store.set;

import hausbau.core.build.Twin;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.List;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What follows its original across a plane. */
@Entity
@Table(name = "twin")
public class TwinRow implements Row {

    private static final JsonMapper JSON = JsonMapper.builder().build();

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

    protected TwinRow() {
    }

    public TwinRow(long siteId, Twin twin) {
        this.id = twin.id();
        this.siteId = siteId;
        name = twin.name();
        hands = JSON.writeValueAsString(twin.hands().stream().map(Original::new).toList());
        eastWest = twin.plane().eastWest();
        atUm = twin.plane().at();
        room = twin.room();
    }

    record Original(long hand) {
    }

    @Override
    public Long getId() {
        return id;
    }

    public Twin toTwin() {
        return new Twin(id, name, JSON.readValue(hands, new TypeReference<List<Original>>() { }).stream().map(Original::hand).toList(), new Twin.Plane(eastWest, atUm), room);
    }
}
