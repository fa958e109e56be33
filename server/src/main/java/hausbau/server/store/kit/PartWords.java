package hausbau.server.store.kit;

import com.fasterxml.jackson.annotation.JsonInclude;
import hausbau.core.kit.Copies;
import hausbau.core.kit.Form;
import hausbau.core.kit.Outline;
import hausbau.core.kit.Part;
import hausbau.core.kit.Profile;
import hausbau.core.kit.Profile.Kind;
import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Laying;
import hausbau.core.shape.Swatch;
import hausbau.server.store.Millimetres;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ObjectNode;

/**
 * A part of a piece in words, as it is kept and as it is told over HTTP: one form for all, each using what it needs. Told of a
 * part that there is, what is left out stays as it was.
 *
 * @param cuts      whether it is taken out of all parts before it
 * @param outline   of a prism, in plan
 * @param heightMm  of a prism, and of a capital letter
 * @param widthMm   of a sloped part, and how thick letters are
 * @param treads    of steps, and of a guard's bars on steps
 * @param footMm    of steps, how much hangs below the first riser
 * @param lowFromMm of a sloped part, its lower face where it begins; likewise the others
 * @param stations  of a turned part, upward
 * @param riseMm    of bars, from their lower end to their upper one
 * @param across    of a pushed profile: -1 its left lies on the path, 0 its middle, 1 its right
 * @param up        -1 its lower edge, 0 its middle, 1 its upper edge
 * @param sheetQuarters that it is turned by on its sheet, and @param sheetSeed that shifts each copy there; 0 and left out as it lies
 * @param mesh      the digest of a surface that was brought in
 * @param exact     whether its UVs are taken just so, one picture being the whole sheet
 * @param laidOut   whether that lies on its sheet as it was laid out where it was made
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record PartWords(
        @Nullable String name,
        @Nullable Swatch swatch,
        @Nullable @Valid Bevelled bevel,
        @Nullable What form,
        @Nullable @Valid Spot atMm,
        @Nullable @Valid Degrees turn,
        @Nullable Boolean hidden,
        @Nullable Boolean cuts,
        @Nullable @Valid Spot sizeMm,
        @Nullable List<@NotNull @Valid Hole> openings,
        @Nullable List<@NotNull @Valid Bend> outline,
        @Nullable List<@NotNull List<@NotNull @Valid Bend>> holes,
        @Nullable Length heightMm,
        @Nullable Integer treads,
        @Nullable Length footMm,
        @Nullable Length waistMm,
        @Nullable Length lengthMm,
        @Nullable Length widthMm,
        @Nullable Length lowFromMm,
        @Nullable Length highFromMm,
        @Nullable Length lowToMm,
        @Nullable Length highToMm,
        @Nullable List<@NotNull @Valid Station> stations,
        @Nullable Integer sides,
        @Nullable Length riseMm,
        @Nullable Length pitchMm,
        @Nullable Length barMm,
        @Nullable @Valid Section profile,
        @Nullable List<@NotNull @Valid Way> path,
        @Nullable Boolean closed,
        @Nullable Integer across,
        @Nullable Integer up,
        @Nullable Boolean mirrored,
        @Nullable @Valid Times copies,
        @Nullable @Valid Tapered taper,
        @Nullable String mesh,
        @Nullable Boolean laidOut,
        @Nullable String text,
        @Nullable Integer sheetQuarters,
        @Nullable Integer sheetSeed,
        @Nullable Boolean exact) {

    public enum What {
        BLOCK,
        PANEL,
        PRISM,
        STEPS,
        SLOPED,
        TURNED,
        BARS,
        PUSHED,
        LETTERS,
        BROUGHT
    }

    public record Spot(@NotNull Length x, @NotNull Length y, @NotNull Length z) {

        static Spot of(Vec v) {
            return new Spot(new Length(v.x()), new Length(v.y()), new Length(v.z()));
        }

        Vec toVec() {
            return Vec.of(x, y, z);
        }
    }

    /** About X, then Y, then Z. */
    public record Degrees(@NotNull Double x, @NotNull Double y, @NotNull Double z) {}

    /** @param widthMm left out: the usual one */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Bevelled(@Nullable Length widthMm, @Nullable Integer segments) {

        private static final Length USUAL = new Length(Math.round(1000 * Finish.BEVEL));

        Optional<Part.Edge> toEdge() {
            return widthMm == null && or(segments, 1) == 1
                    ? Optional.empty()
                    : Optional.of(new Part.Edge(or(widthMm, USUAL), or(segments, 1)));
        }
    }

    /** Widths above in percent of those below. */
    public record Tapered(@NotNull Double x, @NotNull Double y) {}

    /**
     * How often a part is there.
     *
     * @param stepMm along, from one to the next
     * @param xMm    round, of the axis; mirrored, of the plane where it is across X
     * @param yMm    round, of the axis; mirrored, of the plane where it is across Y
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Times(
            @NotNull How how,
            @Nullable Integer count,
            @Nullable @Valid Spot stepMm,
            @Nullable Length xMm,
            @Nullable Length yMm,
            @Nullable Double sweepDegrees) {

        public enum How {
            ONCE,
            ALONG,
            ROUND,
            MIRRORED_X,
            MIRRORED_Y
        }

        static Times of(Copies copies) {
            if (copies instanceof Copies.Mirrored m) {
                return new Times(
                        m.acrossX() ? How.MIRRORED_X : How.MIRRORED_Y,
                        null,
                        null,
                        m.acrossX() ? new Length(m.at()) : null,
                        m.acrossX() ? null : new Length(m.at()),
                        null);
            }
            if (copies instanceof Copies.Round r) {
                return new Times(How.ROUND, r.count(), null, new Length(r.x()), new Length(r.y()), r.sweep());
            }
            var along = (Copies.Along) copies;
            return along.count() == 1
                    ? new Times(How.ONCE, null, null, null, null, null)
                    : new Times(How.ALONG, along.count(), Spot.of(along.step()), null, null, null);
        }

        Copies toCopies() {
            return switch (how) {
                case ONCE -> Copies.ONE;
                case ALONG -> new Copies.Along(or(count, 2), stepMm == null ? Vec.ZERO : stepMm.toVec());
                case ROUND ->
                    new Copies.Round(
                            or(count, 2),
                            or(xMm, Length.ZERO).um(),
                            or(yMm, Length.ZERO).um(),
                            or(sweepDegrees, 360.0));
                case MIRRORED_X ->
                    new Copies.Mirrored(true, or(xMm, Length.ZERO).um());
                case MIRRORED_Y ->
                    new Copies.Mirrored(false, or(yMm, Length.ZERO).um());
            };
        }
    }

    /** An opening from a panel's start and foot. */
    public record Hole(@NotNull Length x, @NotNull Length z, @NotNull Length width, @NotNull Length height) {

        static Hole of(Rect r) {
            return new Hole(
                    new Length(r.x0()), new Length(r.y0()), new Length(r.x1() - r.x0()), new Length(r.y1() - r.y0()));
        }

        Rect toRect() {
            if (!width.isPositive() || !height.isPositive()) {
                throw new Refused("openings", "An opening is wider and higher than 0.");
            }
            return new Rect(x.um(), z.um(), x.plus(width).um(), z.plus(height).um());
        }
    }

    /** A corner of an outline; @param radius 0 or left out is sharp */
    public record Bend(@NotNull Length x, @NotNull Length y, @Nullable Length radius) {

        public static List<Bend> of(List<Outline.Corner> corners) {
            return corners.stream()
                    .map(c -> new Bend(
                            new Length(c.x()), new Length(c.y()), c.radius() == 0 ? null : new Length(c.radius())))
                    .toList();
        }

        static List<Outline.Corner> corners(List<Bend> all) {
            return all.stream()
                    .map(b -> new Outline.Corner(
                            b.x().um(), b.y().um(), or(b.radius(), Length.ZERO).um()))
                    .toList();
        }
    }

    public record Station(@NotNull Length radius, @NotNull Length z) {}

    /** A corner of a path; @param radius 0 or left out is sharp */
    public record Way(@NotNull Length x, @NotNull Length y, @NotNull Length z, @Nullable Length radius) {}

    /** A profile; what its kind does not use is left out. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Section(
            @NotNull Kind kind,
            @Nullable Length widthMm,
            @Nullable Length heightMm,
            @Nullable Length webMm,
            @Nullable Length flangeMm,
            @Nullable Length radiusMm,
            @Nullable List<@NotNull @Valid Bend> drawn,
            @Nullable List<@NotNull List<@NotNull @Valid Bend>> holes) {

        public static Section of(Profile p) {
            if (p.kind() == Kind.DRAWN) {
                return new Section(
                        p.kind(),
                        null,
                        null,
                        null,
                        null,
                        null,
                        Bend.of(p.drawn().get(0)),
                        p.drawn().size() == 1
                                ? null
                                : p.drawn().stream().skip(1).map(Bend::of).toList());
            }
            return new Section(
                    p.kind(),
                    new Length(p.width()),
                    new Length(p.height()),
                    new Length(p.web()),
                    new Length(p.flange()),
                    new Length(p.radius()),
                    null,
                    null);
        }

        public Profile toProfile() {
            if (kind == Kind.DRAWN) {
                return Profile.drawn(
                        Bend.corners(told(drawn, "profile")),
                        or(holes, List.<List<Bend>>of()).stream()
                                .map(Bend::corners)
                                .toList());
            }
            return Profile.of(
                    kind,
                    told(widthMm, "profile").um(),
                    told(heightMm, "profile").um(),
                    or(webMm, Length.ZERO).um(),
                    or(flangeMm, Length.ZERO).um(),
                    or(radiusMm, Length.ZERO).um());
        }
    }

    private static <T> T or(@Nullable T told, T usual) {
        return told == null ? usual : told;
    }

    private static <T> T told(@Nullable T value, String field) {
        return Optional.ofNullable(value).orElseThrow(() -> new Refused(field, "Tell “" + field + "” of the part."));
    }

    /** @throws Refused if something that the form needs is not told, or cannot be; its fields are named by the part's number, from 0 */
    public static List<Part> toParts(List<PartWords> words, Shells shells) {
        var parts = new ArrayList<Part>();
        for (var i = 0; i < words.size(); i++) {
            var at = "parts[" + i + "].";
            var name = or(words.get(i).name(), "").isBlank()
                    ? "Part " + (i + 1)
                    : "“" + words.get(i).name() + "”";
            try {
                parts.add(words.get(i).toPart(shells));
            } catch (Refused e) {
                throw new Refused(e.faults().stream()
                        .map(f -> new Fault(at + f.field(), name + ": " + f.message()))
                        .toList());
            }
        }
        return parts;
    }

    /** These words where told, else those. */
    public PartWords over(PartWords standing) {
        var merged = Millimetres.JSON.<ObjectNode>valueToTree(standing);
        merged.setAll(Millimetres.JSON.<ObjectNode>valueToTree(this));
        return Millimetres.JSON.treeToValue(merged, PartWords.class);
    }

    private Part toPart(Shells shells) {
        return new Part(
                or(name, "").strip(),
                told(swatch, "swatch"),
                bevel == null ? Optional.empty() : bevel.toEdge(),
                toForm(shells),
                told(atMm, "atMm").toVec(),
                turn == null ? Part.Turning.NONE : new Part.Turning(turn.x(), turn.y(), turn.z()),
                copies == null ? Copies.ONE : copies.toCopies(),
                taper == null ? Part.Taper.NONE : new Part.Taper(taper.x(), taper.y()),
                or(hidden, false),
                or(cuts, false),
                new Laying(or(sheetQuarters, 0), or(sheetSeed, 0)));
    }

    private Form toForm(Shells shells) {
        return switch (told(form, "form")) {
            case BLOCK -> new Form.Block(told(sizeMm, "sizeMm").toVec());
            case PANEL ->
                new Form.Panel(
                        told(sizeMm, "sizeMm").toVec(),
                        or(openings, List.<Hole>of()).stream().map(Hole::toRect).toList());
            case PRISM ->
                new Form.Prism(
                        new Outline(Bend.corners(told(outline, "outline"))),
                        or(holes, List.<List<Bend>>of()).stream()
                                .map(h -> new Outline(Bend.corners(h)))
                                .toList(),
                        told(heightMm, "heightMm").um());
            case STEPS ->
                new Form.Steps(
                        told(sizeMm, "sizeMm").toVec(),
                        told(treads, "treads"),
                        or(footMm, Length.ZERO).um(),
                        or(waistMm, Length.ofMillimetres(200)).um());
            case SLOPED ->
                new Form.Sloped(
                        told(lengthMm, "lengthMm").um(),
                        told(widthMm, "widthMm").um(),
                        told(lowFromMm, "lowFromMm").um(),
                        told(highFromMm, "highFromMm").um(),
                        told(lowToMm, "lowToMm").um(),
                        told(highToMm, "highToMm").um());
            case TURNED ->
                new Form.Turned(
                        told(stations, "stations").stream()
                                .map(s -> new Form.Turned.Station(s.radius().um(), s.z().um()))
                                .toList(),
                        or(sides, Form.Turned.SIDES));
            case BARS ->
                new Form.Bars(
                        told(sizeMm, "sizeMm").toVec(),
                        or(riseMm, Length.ZERO).um(),
                        or(treads, 0),
                        told(pitchMm, "pitchMm").um(),
                        told(barMm, "barMm").um());
            case PUSHED ->
                new Form.Pushed(
                        told(profile, "profile").toProfile(),
                        told(path, "path").stream()
                                .map(w -> new Form.Pushed.Corner(
                                        Vec.of(w.x(), w.y(), w.z()),
                                        or(w.radius(), Length.ZERO).um()))
                                .toList(),
                        or(closed, false),
                        Integer.signum(or(across, 0)),
                        Integer.signum(or(up, 0)),
                        or(mirrored, false));
            case LETTERS ->
                new Form.Letters(
                        told(text, "text"),
                        told(heightMm, "heightMm").um(),
                        told(widthMm, "widthMm").um());
            case BROUGHT -> new Form.Brought(shells.shell(told(mesh, "mesh")), or(laidOut, false), or(exact, false));
        };
    }

    public static List<PartWords> of(List<Part> parts) {
        return parts.stream().map(PartWords::of).toList();
    }

    public static PartWords of(Part part) {
        var words = new Words(Millimetres.JSON.createObjectNode());
        words.at("name", part.name()).at("swatch", part.swatch()).at("atMm", Spot.of(part.at()));
        part.edge().ifPresent(e -> words.at("bevel", new Bevelled(e.width(), e.segments())));
        if (!part.turn().equals(Part.Turning.NONE)) {
            words.at(
                    "turn",
                    new Degrees(part.turn().x(), part.turn().y(), part.turn().z()));
        }
        if (part.hidden()) {
            words.at("hidden", true);
        }
        if (part.cuts()) {
            words.at("cuts", true);
        }
        if (!part.taper().equals(Part.Taper.NONE)) {
            words.at("taper", new Tapered(part.taper().x(), part.taper().y()));
        }
        if (!part.copies().equals(Copies.ONE)) {
            words.at("copies", Times.of(part.copies()));
        }
        if (part.laying().quarters() > 0) {
            words.at("sheetQuarters", part.laying().quarters());
        }
        if (part.laying().seed() > 0) {
            words.at("sheetSeed", part.laying().seed());
        }
        form(words, part.form());
        return Millimetres.JSON.treeToValue(words.json(), PartWords.class);
    }

    private static void form(Words words, Form form) {
        if (form instanceof Form.Block b) {
            words.at("form", What.BLOCK).at("sizeMm", Spot.of(b.size()));
        } else if (form instanceof Form.Panel p) {
            words.at("form", What.PANEL)
                    .at("sizeMm", Spot.of(p.size()))
                    .at("openings", p.openings().stream().map(Hole::of).toList());
        } else if (form instanceof Form.Prism p) {
            words.at("form", What.PRISM)
                    .at("outline", Bend.of(p.outline().corners()))
                    .at(
                            "holes",
                            p.holes().stream().map(h -> Bend.of(h.corners())).toList())
                    .at("heightMm", new Length(p.height()));
        } else if (form instanceof Form.Steps s) {
            words.at("form", What.STEPS)
                    .at("sizeMm", Spot.of(s.size()))
                    .at("treads", s.treads())
                    .at("footMm", new Length(s.foot()))
                    .at("waistMm", new Length(s.waist()));
        } else if (form instanceof Form.Sloped s) {
            words.at("form", What.SLOPED)
                    .at("lengthMm", new Length(s.length()))
                    .at("widthMm", new Length(s.width()))
                    .at("lowFromMm", new Length(s.lowFrom()))
                    .at("highFromMm", new Length(s.highFrom()))
                    .at("lowToMm", new Length(s.lowTo()))
                    .at("highToMm", new Length(s.highTo()));
        } else if (form instanceof Form.Turned t) {
            words.at("form", What.TURNED)
                    .at(
                            "stations",
                            t.profile().stream()
                                    .map(s -> new Station(new Length(s.radius()), new Length(s.z())))
                                    .toList())
                    .at("sides", t.sides());
        } else if (form instanceof Form.Bars b) {
            words.at("form", What.BARS)
                    .at("sizeMm", Spot.of(b.size()))
                    .at("riseMm", new Length(b.rise()))
                    .at("treads", b.treads())
                    .at("pitchMm", new Length(b.pitch()))
                    .at("barMm", new Length(b.bar()));
        } else if (form instanceof Form.Letters l) {
            words.at("form", What.LETTERS)
                    .at("text", l.text())
                    .at("heightMm", new Length(l.height()))
                    .at("widthMm", new Length(l.depth()));
        } else if (form instanceof Form.Brought b) {
            words.at("form", What.BROUGHT).at("mesh", b.shell().digest()).at("laidOut", b.laidOut());
            if (b.exact()) {
                words.at("exact", true);
            }
        } else {
            var p = (Form.Pushed) form;
            words.at("form", What.PUSHED)
                    .at("profile", Section.of(p.profile()))
                    .at("closed", p.closed())
                    .at("across", p.across())
                    .at("up", p.up())
                    .at("mirrored", p.mirrored())
                    .at(
                            "path",
                            p.path().stream()
                                    .map(c -> new Way(
                                            new Length(c.at().x()),
                                            new Length(c.at().y()),
                                            new Length(c.at().z()),
                                            c.radius() == 0 ? null : new Length(c.radius())))
                                    .toList());
        }
    }

    /** Words as they are put together. */
    private record Words(ObjectNode json) {

        Words at(String field, Object value) {
            json.set(field, Millimetres.JSON.valueToTree(value));
            return this;
        }
    }
}
