package hausbau.core.shape;

import hausbau.core.shape.Ring.At;
import java.awt.geom.AffineTransform;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** Letters as outlines, in the one typeface that is shipped: a plain sans serif under the SIL Open Font License. */
public final class Lettering {

    private static final String TYPEFACE = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    private static final class Typeface {
        static final Typeface SHIPPED = new Typeface();

        final TrueTypeFont font;
        final CmapLookup glyphs;
        /** Of a capital, in its own units. */
        final double capital;

        private Typeface() {
            try (var in = Lettering.class.getResourceAsStream(TYPEFACE)) {
                if (in == null) {
                    throw new IllegalStateException("no typeface is shipped");
                }
                font = new TTFParser().parse(RandomAccessReadBuffer.createBufferFromStream(in));
                glyphs = font.getUnicodeCmapLookup();
                capital = font.getGlyph()
                        .getGlyph(glyphs.getGlyphId('H'))
                        .getBoundingBox()
                        .getUpperRightY();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private Lettering() {}

    /** The first character that the typeface does not have. */
    public static Optional<String> missing(String text) {
        return text.codePoints()
                .filter(c -> Typeface.SHIPPED.glyphs.getGlyphId(c) == 0)
                .mapToObj(Character::toString)
                .findFirst();
    }

    /**
     * @param height    of a capital, millimetres
     * @param tolerance how far a chord may lie from its curve, millimetres
     * @return the bodies of all letters, each an outline and its holes; their foot lies at Y 0, the line begins at X 0
     */
    public static List<List<Ring>> bodies(String text, double height, double tolerance) {
        var face = Typeface.SHIPPED;
        var scale = height / face.capital;
        var bodies = new ArrayList<List<Ring>>();
        var at = 0.0;
        try {
            for (var c : text.codePoints().toArray()) {
                var glyph = face.glyphs.getGlyphId(c);
                var data = face.font.getGlyph().getGlyph(glyph);
                if (data != null) {
                    var transform = new AffineTransform(scale, 0, 0, scale, at, 0);
                    var loops = Contours.of(data.getPath(), transform, tolerance).stream()
                            .map(Contours.Line::points)
                            .filter(p -> p.size() > 2)
                            .toList();
                    Contours.bodies(loops).forEach(body -> bodies.add(rings(body, tolerance)));
                }
                at += face.font.getAdvanceWidth(glyph) * scale;
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bodies;
    }

    private static List<Ring> rings(List<List<At>> body, double tolerance) {
        var rings = new ArrayList<Ring>();
        for (var i = 0; i < body.size(); i++) {
            rings.add(Ring.of(
                    body.get(i).stream().map(p -> new Ring.Corner(p.x(), p.y())).toList(), i > 0, tolerance));
        }
        return rings;
    }
}
