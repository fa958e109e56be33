package hausbau.server.store.set;

import hausbau.core.dress.Dress;
import hausbau.core.place.Place;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** What is dressed alike by hand: placements, and rooms with all that is in them. */
@Entity
@Table(name = "dress")
public class DressRow implements Row {

    private static final Pattern ROOM = Pattern.compile("room\\.(\\d{1,18})");

    @Id
    Long id;

    long siteId;
    String tint;
    int wear;
    long colourway;
    int lamps;
    /** One a line: a placement's place, or a room's word. */
    String places;

    protected DressRow() {}

    public DressRow(long id, long siteId, Dress dress, Collection<String> of) {
        this.id = id;
        this.siteId = siteId;
        tint = dress.tint();
        wear = dress.wear();
        colourway = dress.colourway();
        lamps = dress.lamps();
        set(of);
    }

    public static String word(Place place) {
        return place.toString();
    }

    public static String word(long room) {
        return "room." + room;
    }

    public final void set(Collection<String> of) {
        places = String.join("\n", of);
    }

    @Override
    public Long getId() {
        return id;
    }

    public Dress dress() {
        return new Dress(tint, wear, colourway, lamps);
    }

    public List<String> words() {
        return Arrays.asList(places.split("\n"));
    }

    private static Optional<Long> room(String word) {
        var m = ROOM.matcher(word);
        return m.matches() ? Optional.of(Long.parseLong(m.group(1))) : Optional.empty();
    }

    public List<Long> rooms() {
        return words().stream().flatMap(w -> room(w).stream()).toList();
    }

    public List<Place> pieces() {
        return words().stream().filter(w -> room(w).isEmpty()).map(Place::parse).toList();
    }
}
