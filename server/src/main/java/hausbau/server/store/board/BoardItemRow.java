package hausbau.server.store.board;

import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.List;

/** A picture, a note or a frame on the board. */
@Entity
@Table(name = "board_item")
public class BoardItemRow implements Row {

    @Id
    Long id;

    long siteId;

    @Enumerated(EnumType.STRING)
    Kind kind;

    long mediaId;
    String name;
    String text;
    double x;
    double y;
    double width;
    double height;
    double turn;
    boolean flipped;
    double[] crop;
    boolean locked;
    boolean grey;
    long rank;
    long groupId;

    protected BoardItemRow() {}

    public enum Kind {
        PICTURE,
        NOTE,
        FRAME
    }

    /**
     * Where and how an item lies.
     *
     * @param x       its middle, @param y its middle; in units of the sheet, down
     * @param turn    degrees clockwise
     * @param crop    the part of the picture that is shown: left, top, right, bottom, from 0 to 1
     */
    public record Lie(
            double x, double y, double width, double height, double turn, boolean flipped, List<Double> crop) {}

    public BoardItemRow(long id, long siteId, Kind kind, long mediaId, String name, String text, Lie lie) {
        this.id = id;
        this.siteId = siteId;
        this.kind = kind;
        this.mediaId = mediaId;
        this.name = name;
        this.text = text;
        this.rank = id;
        set(lie);
    }

    public final void set(Lie lie) {
        x = lie.x();
        y = lie.y();
        width = lie.width();
        height = lie.height();
        turn = lie.turn();
        flipped = lie.flipped();
        crop = lie.crop().stream().mapToDouble(Double::doubleValue).toArray();
    }

    public Lie lie() {
        return new Lie(
                x, y, width, height, turn, flipped, Arrays.stream(crop).boxed().toList());
    }

    public Kind kind() {
        return kind;
    }

    /** 0 for what is no picture. */
    public long mediaId() {
        return mediaId;
    }

    public String name() {
        return name;
    }

    public String text() {
        return text;
    }

    public void word(String newName, String newText) {
        name = newName;
        text = newText;
    }

    public boolean locked() {
        return locked;
    }

    public boolean grey() {
        return grey;
    }

    public void mark(boolean isLocked, boolean isGrey) {
        locked = isLocked;
        grey = isGrey;
    }

    /** What has a higher rank lies over what has a lower one. */
    public long rank() {
        return rank;
    }

    public void setRank(long newRank) {
        rank = newRank;
    }

    /** Items of one group are moved together; 0 for none. */
    public long groupId() {
        return groupId;
    }

    public void setGroup(long newGroup) {
        groupId = newGroup;
    }

    @Override
    public Long getId() {
        return id;
    }
}
