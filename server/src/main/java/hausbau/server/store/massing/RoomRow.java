package hausbau.server.store.massing;

import hausbau.server.store.Row;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "room")
public class RoomRow implements Row {

    @Id
    Long id;
    long siteId;
    String name;
    long xUm;
    long yUm;
    long zUm;
    long widthUm;
    long depthUm;
    long heightUm;
    long xAnchorUm;
    long yAnchorUm;

    protected RoomRow() {
    }

    public RoomRow(long siteId, Room room) {
        this.id = room.id();
        this.siteId = siteId;
        set(room);
    }

    @Override
    public Long getId() {
        return id;
    }

    public Room toRoom() {
        return new Room(id, name, new Vec(xUm, yUm, zUm), new Length(widthUm), new Length(depthUm), new Length(heightUm),
                new Vec(xAnchorUm, yAnchorUm, 0));
    }

    public final void set(Room room) {
        name = room.name();
        xUm = room.corner().x();
        yUm = room.corner().y();
        zUm = room.corner().z();
        widthUm = room.width().um();
        depthUm = room.depth().um();
        heightUm = room.height().um();
        xAnchorUm = room.anchor().x();
        yAnchorUm = room.anchor().y();
    }
}
