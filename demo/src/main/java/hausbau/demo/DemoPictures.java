package hausbau.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.function.Consumer;
import javax.imageio.ImageIO;

/** What the demo's shared sheet is put together of, drawn here. */
final class DemoPictures {

    private static final Color GLAZE = new Color(0x2f5d55);
    private static final Color OCHRE = new Color(0xc79a45);
    private static final Color CREAM = new Color(0xe9e0cb);

    private DemoPictures() {}

    /** A row of glazed tiles with a wave that goes on to both sides: 1 m of 0.25 m at 256 pixels a metre. */
    static byte[] frieze() {
        return drawn(256, 64, g -> {
            g.setColor(GLAZE);
            g.fillRect(0, 0, 256, 64);
            g.setColor(CREAM);
            g.fillRect(0, 7, 256, 50);
            g.setColor(OCHRE);
            g.fillRect(0, 9, 256, 2);
            g.fillRect(0, 53, 256, 2);
            g.setStroke(new BasicStroke(5, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
            for (var x = -64; x < 320; x += 64) {
                var wave = new Path2D.Double();
                wave.moveTo(x, 46);
                wave.curveTo(x + 26, 46, x + 22, 19, x + 44, 19);
                wave.curveTo(x + 60, 19, x + 60, 40, x + 46, 38);
                wave.curveTo(x + 40, 37, x + 40, 29, x + 46, 29);
                g.setColor(GLAZE);
                g.draw(wave);
                g.fillOval(x + 8, 20, 7, 7);
            }
            // Joints, a tile each 64 pixels.
            g.setStroke(new BasicStroke(1));
            g.setColor(new Color(0x8f8c80));
            for (var x = 0; x < 256; x += 64) {
                g.drawLine(x, 0, x, 63);
            }
        });
    }

    /** A notice under a moulding, of lines that nobody can read from here: 1 × 0.75 m. */
    static byte[] notice() {
        return drawn(256, 192, g -> {
            g.setColor(new Color(0x4a3323));
            g.fillRect(0, 0, 256, 192);
            g.setColor(CREAM);
            g.fillRect(8, 8, 240, 176);
            g.setColor(GLAZE);
            g.fillRect(18, 18, 220, 30);
            g.setColor(CREAM);
            g.fillRect(60, 29, 136, 8);
            g.setColor(new Color(0x3b3b38));
            for (var line = 0; line < 9; line++) {
                g.fillRect(24, 60 + 13 * line, line % 4 == 3 ? 96 : 150, 4);
                g.fillRect(196, 60 + 13 * line, line % 4 == 3 ? 0 : 34, 4);
            }
        });
    }

    private static byte[] drawn(int width, int height, Consumer<Graphics2D> by) {
        var picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        var g = picture.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        by.accept(g);
        g.dispose();
        var out = new ByteArrayOutputStream();
        try {
            ImageIO.write(picture, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
