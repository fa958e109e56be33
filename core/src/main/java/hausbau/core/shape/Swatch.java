package hausbau.core.shape;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What a surface is made of, by its code. Eight are known from the start ({@code PLASTER}); a site has any number of its own
 * ({@code OWN7}), any number of sheets that several share ({@code SHARED}, {@code SHARED_B}), and any number of places on these
 * ({@code SHARED_B12}). Which of them a site has, and what it calls them, is the site's to say. There is one object of each
 * code, so they are told apart by identity; a few ten thousand are the most there can be.
 *
 * <p>The colours are neutral stand-ins in linear light, 0 to 1, until a sheet gives them a texture.
 */
public final class Swatch implements Comparable<Swatch> {

    private static final int MOST_OWN = 9_999;
    private static final int MOST_SHEETS = 99;
    private static final int MOST_PLACES = 256;
    private static final String OWN = "OWN";
    private static final String SHEET = "SHARED";
    private static final Pattern OWN_CODE = Pattern.compile(OWN + "([1-9]\\d{0,3})");
    private static final Pattern SHEET_CODE = Pattern.compile(SHEET + "(?:_([A-Z]{1,2}))?([1-9]\\d{0,2})?");
    private static final int LETTERS = 26;
    private static final Map<String, Swatch> ALL = new ConcurrentHashMap<>();
    private static final Comparator<Swatch> ORDER = Comparator.<Swatch>comparingInt(s -> s.group)
            .thenComparingInt(s -> s.sheetNumber)
            .thenComparingInt(s -> s.number);

    public static final Swatch PLASTER = known(0, "PLASTER", 0.78, 0.76, 0.70, 0.0, 0.9);
    public static final Swatch STONE = known(1, "STONE", 0.52, 0.50, 0.46, 0.0, 0.8);
    public static final Swatch TIMBER = known(2, "TIMBER", 0.30, 0.19, 0.10, 0.0, 0.7);
    public static final Swatch METAL = known(3, "METAL", 0.35, 0.37, 0.38, 0.9, 0.45);
    public static final Swatch OPAL = known(4, "OPAL", 0.90, 0.87, 0.78, 0.0, 0.3);
    public static final Swatch TILE = known(5, "TILE", 0.62, 0.70, 0.66, 0.0, 0.25);
    public static final Swatch TERRAZZO = known(6, "TERRAZZO", 0.58, 0.55, 0.50, 0.0, 0.4);
    public static final Swatch PAINT = known(7, "PAINT", 0.20, 0.33, 0.30, 0.0, 0.55);
    /** What a site begins with. */
    private static final List<Swatch> USUAL = List.of(PLASTER, STONE, TIMBER, METAL, OPAL, TILE, TERRAZZO, PAINT);

    public static final Swatch SHARED = sheet(1);
    public static final Swatch SHARED_B = sheet(2);

    private final String code;
    /** What comes first: the known, a site's own, shared sheets, places on them. */
    private final int group;

    private final int sheetNumber;
    private final int number;
    private final double red;
    private final double green;
    private final double blue;
    private final double metallic;
    private final double roughness;
    /** The shared sheet that it is a place on. */
    private final @Nullable Swatch sheet;

    private Swatch(String code, int group, int sheetNumber, int number, double[] looks, @Nullable Swatch sheet) {
        this.code = code;
        this.group = group;
        this.sheetNumber = sheetNumber;
        this.number = number;
        this.red = looks[0];
        this.green = looks[1];
        this.blue = looks[2];
        this.metallic = looks[3];
        this.roughness = looks[4];
        this.sheet = sheet;
    }

    private static Swatch known(int number, String code, double... looks) {
        return ALL.computeIfAbsent(code, c -> new Swatch(c, 0, 0, number, looks, null));
    }

    private static double[] neutral() {
        return new double[] {0.68, 0.65, 0.58, 0.0, 0.8};
    }

    /** A site's own. @param number from 1 */
    public static Swatch own(int number) {
        require(number, MOST_OWN, "materials of its own");
        return ALL.computeIfAbsent(OWN + number, c -> new Swatch(c, 1, 0, number, neutral(), null));
    }

    /** A sheet that several share. @param number from 1 */
    public static Swatch sheet(int number) {
        require(number, MOST_SHEETS, "shared sheets");
        return ALL.computeIfAbsent(
                number == 1 ? SHEET : SHEET + "_" + letters(number), c -> new Swatch(c, 2, number, 0, neutral(), null));
    }

    /** A place on this shared sheet. @param place from 1 */
    public Swatch place(int place) {
        if (!isSharedSheet()) {
            throw new IllegalArgumentException(code + " is no sheet that several share");
        }
        require(place, MOST_PLACES, "swatches on one shared sheet");
        var of = this;
        return ALL.computeIfAbsent(code + place, c -> new Swatch(c, 3, sheetNumber, place, neutral(), of));
    }

    private static void require(int number, int most, String what) {
        if (number < 1 || number > most) {
            throw new IllegalArgumentException("a site has at most " + most + " " + what);
        }
    }

    /** As columns are lettered, A first. */
    private static String letters(int number) {
        return number <= LETTERS
                ? String.valueOf((char) ('A' + number - 1))
                : letters((number - 1) / LETTERS) + letters((number - 1) % LETTERS + 1);
    }

    private static int number(String letters) {
        return letters.chars().reduce(0, (n, letter) -> n * LETTERS + letter - 'A' + 1);
    }

    /** @throws IllegalArgumentException if there is none of this code */
    public static Swatch valueOf(String code) {
        return of(code).orElseThrow(() -> new IllegalArgumentException("there is no swatch “" + code + "”"));
    }

    private static Optional<Swatch> of(String code) {
        var own = OWN_CODE.matcher(code);
        if (own.matches()) {
            return Optional.of(own(Integer.parseInt(own.group(1))));
        }
        var shared = SHEET_CODE.matcher(code);
        if (shared.matches()) {
            var sheet = shared.group(1) == null ? 1 : number(shared.group(1));
            var place = shared.group(2) == null ? 0 : Integer.parseInt(shared.group(2));
            var isOne = sheet <= MOST_SHEETS && place <= MOST_PLACES && !"A".equals(shared.group(1));
            return isOne ? Optional.of(place == 0 ? sheet(sheet) : sheet(sheet).place(place)) : Optional.empty();
        }
        return USUAL.stream().filter(s -> s.code.equals(code)).findFirst();
    }

    /** The one of this label, in whatever letters. */
    static Optional<Swatch> labelled(String label) {
        return of(label.toUpperCase(Locale.ROOT).replace(' ', '_'))
                .filter(s -> s.label().equalsIgnoreCase(label));
    }

    /** Those that a site begins with, in their order. */
    public static List<Swatch> usual() {
        return USUAL;
    }

    /** A site's own in their order, endlessly. */
    public static Stream<Swatch> ofOnesOwn() {
        return Stream.iterate(1, n -> n + 1).limit(MOST_OWN).map(Swatch::own);
    }

    /** Sheets that several share, in their order. */
    public static Stream<Swatch> sheets() {
        return Stream.iterate(1, n -> n + 1).limit(MOST_SHEETS).map(Swatch::sheet);
    }

    /** The places on a sheet that several share, in their order. */
    public Stream<Swatch> places() {
        return Stream.iterate(1, n -> n + 1).limit(MOST_PLACES).map(this::place);
    }

    public String name() {
        return code;
    }

    public double red() {
        return red;
    }

    public double green() {
        return green;
    }

    public double blue() {
        return blue;
    }

    public double metallic() {
        return metallic;
    }

    public double roughness() {
        return roughness;
    }

    /** Whether a site made it. */
    public boolean isOwn() {
        return group == 1;
    }

    /** Whether it is all of a sheet that several swatches share. */
    public boolean isSharedSheet() {
        return group == 2;
    }

    /** Whether it has a sheet to itself, finished in a coat. */
    public boolean isCoated() {
        return group < 2;
    }

    /** What triangles of it are drawn in: swatches of one sheet are one material. */
    public Swatch material() {
        return sheet == null ? this : sheet;
    }

    /** What it is called until a site calls it otherwise. */
    public String label() {
        return code.toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /** The known first, then a site's own, then shared sheets and the places on them. */
    @Override
    public int compareTo(Swatch other) {
        return ORDER.compare(this, other);
    }

    @Override
    public String toString() {
        return code;
    }
}
