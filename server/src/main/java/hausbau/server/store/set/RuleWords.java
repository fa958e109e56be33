package hausbau.server.store.set;

import com.fasterxml.jackson.annotation.JsonInclude;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import hausbau.core.repeat.Course;
import hausbau.core.repeat.Field;
import hausbau.core.repeat.Pace;
import hausbau.core.repeat.Ring;
import hausbau.core.repeat.Rule;
import hausbau.core.repeat.Scatter;
import hausbau.core.repeat.Stack;
import hausbau.core.repeat.Trail;
import hausbau.core.repeat.Variation;
import hausbau.server.store.Millimetres;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * A repeat's rule in words, as it is kept and as it is told over HTTP: one form for all rules, each using what it needs. What is
 * not told stays as it was, or takes a usual value.
 *
 * @param countHigh  of a field, how high its places are stacked at most
 * @param turnDegrees at most, either way
 * @param byStretch   of a trail, whether each straight stretch is paced by itself, with freeMm kept free at bends
 * @param perM2       of a scatter, how many for each square metre, in place of a count; 0 where that counts
 * @param smallest    of a scatter, least size in percent
 * @param reachMm     of a scatter, how high above its base it lands at most
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record RuleWords(
        @Nullable What what,
        @Nullable @Valid Point fromMm,
        @Nullable @Valid Point toMm,
        @Nullable List<@Valid Point> pathMm,
        @Nullable List<@Valid Ground> areaMm,
        @Nullable List<@Valid Ground> keepOutMm,
        @Nullable Length baseMm,
        @Nullable Length radiusMm,
        Pace.@Nullable Kind pace,
        @Nullable Length pitchMm,
        @Nullable Integer count,
        Pace.@Nullable Rest rest,
        @Nullable Length insetMm,
        @Nullable Boolean halfEnds,
        @Nullable Boolean along,
        @Nullable Integer otherEvery,
        @Nullable Integer mirrorEvery,
        @Nullable Integer turnEvery,
        @Nullable Length pitchXMm,
        @Nullable Length pitchYMm,
        @Nullable Boolean staggered,
        @Nullable Integer columns,
        @Nullable Length aisleXMm,
        @Nullable Integer rows,
        @Nullable Length aisleYMm,
        @Nullable Integer countHigh,
        @Nullable Integer gaps,
        @Nullable Long seed,
        Ring.@Nullable Facing facing,
        @Nullable Double startDegrees,
        @Nullable Double sweepDegrees,
        @Nullable Integer turnDegrees,
        @Nullable Length shiftMm,
        @Nullable Boolean byChance,
        @Nullable Length leastMm,
        @Nullable Length fadeMm,
        @Nullable List<Integer> weights,
        @Nullable Boolean closed,
        @Nullable Length bendMm,
        @Nullable Length asideMm,
        @Nullable Boolean both,
        @Nullable Double perM2,
        @Nullable Integer tiltDegrees,
        @Nullable Integer smallest,
        @Nullable Integer largest,
        @Nullable List<@Valid Touch> brushedMm,
        Scatter.@Nullable Lands lands,
        @Nullable Length reachMm,
        @Nullable Boolean clear,
        @Nullable Boolean byStretch,
        @Nullable Length freeMm,
        @Nullable Boolean otherAtEnds,
        @Nullable Boolean otherAtBends,
        @Nullable Boolean sloped,
        @Nullable Length fadePathMm) {

    public enum What {
        COURSE,
        FIELD,
        RING,
        TRAIL,
        STACK,
        SCATTER
    }

    public record Point(@NotNull Length x, @NotNull Length y, @NotNull Length z) {

        static Point of(Vec v) {
            return new Point(new Length(v.x()), new Length(v.y()), new Length(v.z()));
        }

        Vec toVec() {
            return Vec.of(x, y, z);
        }
    }

    /** A rectangle of the plan. */
    public record Ground(@NotNull Length x0, @NotNull Length y0, @NotNull Length x1, @NotNull Length y1) {

        static List<Ground> of(Region region) {
            return region.rects().stream()
                    .map(r ->
                            new Ground(new Length(r.x0()), new Length(r.y0()), new Length(r.x1()), new Length(r.y1())))
                    .toList();
        }

        static Region region(@Nullable List<@Valid Ground> all) {
            return all == null || all.isEmpty()
                    ? Region.EMPTY
                    : Region.union(all.stream()
                            .map(g -> {
                                if (g.x0().compareTo(g.x1()) >= 0 || g.y0().compareTo(g.y1()) >= 0) {
                                    throw new Refused("areaMm", "An area is wider and deeper than 0.");
                                }
                                return Region.of(new Rect(g.x0().um(), g.y0().um(), g.x1().um(), g.y1().um()));
                            })
                            .toList());
        }
    }

    /** One touch of a brush. */
    public record Touch(@NotNull Length x, @NotNull Length y, @NotNull Length radius, @NotNull Integer strength) {

        static Touch of(Scatter.Dab d) {
            return new Touch(new Length(d.x()), new Length(d.y()), d.radius(), d.strength());
        }

        Scatter.Dab toDab() {
            return new Scatter.Dab(x.um(), y.um(), radius, strength);
        }
    }

    /** Table tops and benches are landed on, the tops of walls are not. */
    private static final Length USUAL_REACH = new Length(1_500_000);

    private static final int VERSION = 1;
    private static final JsonMapper JSON = Millimetres.JSON;

    /** As JSON with the version it is written in; lengths in millimetres, exactly. */
    public String write() {
        return JSON.writeValueAsString(JSON.<ObjectNode>valueToTree(this).put("version", VERSION));
    }

    /** @throws IllegalArgumentException if it is of a version that is not known */
    public static RuleWords read(String text) {
        var json = (ObjectNode) JSON.readTree(text);
        var version = json.remove("version").asInt();
        if (version != VERSION) {
            throw new IllegalArgumentException("a rule of version " + version + " cannot be read");
        }
        return JSON.treeToValue(json, RuleWords.class);
    }

    /** These words where told, else those. */
    public RuleWords over(RuleWords standing) {
        var merged = JSON.<ObjectNode>valueToTree(standing);
        merged.setAll(JSON.<ObjectNode>valueToTree(this));
        return JSON.treeToValue(merged, RuleWords.class);
    }

    /** @throws Refused if something that the rule needs is not told, or cannot be */
    public Rule toRule() {
        return switch (told(what, "what")) {
            case COURSE ->
                new Course(
                        told(fromMm, "fromMm").toVec(),
                        told(toMm, "toMm").toVec(),
                        readPace(),
                        or(insetMm, Length.ZERO),
                        or(halfEnds, false),
                        or(along, false),
                        variation());
            case FIELD ->
                new Field(
                        Ground.region(told(areaMm, "areaMm")),
                        or(baseMm, Length.ZERO).um(),
                        or(pitchXMm, Length.ZERO),
                        or(pitchYMm, Length.ZERO),
                        or(staggered, false),
                        or(columns, 0),
                        or(aisleXMm, Length.ZERO),
                        or(rows, 0),
                        or(aisleYMm, Length.ZERO),
                        or(countHigh, 1),
                        or(gaps, 0),
                        or(seed, 1L));
            case RING ->
                new Ring(
                        told(fromMm, "fromMm").toVec(),
                        told(radiusMm, "radiusMm"),
                        readPace(),
                        Math.round(1000 * or(startDegrees, 0.0)),
                        Math.round(1000 * or(sweepDegrees, 360.0)),
                        or(facing, Ring.Facing.ALIKE),
                        variation());
            case TRAIL ->
                new Trail(
                        told(pathMm, "pathMm").stream().map(Point::toVec).toList(),
                        or(closed, false),
                        or(bendMm, Length.ZERO),
                        readPace(),
                        or(asideMm, Length.ZERO),
                        or(both, false),
                        new Trail.Joints(
                                or(byStretch, false),
                                or(freeMm, Length.ZERO),
                                or(otherAtEnds, false),
                                or(otherAtBends, false),
                                or(sloped, false)),
                        variation());
            case STACK ->
                new Stack(
                        told(fromMm, "fromMm").toVec(),
                        or(count, 3),
                        or(turnDegrees, 0),
                        or(shiftMm, Length.ZERO),
                        or(byChance, false),
                        or(seed, 1L));
            case SCATTER ->
                new Scatter(
                        Ground.region(told(areaMm, "areaMm")),
                        or(baseMm, Length.ZERO).um(),
                        or(count, 20),
                        or(perM2, 0.0),
                        or(leastMm, Length.ZERO),
                        new Scatter.Jitter(
                                or(turnDegrees, 180), or(tiltDegrees, 0), or(smallest, 100), or(largest, 100)),
                        new Scatter.Thin(
                                or(fadeMm, Length.ZERO),
                                or(pathMm, List.<Point>of()).stream()
                                        .map(Point::toVec)
                                        .toList(),
                                or(fadePathMm, Length.ZERO)),
                        Ground.region(keepOutMm),
                        or(brushedMm, List.<Touch>of()).stream()
                                .map(Touch::toDab)
                                .toList(),
                        new Scatter.Landing(
                                or(lands, Scatter.Lands.LEVEL), or(reachMm, USUAL_REACH), or(clear, false), List.of()),
                        or(weights, List.of()),
                        or(seed, 1L));
        };
    }

    private Pace readPace() {
        return new Pace(or(pace, Pace.Kind.COUNT), or(pitchMm, Length.ZERO), or(count, 5), or(rest, Pace.Rest.AFTER));
    }

    private Variation variation() {
        return new Variation(or(otherEvery, 0), or(mirrorEvery, 0), or(turnEvery, 0));
    }

    private static <T> T or(@Nullable T told, T usual) {
        return told == null ? usual : told;
    }

    private static <T> T told(@Nullable T value, String field) {
        return Optional.ofNullable(value).orElseThrow(() -> new Refused(field, "Tell “" + field + "” of the repeat."));
    }

    public static RuleWords of(Rule rule) {
        if (rule instanceof Course c) {
            return words(What.COURSE)
                    .at("fromMm", Point.of(c.from()))
                    .at("toMm", Point.of(c.to()))
                    .pace(c.pace())
                    .at("insetMm", c.inset())
                    .at("halfEnds", c.halfEnds())
                    .at("along", c.along())
                    .variation(c.variation())
                    .done();
        }
        if (rule instanceof Field f) {
            return words(What.FIELD)
                    .at("areaMm", Ground.of(f.area()))
                    .at("baseMm", new Length(f.z()))
                    .at("pitchXMm", f.pitchX())
                    .at("pitchYMm", f.pitchY())
                    .at("staggered", f.staggered())
                    .at("columns", f.columns())
                    .at("aisleXMm", f.aisleX())
                    .at("rows", f.rows())
                    .at("aisleYMm", f.aisleY())
                    .at("countHigh", f.stack())
                    .at("gaps", f.gaps())
                    .at("seed", f.seed())
                    .done();
        }
        if (rule instanceof Ring r) {
            return words(What.RING)
                    .at("fromMm", Point.of(r.centre()))
                    .at("radiusMm", r.radius())
                    .pace(r.pace())
                    .at("startDegrees", r.start() / 1000.0)
                    .at("sweepDegrees", r.sweep() / 1000.0)
                    .at("facing", r.facing())
                    .variation(r.variation())
                    .done();
        }
        if (rule instanceof Trail t) {
            return words(What.TRAIL)
                    .at("pathMm", t.path().stream().map(Point::of).toList())
                    .at("closed", t.closed())
                    .at("bendMm", t.bend())
                    .pace(t.pace())
                    .at("asideMm", t.aside())
                    .at("both", t.both())
                    .at("byStretch", t.joints().byStretch())
                    .at("freeMm", t.joints().free())
                    .at("otherAtEnds", t.joints().atEnds())
                    .at("otherAtBends", t.joints().atBends())
                    .at("sloped", t.joints().sloped())
                    .variation(t.variation())
                    .done();
        }
        if (rule instanceof Stack s) {
            return words(What.STACK)
                    .at("fromMm", Point.of(s.at()))
                    .at("count", s.count())
                    .at("turnDegrees", s.turn())
                    .at("shiftMm", s.shift())
                    .at("byChance", s.byChance())
                    .at("seed", s.seed())
                    .done();
        }
        var s = (Scatter) rule;
        return words(What.SCATTER)
                .at("areaMm", Ground.of(s.area()))
                .at("baseMm", new Length(s.z()))
                .at("count", s.number())
                .at("perM2", s.perM2())
                .at("leastMm", s.least())
                .at("turnDegrees", s.jitter().turn())
                .at("tiltDegrees", s.jitter().tilt())
                .at("smallest", s.jitter().smallest())
                .at("largest", s.jitter().largest())
                .at("fadeMm", s.thin().edge())
                .at("fadePathMm", s.thin().path())
                .at("pathMm", s.thin().paths().stream().map(Point::of).toList())
                .at("brushedMm", s.brushed().stream().map(Touch::of).toList())
                .at("lands", s.landing().lands())
                .at("reachMm", s.landing().reach())
                .at("clear", s.landing().clear())
                .at("keepOutMm", Ground.of(s.keepOut()))
                .at("weights", s.weights())
                .at("seed", s.seed())
                .done();
    }

    private static Words words(What what) {
        return new Words(JSON.createObjectNode().put("what", what.name()));
    }

    /** Words as they are put together. */
    private record Words(ObjectNode json) {

        Words at(String field, Object value) {
            json.set(field, JSON.valueToTree(value));
            return this;
        }

        Words pace(Pace pace) {
            return at("pace", pace.kind())
                    .at("pitchMm", pace.pitch())
                    .at("count", pace.count())
                    .at("rest", pace.rest());
        }

        Words variation(Variation v) {
            return at("otherEvery", v.otherEvery())
                    .at("mirrorEvery", v.mirrorEvery())
                    .at("turnEvery", v.turnEvery());
        }

        RuleWords done() {
            return JSON.treeToValue(json, RuleWords.class);
        }
    }
}
