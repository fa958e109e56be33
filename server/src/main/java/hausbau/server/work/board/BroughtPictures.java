package hausbau.server.work.board;

import hausbau.core.exchange.in.Incoming;
import hausbau.core.exchange.in.Incoming.Shows;
import hausbau.core.exchange.in.Tone;
import hausbau.core.finish.Coat;
import hausbau.core.finish.Coat.Layer;
import hausbau.core.finish.Colourway;
import hausbau.core.finish.Picture;
import hausbau.core.kit.Form;
import hausbau.core.kit.Part;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Sheets;
import hausbau.core.shape.Swatch;
import hausbau.server.journal.Edit;
import hausbau.server.store.Stores;
import hausbau.server.store.board.MediaRow;
import hausbau.server.store.kit.ColourwayRow;
import hausbau.server.work.FreshName;
import hausbau.server.work.kit.MaterialService;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Component;

/** Takes the pictures of files that are brought in onto sheets: each material on a swatch of one's own, just as its UVs have it. */
@Component
public class BroughtPictures {

    private final Stores stores;
    private final PictureDesk desk;

    BroughtPictures(Stores stores, PictureDesk desk) {
        this.stores = stores;
        this.desk = desk;
    }

    /**
     * Reads the pictures of some materials; no transaction should stand open meanwhile.
     *
     * @throws Refused if one of them is no whole picture, with its material
     */
    public Map<String, Map<Layer, PictureFile>> read(Incoming file, Set<String> materials) {
        var read = new LinkedHashMap<String, Map<Layer, PictureFile>>();
        file.pictures().forEach((material, shown) -> {
            if (materials.contains(material)) {
                try {
                    read.put(material, layers(shown));
                } catch (Refused e) {
                    throw new Refused("pictures", "Of “" + material + "”: " + e.getMessage());
                }
            }
        });
        return read;
    }

    private Map<Layer, PictureFile> layers(Map<Shows, byte[]> shown) {
        var layers = new EnumMap<Layer, PictureFile>(Layer.class);
        shown.forEach((shows, bytes) -> {
            var picture = desk.read(bytes);
            switch (shows) {
                case COLOUR -> layers.put(Layer.COLOUR, picture);
                case NORMAL -> layers.put(Layer.NORMAL, picture);
                case ROUGHNESS -> layers.put(Layer.ROUGHNESS, picture);
                case METALLIC -> layers.put(Layer.METALLIC, picture);
                case OCCLUSION -> layers.put(Layer.OCCLUSION, channel(picture, 16));
                case SURFACE -> {
                    layers.putIfAbsent(Layer.ROUGHNESS, channel(picture, 8));
                    layers.putIfAbsent(Layer.METALLIC, channel(picture, 0));
                }
            }
        });
        return layers;
    }

    /** One colour of a picture as grey. @param shift of its bits: 16 is red, 8 green, 0 blue */
    private PictureFile channel(PictureFile of, int shift) {
        Picture pixels = PictureFile.pixels(of.original());
        var grey = new BufferedImage(pixels.width(), pixels.height(), BufferedImage.TYPE_INT_RGB);
        var argb = pixels.pixels();
        var one = new int[argb.length];
        for (var i = 0; i < argb.length; i++) {
            one[i] = (argb[i] >> shift & 0xFF) * 0x010101;
        }
        grey.setRGB(0, 0, pixels.width(), pixels.height(), one, 0, pixels.width());
        var out = new ByteArrayOutputStream();
        try {
            ImageIO.write(grey, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return desk.read(out.toByteArray());
    }

    /**
     * Makes materials of the site's own of what a file tells of its materials: pictures, or a colour and how rough and metallic it
     * is, in every colourway of the site; a site that is under the usual one gets one of its own. They are called as in the file.
     *
     * @param before parts of what it takes the place of: a material that is one of the site's own already keeps it
     * @return what each is made of
     */
    public Map<String, Swatch> lay(
            Edit edit, Map<String, Map<Layer, PictureFile>> pictured, Map<String, Tone> tones, List<Part> before) {
        var given = new HashMap<String, Swatch>();
        var all = new LinkedHashSet<>(pictured.keySet());
        all.addAll(tones.keySet());
        if (all.isEmpty()) {
            return given;
        }
        before.stream()
                .filter(p -> p.form() instanceof Form.Brought && p.swatch().isOwn() && all.contains(p.name()))
                .forEach(p -> given.put(p.name(), p.swatch()));
        var coats = new TreeMap<Swatch, Coat>();
        for (var material : all) {
            var names = stores.kits().materialNames(edit.site().getId());
            var swatch = given.computeIfAbsent(
                    material, m -> MaterialService.enter(edit, stores, m.isBlank() ? "" : names.fresh(m)));
            var layers = pictured.get(material);
            var tone = tones.get(material);
            if (layers == null) {
                coats.put(swatch, toned(Objects.requireNonNull(tone)));
                continue;
            }
            var media = new EnumMap<Layer, Long>(Layer.class);
            layers.forEach((layer, picture) -> media.put(layer, keep(edit, picture)));
            var coat = Coat.ofWholeSheet(media);
            coats.put(swatch, tone == null ? coat : coat.with(tone.glow(), tone.glazing()));
            // No pixel of theirs is lost, and no more are made up than must be.
            MaterialService.setPixels(
                    edit,
                    stores,
                    swatch,
                    layers.values().stream()
                            .mapToInt(p -> Sheets.sideFor(Math.max(p.width(), p.height())))
                            .max()
                            .orElse(Sheets.USUAL_SIDE));
        }
        wear(edit, coats);
        return given;
    }

    private static Coat toned(Tone tone) {
        return Coat.plain(tone.colour(), tone.roughness(), tone.metallic()).with(tone.glow(), tone.glazing());
    }

    private long keep(Edit edit, PictureFile picture) {
        var media = new MediaRow(
                stores.nextId(),
                edit.site().getId(),
                picture.type(),
                picture.width(),
                picture.height(),
                picture.original(),
                picture.preview());
        stores.boards().keep(media);
        return media.id();
    }

    private void wear(Edit edit, Map<Swatch, Coat> coats) {
        var siteId = edit.site().getId();
        var rows = stores.kits().colourways(siteId);
        rows.forEach(row -> edit.change(row, r -> r.set(with(r.toColourway(), coats))));
        if (rows.stream().noneMatch(ColourwayRow::isUsed)) {
            var own = new ColourwayRow(
                    stores.nextId(),
                    siteId,
                    FreshName.of(
                            "own pictures",
                            rows.stream().map(ColourwayRow::name).toList()),
                    with(Colourway.usual(), coats));
            own.use(true);
            edit.add(own);
        }
    }

    private static Colourway with(Colourway standing, Map<Swatch, Coat> coats) {
        var all = new TreeMap<Swatch, Coat>(standing.coats());
        all.putAll(coats);
        return new Colourway(all);
    }
}
