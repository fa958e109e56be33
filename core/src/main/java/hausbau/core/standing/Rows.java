package hausbau.core.standing;

import hausbau.core.kit.Kind;
import hausbau.core.measure.Box;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Turn;
import hausbau.core.place.Place;
import hausbau.core.place.Standing;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** The columns of a chunk: written once from first row to last, then only read. */
public final class Rows {

    /** Rows of one chunk; what is larger is cut, so that a change sends little. */
    static final int MOST = 4096;

    private final List<Kind> palette = new ArrayList<>();
    private final Map<Kind, Integer> numbers = new HashMap<>();
    /** The box of each kind in each exact pose, eight a kind, six bounds each; filled when asked for. */
    private long[][] poses = new long[8][];

    private final long owner;
    private @Nullable Kind last;
    private int lastNumber;
    private int size;
    private short[] kind;
    private byte[] pose;
    private byte[] code;
    private long[] x;
    private long[] y;
    private long[] z;
    private long[] a;
    private long[] b;
    private long[] bounds;
    private long[] owners = {};
    private double[] degrees = {};
    /** Tilt, roll and scale, three a row. */
    private double[] leans = {};
    /** Whoever makes it makes the same. */
    private volatile int @Nullable [] slots;

    /** @param owner the room that the places belong to; 0 for what belongs to none */
    Rows(long owner, int expected) {
        this.owner = owner;
        allocate(Math.min(MOST, Math.max(16, expected)));
    }

    private void allocate(int capacity) {
        kind = Arrays.copyOf(kind == null ? new short[0] : kind, capacity);
        pose = Arrays.copyOf(pose == null ? new byte[0] : pose, capacity);
        code = Arrays.copyOf(code == null ? new byte[0] : code, capacity);
        x = grown(x, capacity);
        y = grown(y, capacity);
        z = grown(z, capacity);
        a = grown(a, capacity);
        b = grown(b, capacity);
        bounds = grown(bounds, 6 * capacity);
    }

    private static long[] grown(long[] column, int capacity) {
        return column == null ? new long[capacity] : Arrays.copyOf(column, capacity);
    }

    boolean isFull() {
        return size == MOST;
    }

    /** The number of a kind in these rows; mostly that which was asked for last. */
    int number(Kind of) {
        if (of == last) {
            return lastNumber;
        }
        lastNumber = numbered(of);
        last = of;
        return lastNumber;
    }

    private int numbered(Kind of) {
        var number = numbers.get(of);
        if (number == null) {
            number = palette.size();
            numbers.put(of, number);
            palette.add(of);
            if (poses.length < 8 * palette.size()) {
                poses = Arrays.copyOf(poses, 2 * poses.length);
            }
        }
        return number;
    }

    /** Adds what stands exactly. */
    void add(int kindNumber, long atX, long atY, long atZ, int atPose, byte placeCode, long placeA, long placeB) {
        if (size == kind.length) {
            allocate(Math.min(MOST, 2 * size));
        }
        var i = size++;
        kind[i] = (short) kindNumber;
        pose[i] = (byte) atPose;
        code[i] = placeCode;
        x[i] = atX;
        y[i] = atY;
        z[i] = atZ;
        a[i] = placeA;
        b[i] = placeB;
        var own = poseBox(kindNumber, atPose & 7);
        var at = 6 * i;
        bounds[at] = own[0] + atX;
        bounds[at + 1] = own[1] + atY;
        bounds[at + 2] = own[2] + atZ;
        bounds[at + 3] = own[3] + atX;
        bounds[at + 4] = own[4] + atY;
        bounds[at + 5] = own[5] + atZ;
    }

    private long[] poseBox(int kindNumber, int exactPose) {
        var slot = 8 * kindNumber + exactPose;
        if (poses[slot] == null) {
            var whole = palette.get(kindNumber).box();
            // Mirrored within its own extent, a piece takes the same extent.
            var box = new Turn(exactPose & 3).apply(whole);
            poses[slot] = new long[] {
                box.min().x(),
                box.min().y(),
                box.min().z(),
                box.max().x(),
                box.max().y(),
                box.max().z()
            };
        }
        return poses[slot];
    }

    /** Adds anything. */
    void add(Standing s) {
        var stance = s.stance();
        var flags = stance.turn().quarters()
                | (stance.mirrored() ? Chunk.MIRRORED : 0)
                | (s.free() ? Chunk.FREE : 0)
                | (s.departed() ? Chunk.DEPARTED : 0)
                | (s.lost() ? Chunk.LOST : 0);
        var key = PlaceKey.of(s.place());
        add(number(s.kind()), stance.at().x(), stance.at().y(), stance.at().z(), flags, key.code(), key.a(), key.b());
        if (key.owner() != owner) {
            owners = owners.length < kind.length ? Arrays.copyOf(owners, kind.length) : owners;
            owners[size - 1] = key.owner();
        }
        if (!stance.isExact()) {
            put(stance.box(s.kind()), size - 1);
        }
        if (stance.freeDegrees() != 0) {
            degrees = degrees.length < kind.length ? Arrays.copyOf(degrees, kind.length) : degrees;
            degrees[size - 1] = stance.freeDegrees();
        }
        if (!stance.lean().upright()) {
            leans = leans.length < 3 * kind.length ? Arrays.copyOf(leans, 3 * kind.length) : leans;
            leans[3 * size - 3] = stance.lean().tilt();
            leans[3 * size - 2] = stance.lean().roll();
            leans[3 * size - 1] = stance.lean().scale();
        }
    }

    private void put(Box box, int row) {
        var at = 6 * row;
        bounds[at] = box.min().x();
        bounds[at + 1] = box.min().y();
        bounds[at + 2] = box.min().z();
        bounds[at + 3] = box.max().x();
        bounds[at + 4] = box.max().y();
        bounds[at + 5] = box.max().z();
    }

    /** The row of a place, or −1. The table for it is made when first asked for, at 8 to 16 bytes a row. */
    int find(Place place) {
        var key = PlaceKey.of(place);
        var table = slots();
        var last = table.length - 1;
        for (var at = PlaceKey.hash(key.code(), key.owner(), key.a(), key.b()) & last; ; at = at + 1 & last) {
            var row = table[at] - 1;
            if (row < 0) {
                return -1;
            }
            if (a[row] == key.a() && b[row] == key.b() && code[row] == key.code() && owner(row) == key.owner()) {
                return row;
            }
        }
    }

    /** Rows by the hashes of their places, one more than each; 0 where there is none. At most half of it is taken. */
    private int[] slots() {
        var known = slots;
        if (known != null) {
            return known;
        }
        var table = new int[Math.max(4, Integer.highestOneBit(2 * size) * 2)];
        var last = table.length - 1;
        for (var row = 0; row < size; row++) {
            var at = PlaceKey.hash(code[row], owner(row), a[row], b[row]) & last;
            while (table[at] != 0) {
                at = at + 1 & last;
            }
            table[at] = row + 1;
        }
        slots = table;
        return table;
    }

    /** Nothing is added after this. */
    List<Kind> palette() {
        if (kind.length > size) {
            allocate(size);
        }
        poses = new long[0][];
        return List.copyOf(palette);
    }

    /** Given away to the index, which keeps its own. */
    long[] bounds() {
        var given = bounds;
        bounds = new long[0];
        return given;
    }

    Digest digest() {
        var maker = new Digest.Maker();
        maker.add(owner);
        palette.forEach(k -> maker.add(
                k.toString().hashCode() * 0x1_0000_0001L + k.toString().length()));
        for (var i = 0; i < size; i++) {
            maker.add(x[i]);
            maker.add(y[i]);
            maker.add(z[i]);
            maker.add(a[i]);
            maker.add(b[i]);
            maker.add((long) kind[i] << 16 | pose[i] << 8 | code[i]);
        }
        for (var o : owners) {
            maker.add(o);
        }
        for (var d : degrees) {
            maker.add(Double.doubleToLongBits(d));
        }
        for (var l : leans) {
            maker.add(Double.doubleToLongBits(l));
        }
        return maker.make();
    }

    public int size() {
        return size;
    }

    public int kind(int row) {
        return kind[row];
    }

    public int pose(int row) {
        return pose[row];
    }

    public byte code(int row) {
        return code[row];
    }

    public long x(int row) {
        return x[row];
    }

    public long y(int row) {
        return y[row];
    }

    public long z(int row) {
        return z[row];
    }

    public long a(int row) {
        return a[row];
    }

    public long b(int row) {
        return b[row];
    }

    public long owner(int row) {
        return hasOwners() && row < owners.length && owners[row] != 0 ? owners[row] : owner;
    }

    public boolean hasOwners() {
        return owners.length > 0;
    }

    public double degrees(int row) {
        return row < degrees.length ? degrees[row] : 0;
    }

    public boolean hasDegrees() {
        return degrees.length > 0;
    }

    public Lean lean(int row) {
        // Scale is never 0 where one is written.
        var at = 3 * row;
        return at < leans.length && leans[at + 2] != 0 ? new Lean(leans[at], leans[at + 1], leans[at + 2]) : Lean.NONE;
    }

    public boolean hasLeans() {
        return leans.length > 0;
    }

    /** Refuses a set that is larger than is planned for. */
    static void checkCount(long count, String field, String words) {
        if (count > StandingSet.MOST) {
            throw new Refused(
                    field,
                    words + " would take the set over " + StandingSet.MOST
                            + " placements. Allow longer pieces or make the rooms smaller.");
        }
    }
}
