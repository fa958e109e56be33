package hausbau.core.kit;

import hausbau.core.kit.Outline.Corner;
import hausbau.core.measure.Refused;
import hausbau.core.plane.Rect;
import hausbau.core.shape.Ring;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/**
 * A cross-section, µm, its least corner at the origin: X across, Y up.
 *
 * @param kind   what it is; the sizes that it does not use are 0
 * @param width  across, at least 1 mm
 * @param height at least 1 mm
 * @param web    thickness of what stands, or of a hollow one's wall
 * @param flange thickness of what lies
 * @param radius between web and flange, at the nose of a skirting or a kerb, or round a hollow one's outer corners
 * @param drawn  the outline of a drawn one, its extent as wide and as high as told, then its holes; else empty
 */
public record Profile(
        Kind kind, long width, long height, long web, long flange, long radius, List<List<Corner>> drawn) {

    /** Those that are measured, and those that are drawn. */
    public enum Kind {
        BAR,
        I,
        U,
        L,
        T,
        HOLLOW,
        ROUND,
        TUBE,
        HALF_ROUND,
        SKIRTING,
        CORNICE,
        KERB,
        HANDRAIL,
        DRAWN;

        public String label() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }

    private static final long LEAST = 1_000;
    private static final long GREATEST = 10_000_000;

    /** @throws Refused if a size is out of range, or one leaves no room for another */
    public Profile {
        drawn = drawn.stream().map(List::copyOf).toList();
        if (width < LEAST || height < LEAST || width > GREATEST || height > GREATEST) {
            throw new Refused("profile", "A profile is 1 mm to 10 m wide and high.");
        }
        if (web < 0 || flange < 0 || radius < 0) {
            throw new Refused("profile", "The sizes of a profile are 0 or more.");
        }
        var isThin = kind == Kind.I || kind == Kind.U || kind == Kind.L || kind == Kind.T;
        if (isThin
                && (web <= 0
                        || flange <= 0
                        || web + 2 * radius >= width
                        || (kind == Kind.I || kind == Kind.U ? 2 : 1) * (flange + radius) >= height)) {
            throw new Refused("profile", "Web, flange and radius leave no room within the profile's width and height.");
        }
        if ((kind == Kind.HOLLOW || kind == Kind.TUBE)
                && (web <= 0 || 2 * web >= Math.min(width, height) || 2 * radius > Math.min(width, height))) {
            throw new Refused("profile", "The wall or the radius of a hollow profile leaves no room inside it.");
        }
        if (radius > Math.min(width, height)) {
            throw new Refused("profile", "A profile is not rounded by more than it is wide or high.");
        }
        if (kind == Kind.DRAWN && drawn.isEmpty()) {
            throw new Refused("profile", "A drawn profile has an outline.");
        }
    }

    public static Profile of(Kind kind, long width, long height, long web, long flange, long radius) {
        return new Profile(kind, width, height, web, flange, radius, List.of());
    }

    /** One of each measured kind, to begin from: sizes in common use (common practice, no source; I, U and L from EN 10365 and EN 10056, from memory). */
    public static List<Profile> library() {
        return List.of(
                ofMillimetres(Kind.BAR, 50, 50, 0, 0, 0),
                ofMillimetres(Kind.ROUND, 40, 40, 0, 0, 0),
                ofMillimetres(Kind.HALF_ROUND, 60, 30, 0, 0, 0),
                ofMillimetres(Kind.TUBE, 48, 48, 3, 0, 0),
                ofMillimetres(Kind.HOLLOW, 100, 100, 5, 0, 10),
                ofMillimetres(Kind.I, 100, 200, 5.6, 8.5, 12),
                ofMillimetres(Kind.U, 75, 200, 8.5, 11.5, 11.5),
                ofMillimetres(Kind.L, 100, 100, 10, 10, 12),
                ofMillimetres(Kind.T, 80, 80, 9, 9, 9),
                ofMillimetres(Kind.SKIRTING, 20, 120, 0, 0, 12),
                ofMillimetres(Kind.CORNICE, 120, 120, 0, 0, 0),
                ofMillimetres(Kind.KERB, 150, 250, 0, 0, 20),
                ofMillimetres(Kind.HANDRAIL, 60, 70, 0, 0, 0));
    }

    private static Profile ofMillimetres(
            Kind kind, double width, double height, double web, double flange, double radius) {
        return of(
                kind,
                Math.round(width * 1000),
                Math.round(height * 1000),
                Math.round(web * 1000),
                Math.round(flange * 1000),
                Math.round(radius * 1000));
    }

    /** @throws Refused if an outline crosses itself, or a hole does not lie inside */
    public static Profile drawn(List<Corner> outline, List<List<Corner>> holes) {
        var around = new Outline(outline);
        around.requireInside(holes.stream().map(Outline::new).toList());
        var extent = around.extent();
        return new Profile(
                Kind.DRAWN,
                extent.x1() - extent.x0(),
                extent.y1() - extent.y0(),
                0,
                0,
                0,
                Stream.concat(Stream.of(outline), holes.stream())
                        .map(ring -> ring.stream()
                                .map(c -> new Corner(c.x() - extent.x0(), c.y() - extent.y0(), c.radius()))
                                .toList())
                        .toList());
    }

    /** The outline, then its holes. */
    List<Outline> outlines() {
        var w = width;
        var h = height;
        var r = radius;
        return switch (kind) {
            case BAR -> List.of(corners(0, 0, r, w, 0, r, w, h, r, 0, h, r));
            case I -> {
                var a = (w - web) / 2;
                var b = a + web;
                yield List.of(corners(
                        0,
                        0,
                        0,
                        w,
                        0,
                        0,
                        w,
                        flange,
                        0,
                        b,
                        flange,
                        r,
                        b,
                        h - flange,
                        r,
                        w,
                        h - flange,
                        0,
                        w,
                        h,
                        0,
                        0,
                        h,
                        0,
                        0,
                        h - flange,
                        0,
                        a,
                        h - flange,
                        r,
                        a,
                        flange,
                        r,
                        0,
                        flange,
                        0));
            }
            case U ->
                List.of(corners(
                        0,
                        0,
                        0,
                        w,
                        0,
                        0,
                        w,
                        flange,
                        0,
                        web,
                        flange,
                        r,
                        web,
                        h - flange,
                        r,
                        w,
                        h - flange,
                        0,
                        w,
                        h,
                        0,
                        0,
                        h,
                        0));
            case L -> List.of(corners(0, 0, 0, w, 0, 0, w, flange, 0, web, flange, r, web, h, 0, 0, h, 0));
            case T -> {
                var a = (w - web) / 2;
                yield List.of(corners(
                        a,
                        0,
                        0,
                        a + web,
                        0,
                        0,
                        a + web,
                        h - flange,
                        r,
                        w,
                        h - flange,
                        0,
                        w,
                        h,
                        0,
                        0,
                        h,
                        0,
                        0,
                        h - flange,
                        0,
                        a,
                        h - flange,
                        r));
            }
            case HOLLOW ->
                List.of(
                        corners(0, 0, r, w, 0, r, w, h, r, 0, h, r),
                        corners(
                                web,
                                web,
                                Math.max(0, r - web),
                                w - web,
                                web,
                                Math.max(0, r - web),
                                w - web,
                                h - web,
                                Math.max(0, r - web),
                                web,
                                h - web,
                                Math.max(0, r - web)));
            case ROUND -> List.of(round(0, Math.min(w, h)));
            case TUBE -> List.of(round(0, Math.min(w, h)), round(web, Math.min(w, h) - web));
            case HALF_ROUND -> {
                var round = Math.min(w / 2, h);
                yield List.of(corners(0, 0, 0, w, 0, 0, w, h, round, 0, h, round));
            }
            case SKIRTING -> List.of(corners(0, 0, 0, w, 0, 0, w, h, r, 0, h, 0));
            case CORNICE -> {
                // From the wall below to the ceiling ahead: a fillet, a hollow, a fillet.
                var f = Math.min(w, h) / 6;
                yield List.of(
                        corners(0, 0, 0, f, 0, 0, f, h - f, Math.min(w, h) - 2 * f, w, h - f, 0, w, h, 0, 0, h, 0));
            }
            case KERB -> List.of(corners(0, 0, 0, w, 0, 0, w, h, 0, 0, h, r));
            case HANDRAIL -> {
                // Rounded above, with a foot that is set in below.
                var foot = w / 4;
                var low = h / 4;
                var round = Math.min(w / 2, h - low);
                yield List.of(corners(
                        foot, 0, 0, w - foot, 0, 0, w - foot, low, 0, w, low, 0, w, h, round, 0, h, round, 0, low, 0,
                        foot, low, 0));
            }
            case DRAWN -> drawn.stream().map(Outline::new).toList();
        };
    }

    private static Outline round(long from, long to) {
        var r = (to - from) / 2;
        return corners(from, from, r, to, from, r, to, to, r, from, to, r);
    }

    private static Outline corners(long... numbers) {
        var corners = new ArrayList<Corner>();
        for (var i = 0; i < numbers.length; i += 3) {
            corners.add(new Corner(numbers[i], numbers[i + 1], numbers[i + 2]));
        }
        return new Outline(corners);
    }

    Rect extent() {
        return outlines().get(0).extent();
    }

    /** @param tolerance how far a chord may lie from its arc, millimetres */
    public List<Ring> rings(double tolerance) {
        var outlines = outlines();
        var rings = new ArrayList<Ring>();
        for (var i = 0; i < outlines.size(); i++) {
            rings.add(outlines.get(i).ring(i > 0, tolerance));
        }
        return rings;
    }
}
