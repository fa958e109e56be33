package hausbau.server.store.set;

import hausbau.core.place.Place;
import hausbau.core.place.Stance;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Where something stood before it was brought into disorder. */
@Entity
@Table(name = "disorder")
public class DisorderRow implements Row {

    @Id
    Long id;

    long siteId;
    /** The id of the first row of those that were disturbed together. */
    long heap;

    String place;
    long pieceId;
    /** The stance before, as JSON. */
    String stood;
    /** The stance that disorder gave it, as JSON; none where it was left out. */
    @Nullable
    String stands;

    boolean free;
    /** Derived, and not changed by a hand before. */
    boolean asDerived;

    protected DisorderRow() {}

    /** How something stood in order. */
    public record First(
            long id, long heap, Place place, long pieceId, Stance stance, boolean free, boolean asDerived) {}

    public DisorderRow(long siteId, First first) {
        this.id = first.id();
        this.siteId = siteId;
        this.heap = first.heap();
        this.place = first.place().toString();
        this.pieceId = first.pieceId();
        this.stood = StanceWords.write(first.stance());
        this.free = first.free();
        this.asDerived = first.asDerived();
    }

    public final void stand(Optional<Stance> stance) {
        stands = stance.map(StanceWords::write).orElse(null);
    }

    @Override
    public Long getId() {
        return id;
    }

    public long heap() {
        return heap;
    }

    public Place place() {
        return Place.parse(place);
    }

    public long pieceId() {
        return pieceId;
    }

    public Stance stood() {
        return StanceWords.read(stood);
    }

    public Optional<Stance> stands() {
        return Optional.ofNullable(stands).map(StanceWords::read);
    }

    public boolean free() {
        return free;
    }

    public boolean asDerived() {
        return asDerived;
    }
}
