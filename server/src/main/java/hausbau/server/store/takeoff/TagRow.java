package hausbau.server.store.takeoff;

import hausbau.core.kit.Role;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A kind of thing that is marked on pictures. */
@Entity
@Table(name = "tag")
public class TagRow implements Row {

    @Id
    Long id;

    long siteId;
    String letter;
    String name;

    @Enumerated(EnumType.STRING)
    Role role;

    int estimated;
    long listedId;

    protected TagRow() {}

    public TagRow(long id, long siteId, String letter, String name, Role role) {
        this.id = id;
        this.siteId = siteId;
        set(letter, name, role, 0);
    }

    public final void set(String newLetter, String newName, Role newRole, int newEstimated) {
        letter = newLetter;
        name = newName;
        role = newRole;
        estimated = newEstimated;
    }

    public String letter() {
        return letter;
    }

    public String name() {
        return name;
    }

    public Role role() {
        return role;
    }

    /** How many there are in all, as a person reckons; 0 where none has said. */
    public int estimated() {
        return estimated;
    }

    /** The piece on the list that it became; 0 for none. */
    public long listedId() {
        return listedId;
    }

    public void setListed(long newListed) {
        listedId = newListed;
    }

    @Override
    public Long getId() {
        return id;
    }
}
