package hausbau.server.store.massing;

import hausbau.core.massing.Outline;
import hausbau.core.massing.Room;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.server.store.Row;
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
    /** Empty for a rectangle whose edges are numbered as sides. */
    String outline = "";

    long levelId;
    boolean sky;
    /** The pattern that its walls are under; 0 for the site's. */
    long look;
    /** Whether its walls are in one piece from floor to ceiling. */
    boolean whole;

    protected RoomRow() {}

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
        var shape = outline.isEmpty()
                ? Outline.rectangle(new Rect(xUm, yUm, xUm + widthUm, yUm + depthUm))
                : Outline.parse(outline);
        return new Room(
                id,
                name,
                levelId,
                shape,
                zUm,
                new Length(heightUm),
                sky,
                new Vec(xAnchorUm, yAnchorUm, 0),
                look,
                whole);
    }

    public final void set(Room room) {
        name = room.name();
        levelId = room.level();
        sky = room.sky();
        look = room.look();
        whole = room.whole();
        xUm = room.corner().x();
        yUm = room.corner().y();
        zUm = room.corner().z();
        widthUm = room.width().um();
        depthUm = room.depth().um();
        heightUm = room.height().um();
        xAnchorUm = room.anchor().x();
        yAnchorUm = room.anchor().y();
        var isPlain = room.outline().equals(Outline.rectangle(room.outline().extent()));
        outline = isPlain ? "" : room.outline().toString();
    }
}
