package hausbau.core.shape;

/** Finds which of many numbered things are alike, by hashing with open addressing; no object is made for any of them. */
public abstract class Alike {

    /** Numbers and 1; 0 is a free place. At least half of it is free. */
    private final int[] places;

    /** @param most how many are put in at most */
    protected Alike(int most) {
        places = new int[Integer.highestOneBit(Math.max(8, most)) * 4];
    }

    protected abstract long hash(int thing);

    protected abstract boolean same(int a, int b);

    /** @return the first thing that was put in and is like this one; itself where it is the first */
    public int first(int thing) {
        var h = hash(thing) * 0x9E3779B97F4A7C15L;
        var place = (int) (h >>> 32) & places.length - 1;
        while (places[place] != 0) {
            if (same(places[place] - 1, thing)) {
                return places[place] - 1;
            }
            place = place + 1 & places.length - 1;
        }
        places[place] = thing + 1;
        return thing;
    }
}
