package hausbau.core.kit;

import hausbau.core.kit.Form.Turned.Station;
import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Swatch;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Props that a new site may begin with, made of parts like any other, to be changed or put away. Each stands on its base
 * about its middle. Sizes are common practice, no source.
 */
public final class PlainProps {

    private PlainProps() {}

    /** @param code that it begins with, @param name in a word */
    public record Prop(String code, String name, List<Part> parts) {}

    public static List<Prop> all() {
        return List.of(crate(), table(), chair(), shelf(), barrel(), sign(), lamp());
    }

    private static Prop crate() {
        var parts = new ArrayList<Part>();
        parts.add(block("body", Swatch.TIMBER, 20, 20, 20, 580, 580, 580));
        for (var z : new int[] {0, 530}) {
            for (var y : new int[] {0, 580}) {
                parts.add(block("rail", Swatch.TIMBER, 0, y, z, 600, y + 20, z + 70));
            }
            for (var x : new int[] {0, 580}) {
                parts.add(block("rail", Swatch.TIMBER, x, 20, z, x + 20, 580, z + 70));
            }
        }
        parts.addAll(four("post", Swatch.TIMBER, 600, 600, 70, 20, 70, 530));
        return new Prop("PRP-CRATE", "crate", parts);
    }

    private static Prop table() {
        var parts = new ArrayList<Part>();
        parts.add(block("top", Swatch.TIMBER, 0, 0, 710, 1200, 700, 750));
        parts.add(block("apron", Swatch.TIMBER, 110, 60, 620, 1090, 85, 710));
        parts.add(block("apron", Swatch.TIMBER, 110, 615, 620, 1090, 640, 710));
        for (var x : new int[] {50, 1090}) {
            for (var y : new int[] {50, 590}) {
                parts.add(block("leg", Swatch.TIMBER, x, y, 0, x + 60, y + 60, 710));
            }
        }
        return new Prop("PRP-TABLE", "table", parts);
    }

    private static Prop chair() {
        var parts = new ArrayList<Part>();
        parts.add(block("seat", Swatch.TIMBER, 0, 0, 420, 420, 420, 450));
        for (var x : new int[] {10, 375}) {
            parts.add(block("leg", Swatch.TIMBER, x, 10, 0, x + 35, 45, 420));
            parts.add(block("back leg", Swatch.TIMBER, x, 420, 0, x + 35, 455, 850));
        }
        for (var z : new int[] {600, 760}) {
            parts.add(block("slat", Swatch.TIMBER, 45, 428, z, 375, 447, z + 80));
        }
        return new Prop("PRP-CHAIR", "chair", parts);
    }

    private static Prop shelf() {
        var parts = new ArrayList<Part>();
        parts.add(block("side", Swatch.TIMBER, 0, 0, 0, 25, 350, 1800));
        parts.add(block("side", Swatch.TIMBER, 875, 0, 0, 900, 350, 1800));
        parts.add(block("back", Swatch.TIMBER, 25, 338, 0, 875, 350, 1800));
        IntStream.range(0, 5)
                .map(i -> 60 + i * 425)
                .forEach(z -> parts.add(block("board", Swatch.TIMBER, 25, 0, z, 875, 338, z + 25)));
        return new Prop("PRP-SHELF", "shelf", parts);
    }

    private static Prop barrel() {
        var body = turned("body", Swatch.TIMBER, 24, 230, 0, 262, 180, 285, 440, 262, 700, 230, 880);
        var hoops = Stream.of(new int[] {252, 130}, new int[] {283, 300}, new int[] {283, 540}, new int[] {252, 710})
                .map(hoop -> turned(
                        "hoop",
                        Swatch.METAL,
                        24,
                        hoop[0],
                        hoop[1],
                        hoop[0] + 8,
                        hoop[1] + 20,
                        hoop[0] + 8,
                        hoop[1] + 30,
                        hoop[0],
                        hoop[1] + 50));
        return new Prop(
                "PRP-BARREL", "barrel", Stream.concat(Stream.of(body), hoops).toList());
    }

    private static Prop sign() {
        return new Prop(
                "PRP-SIGN",
                "sign",
                List.of(
                        block("board", Swatch.PAINT, 0, 20, 0, 1200, 50, 400),
                        Part.of(Swatch.METAL, new Form.Letters("OPEN", 220_000, 20_000), Vec.ofMillimetres(230, 0, 90))
                                .named("letters")));
    }

    private static Prop lamp() {
        return new Prop(
                "PRP-TABLE-LAMP",
                "table lamp",
                List.of(
                        turned("foot", Swatch.METAL, 24, 80, 0, 80, 12, 14, 30, 10, 260, 30, 270),
                        turned("shade", Swatch.OPAL, 24, 40, 270, 105, 330, 120, 390, 105, 450, 40, 500)));
    }

    /** An upright in each corner of a plan. */
    private static List<Part> four(String name, Swatch swatch, int x, int y, int wide, int deep, int z0, int z1) {
        return Stream.of(0, x - wide)
                .flatMap(x0 ->
                        Stream.of(0, y - deep).map(y0 -> block(name, swatch, x0, y0, z0, x0 + wide, y0 + deep, z1)))
                .toList();
    }

    private static Part block(String name, Swatch swatch, int x0, int y0, int z0, int x1, int y1, int z1) {
        return Part.block(swatch, new Box(Vec.ofMillimetres(x0, y0, z0), Vec.ofMillimetres(x1, y1, z1)))
                .named(name);
    }

    /** @param stations a radius and a height each, millimetres */
    private static Part turned(String name, Swatch swatch, int sides, int... stations) {
        var profile = IntStream.range(0, stations.length / 2)
                .mapToObj(i -> Station.ofMillimetres(stations[2 * i], stations[2 * i + 1]))
                .toList();
        return Part.of(swatch, new Form.Turned(profile, sides), Vec.ZERO).named(name);
    }
}
