package hausbau.core.measure;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.Arrays;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The units a site may be worked in. They only say how a length is written; the length itself does not change.
 *
 * <p>The foot is exactly 0.3048 m (international yard and pound agreement of 1959). The old engine unit is 1/16 foot,
 * exactly 19.05 mm (common practice, no source).
 */
public enum Unit {
    METRE("m", 1_000_000),
    CENTIMETRE("cm", 10_000),
    MILLIMETRE("mm", 1_000),
    FEET_AND_INCHES("ft", 304_800),
    ENGINE_UNIT("u", 19_050);

    private static final long INCH_UM = 25_400;
    private static final String NUMBER = "(\\d+(?:\\.\\d*)?|\\.\\d+)";
    private static final Pattern PLAIN = Pattern.compile("\\d{1,15}(?:\\.\\d{0,15})?|\\.\\d{1,15}");
    /** A number, a fraction or both, then perhaps a unit; what a typed length is a row of. */
    private static final Pattern TERM = Pattern.compile("\\G\\s*(?:(\\d+)\\s*/\\s*(\\d+)|" + NUMBER
            + "(?:\\s+(\\d+)\\s*/\\s*(\\d+))?)\\s*(mm|cm|m|km|ft|in|u|'|\"|′|″)?");

    private final String symbol;
    private final long um;

    Unit(String symbol, long um) {
        this.symbol = symbol;
        this.um = um;
    }

    public String symbol() {
        return symbol;
    }

    /** A sum longer than this is no length on an envelope. */
    private static final int MOST_TERMS = 20;

    /** Micrometres in one of this unit (for feet and inches: in a foot). */
    public long um() {
        return um;
    }

    /**
     * Reads a typed length: {@code 4.5m}, {@code 4,5 m}, {@code 450 cm}, {@code 14' 9"}, {@code 1/2"}, {@code 9 1/2 in},
     * {@code -3u}, a product, {@code 2*300}, or a sum of such, {@code 200 + 500mm}; a bare number is in this unit. What is
     * finer than a micrometre is rounded to the nearest.
     *
     * @throws Refused if it cannot be read; the message says what can
     */
    public Length parse(String text) {
        var terms = text.split("\\+", -1);
        if (terms.length > MOST_TERMS) {
            throw unreadable(text.substring(0, Math.min(60, text.length())) + "…");
        }
        try {
            return Arrays.stream(terms).map(this::parseProduct).reduce(Length.ZERO, Length::plus);
        } catch (OutOfBounds e) {
            throw tooLong();
        }
    }

    /**
     * Reads what is typed over a length that stands: with a plus before it, such as {@code +50} or {@code +-2cm}, it is a
     * change by that amount, else the new length.
     *
     * @throws Refused if it cannot be read; the message says what can
     */
    public Length parse(String text, Length standing) {
        var stripped = text.strip();
        if (!stripped.startsWith("+")) {
            return parse(text);
        }
        try {
            return standing.plus(parse(stripped.substring(1)));
        } catch (OutOfBounds e) {
            throw tooLong();
        }
    }

    private static Refused tooLong() {
        return new Refused("text", "A length must stay within 1000 km.");
    }

    /** A length, or a length times plain numbers, in any order. */
    private Length parseProduct(String text) {
        var factors = text.split("[*×·]", -1);
        if (factors.length == 1 || factors.length > MOST_TERMS) {
            return parseTerm(text);
        }
        var by = BigDecimal.ONE;
        String length = null;
        for (var factor : factors) {
            var plain = PLAIN.matcher(decimalPoint(factor.strip()));
            if (plain.matches() && (length != null || !factor.equals(factors[factors.length - 1]))) {
                by = by.multiply(new BigDecimal(plain.group()));
            } else if (length == null) {
                length = factor;
            } else {
                throw unreadable(text);
            }
        }
        if (length == null || by.precision() - by.scale() > 15) {
            throw unreadable(text);
        }
        var product = BigDecimal.valueOf(parseTerm(length).um()).multiply(by).setScale(0, RoundingMode.HALF_UP);
        if (product.abs().compareTo(BigDecimal.valueOf(Length.LIMIT_UM)) > 0) {
            throw tooLong();
        }
        return new Length(product.longValueExact());
    }

    /** A comma between digits is a decimal one. */
    private static String decimalPoint(String text) {
        return text.replaceAll("(?<=\\d),(?=\\d)", ".");
    }

    private Length parseTerm(String text) {
        var rest = decimalPoint(text.strip().toLowerCase(Locale.ROOT).replace("''", "\""));
        if (rest.length() > 60) {
            throw unreadable(rest.substring(0, 60) + "…");
        }
        var negative = rest.startsWith("-") || rest.startsWith("−");
        if (negative) {
            rest = rest.substring(1);
        }
        if (rest.isBlank()) {
            throw unreadable(text);
        }
        var sum = BigDecimal.ZERO;
        var matcher = TERM.matcher(rest);
        var end = 0;
        var last = "";
        while (end < rest.length()) {
            if (!matcher.find(end) || matcher.end() == end) {
                throw unreadable(text);
            }
            var unit = matcher.group(6);
            if (end > 0 && unit == null && !isFoot(last)) {
                throw unreadable(text);
            }
            sum = sum.add(quantity(matcher).multiply(BigDecimal.valueOf(micrometresOf(unit, last))));
            last = unit == null ? symbol : unit;
            end = matcher.end();
            while (end < rest.length() && Character.isWhitespace(rest.charAt(end))) {
                end++;
            }
        }
        var rounded = sum.setScale(0, RoundingMode.HALF_UP);
        if (rounded.abs().compareTo(BigDecimal.valueOf(Length.LIMIT_UM)) > 0) {
            throw tooLong();
        }
        return new Length(negative ? -rounded.longValueExact() : rounded.longValueExact());
    }

    private static boolean isFoot(String unit) {
        return "'".equals(unit) || "′".equals(unit) || "ft".equals(unit);
    }

    private static BigDecimal quantity(Matcher m) {
        var whole = m.group(3) == null ? BigDecimal.ZERO : new BigDecimal(m.group(3));
        var top = m.group(1) != null ? m.group(1) : m.group(4);
        if (top == null) {
            return whole;
        }
        var bottom = new BigInteger(m.group(2) != null ? m.group(2) : m.group(5));
        if (bottom.signum() == 0) {
            throw new Refused("text", "A fraction cannot have 0 below the line.");
        }
        return whole.add(new BigDecimal(top).divide(new BigDecimal(bottom), 20, RoundingMode.HALF_UP));
    }

    private long micrometresOf(String unit, String last) {
        if (unit == null) {
            return isFoot(last) ? INCH_UM : um;
        }
        return switch (unit) {
            case "mm" -> 1_000;
            case "cm" -> 10_000;
            case "m" -> 1_000_000;
            case "km" -> 1_000_000_000;
            case "ft", "'", "′" -> FEET_AND_INCHES.um;
            case "in", "\"", "″" -> INCH_UM;
            default -> ENGINE_UNIT.um;
        };
    }

    private static Refused unreadable(String text) {
        return new Refused(
                "text",
                "“" + text + "” is no length. Write a number with a unit, such as 4.5m, 450 cm, "
                        + "14' 9\", 1/2\" or 96u; a sum such as 2m + 30cm, a product such as 2*300, or a change such as +50.");
    }

    /** Writes a length in this unit so that {@link #parse} gives the same length back. */
    public String format(Length length) {
        if (this == FEET_AND_INCHES) {
            return formatFeet(length.um());
        }
        return decimals(BigDecimal.valueOf(length.um()), um) + " " + symbol;
    }

    private static String decimals(BigDecimal micrometres, long perUnit) {
        var value = micrometres
                .divide(BigDecimal.valueOf(perUnit), 6, RoundingMode.HALF_UP)
                .stripTrailingZeros();
        return (value.scale() < 0 ? value.setScale(0) : value).toPlainString();
    }

    /** Inches in halves down to sixteenths where the length is one, else in decimals. */
    private static String formatFeet(long um) {
        var sign = um < 0 ? "-" : "";
        var left = Math.abs(um);
        var feet = left / FEET_AND_INCHES.um;
        left -= feet * FEET_AND_INCHES.um;
        var sixteenths = Math.round(left * 16.0 / INCH_UM);
        String inches;
        if ((sixteenths * INCH_UM + 8) / 16 == left) {
            var whole = sixteenths / 16;
            var part = sixteenths % 16;
            var by = part == 0 ? 1 : Long.lowestOneBit(part);
            inches = part == 0 ? String.valueOf(whole) : (whole == 0 ? "" : whole + " ") + part / by + "/" + 16 / by;
        } else {
            inches = decimals(BigDecimal.valueOf(left), INCH_UM);
        }
        if (feet == 0) {
            return sign + inches + "\"";
        }
        return sign + feet + "'" + ("0".equals(inches) ? "" : " " + inches + "\"");
    }
}
