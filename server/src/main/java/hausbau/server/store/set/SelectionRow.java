package hausbau.server.store.set;

import hausbau.core.place.Place;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;

/** A selection under a name: the places in it, whether anything stands there or not. */
@Entity
@Table(name = "selection")
public class SelectionRow implements Row {

    @Id
    Long id;

    long siteId;
    String name;
    /** One a line. */
    String places;

    protected SelectionRow() {}

    public SelectionRow(long siteId, Kept kept) {
        this.id = kept.id();
        this.siteId = siteId;
        set(kept.name(), kept.of());
    }

    /** What is selected under a name. */
    public record Kept(long id, String name, List<Place> of) {}

    public final void set(String newName, Collection<Place> newPlaces) {
        name = newName;
        places = newPlaces.stream().map(Place::toString).collect(Collectors.joining("\n"));
    }

    @Override
    public Long getId() {
        return id;
    }

    public String name() {
        return name;
    }

    public List<Place> places() {
        return Arrays.stream(places.split("\n")).map(Place::parse).toList();
    }
}
