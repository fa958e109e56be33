package hausbau.server.store.massing;

import hausbau.core.massing.Moulding;
import hausbau.core.measure.Length;
import hausbau.server.store.Millimetres;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.List;

@Entity
@Table(name = "moulding")
public class MouldingRow implements Row {

    private static final int VERSION = 1;

    @Id
    Long id;

    long siteId;
    /** The rule of the whole building that a room has it in place of; 0 for such a rule. */
    long ruleId;

    long roomId;
    String name;
    /** Where it stands in lists. */
    int place;

    String words;

    /** What of it is in one column. */
    private record Words(int version, boolean on, MouldingWords made, List<Length> lengthsMm) {}

    protected MouldingRow() {}

    public MouldingRow(long siteId, Moulding moulding, int place) {
        this.id = moulding.id();
        this.siteId = siteId;
        set(moulding, place);
    }

    @Override
    public Long getId() {
        return id;
    }

    /** @throws IllegalArgumentException if it is of a version that is not known */
    public Moulding toMoulding() {
        var of = Millimetres.JSON.readValue(words, Words.class);
        if (of.version() != VERSION) {
            throw new IllegalArgumentException("a moulding of version " + of.version() + " cannot be read");
        }
        return new Moulding(
                id,
                name,
                new Moulding.Instead(ruleId, roomId),
                of.on(),
                of.made().toMake(),
                of.made().toLine(),
                of.lengthsMm());
    }

    public final void set(Moulding moulding, int newPlace) {
        ruleId = moulding.instead().moulding();
        roomId = moulding.instead().room();
        name = moulding.name();
        place = newPlace;
        words = Millimetres.JSON.writeValueAsString(
                new Words(VERSION, moulding.on(), MouldingWords.of(moulding), moulding.lengths()));
    }
}
