package hausbau.core.finish;

import hausbau.core.measure.Fault;
import hausbau.core.measure.Refused;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What a swatch is finished in: made here from typed values, without any picture, or of pictures of one's own.
 *
 * @param colour    of the material itself, {@code #rrggbb} in sRGB (IEC 61966-2-1)
 * @param second    of joints, flecks, streaks or rust
 * @param unitX     one tile, board or slab along the sheet, micrometres; 1 mm to 10 m, of pictures also {@link #WHOLE_SHEET}. It is fitted to the sheet, see {@link #across}
 * @param joint     between two of them, micrometres; below half of a unit
 * @param variation how unlike one another units and places are, percent of lightness
 * @param relief    from the deepest to the highest, micrometres; 0 to 50 mm
 * @param roughness percent, as glTF 2.0 has it
 * @param metallic  percent, as glTF 2.0 has it
 * @param wear      percent: 0 is new
 * @param seed      the same seed makes the same pixels
 * @param pictures  of {@link Grain#PICTURES}: the mark of each that there is; one unit is one picture
 * @param glow      light of its own
 * @param glazing   light through it
 */
public record Coat(
        Grain grain,
        String colour,
        String second,
        long unitX,
        long unitY,
        long joint,
        Bond bond,
        int variation,
        long relief,
        int roughness,
        int metallic,
        int wear,
        int seed,
        Map<Layer, Long> pictures,
        Glow glow,
        Glazing glazing) {

    /** What a picture of one's own tells. Roughness and metallic are multiplied by the coat's own, as glTF 2.0 has it; what is not opaque is not there. */
    public enum Layer {
        COLOUR,
        NORMAL,
        ROUGHNESS,
        METALLIC,
        OCCLUSION,
        OPACITY
    }

    /** How the material is structured. */
    public enum Grain {
        PLAIN,
        PLASTER,
        TILES,
        BOARDS,
        STONE,
        TERRAZZO,
        METAL,
        GLASS,
        PICTURES;

        /** Whether it is made of units of a size. */
        public boolean hasUnits() {
            return hasJoints() || this == TERRAZZO || this == PICTURES;
        }

        /** Whether they are laid in rows, with joints between them. */
        public boolean hasJoints() {
            return this == TILES || this == BOARDS;
        }
    }

    /** By what part of a unit each row is shifted against the one below. */
    public enum Bond {
        STACKED(1),
        HALF(2),
        THIRD(3);

        private final int rows;

        Bond(int rows) {
            this.rows = rows;
        }

        /** After so many rows it begins anew. */
        int rows() {
            return rows;
        }
    }

    /** A unit that is as wide or high as its sheet, whatever that is. */
    public static final long WHOLE_SHEET = 0;

    private static final long LEAST_UNIT = 1_000;
    private static final long MOST_UNIT = 10_000_000;
    private static final long MOST_RELIEF = 50_000;

    /** @throws Refused if a value is not within its range */
    public Coat {
        pictures = Map.copyOf(pictures);
        var faults = new ArrayList<Fault>();
        colour(faults, "colour", colour);
        colour(faults, "second", second);
        unit(faults, "unitXMm", grain, unitX);
        unit(faults, "unitYMm", grain, unitY);
        if (joint < 0 || grain.hasJoints() && joint * 2 >= Math.min(unitX, unitY)) {
            faults.add(new Fault("jointMm", "A joint is from 0 to below half of what it lies between."));
        }
        if (relief < 0 || relief > MOST_RELIEF) {
            faults.add(new Fault("reliefMm", "Relief is from 0 to 50 mm deep."));
        }
        percent(faults, "variation", variation);
        percent(faults, "roughness", roughness);
        percent(faults, "metallic", metallic);
        percent(faults, "wear", wear);
        glow.check(faults);
        glazing.check(faults);
        if (!faults.isEmpty()) {
            throw new Refused(faults);
        }
    }

    /** Neither glowing nor letting light through. */
    public Coat(
            Grain grain,
            String colour,
            String second,
            long unitX,
            long unitY,
            long joint,
            Bond bond,
            int variation,
            long relief,
            int roughness,
            int metallic,
            int wear,
            int seed,
            Map<Layer, Long> pictures) {
        this(
                grain,
                colour,
                second,
                unitX,
                unitY,
                joint,
                bond,
                variation,
                relief,
                roughness,
                metallic,
                wear,
                seed,
                pictures,
                Glow.NONE,
                Glazing.OPAQUE);
    }

    /** The same with other light of itself and other light through it. */
    public Coat with(Glow other, Glazing through) {
        return new Coat(
                grain, colour, second, unitX, unitY, joint, bond, variation, relief, roughness, metallic, wear, seed,
                pictures, other, through);
    }

    /** What its pictures are made by: all but its light. */
    public Coat surface() {
        return with(Glow.NONE, Glazing.OPAQUE);
    }

    /** Without any picture. */
    public Coat(
            Grain grain,
            String colour,
            String second,
            long unitX,
            long unitY,
            long joint,
            Bond bond,
            int variation,
            long relief,
            int roughness,
            int metallic,
            int wear,
            int seed) {
        this(
                grain, colour, second, unitX, unitY, joint, bond, variation, relief, roughness, metallic, wear, seed,
                Map.of());
    }

    /** Pictures that were made for one thing: each is the whole sheet. */
    public static Coat ofWholeSheet(Map<Layer, Long> pictures) {
        return new Coat(
                Grain.PICTURES,
                "#ffffff",
                "#ffffff",
                WHOLE_SHEET,
                WHOLE_SHEET,
                0,
                Bond.STACKED,
                0,
                0,
                pictures.containsKey(Layer.ROUGHNESS) ? 100 : 80,
                pictures.containsKey(Layer.METALLIC) ? 100 : 0,
                0,
                1,
                pictures);
    }

    /** Plain, of one colour. @param colour sRGB, @param roughness percent, @param metallic percent */
    public static Coat plain(String colour, int roughness, int metallic) {
        return new Coat(
                Grain.PLAIN, colour, colour, 1_000_000, 1_000_000, 0, Bond.STACKED, 0, 0, roughness, metallic, 0, 1);
    }

    static void colour(List<Fault> faults, String field, String value) {
        if (!value.matches("#[0-9a-f]{6}")) {
            faults.add(new Fault(field, "A colour is written as # and six digits from 0 to f, such as #d8c0a0."));
        }
    }

    private static void unit(List<Fault> faults, String field, Grain grain, long value) {
        var isWhole = grain == Grain.PICTURES && value == WHOLE_SHEET;
        if (!isWhole && (value < LEAST_UNIT || value > MOST_UNIT)) {
            faults.add(new Fault(
                    field,
                    grain == Grain.PICTURES
                            ? "It is from 1 mm to 10 m, or 0 for the whole sheet."
                            : "It is from 1 mm to 10 m."));
        }
    }

    static void percent(List<Fault> faults, String field, int value) {
        if (value < 0 || value > 100) {
            faults.add(new Fault(field, "It is from 0 to 100 percent."));
        }
    }

    /** How many units lie across a sheet, so that it tiles: the whole number nearest to what was typed. @param sheet its width, millimetres */
    public int across(double sheet) {
        return fitted(sheet, unitX, 1);
    }

    /** How many rows of units a sheet is high. */
    public int rows(double sheet) {
        return fitted(sheet, unitY, bond.rows());
    }

    private static int fitted(double sheet, long unit, int multiple) {
        return unit == WHOLE_SHEET ? 1 : multiple * (int) Math.max(1, Math.round(sheet * 1000 / unit / multiple));
    }
}
