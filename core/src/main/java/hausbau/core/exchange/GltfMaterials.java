package hausbau.core.exchange;

import de.javagl.jgltf.impl.v2.GlTF;
import de.javagl.jgltf.model.TextureModel;
import de.javagl.jgltf.model.creation.MaterialBuilder;
import de.javagl.jgltf.model.impl.DefaultImageModel;
import de.javagl.jgltf.model.impl.DefaultTextureModel;
import de.javagl.jgltf.model.v2.MaterialModelV2;
import de.javagl.jgltf.model.v2.MaterialModelV2.AlphaMode;
import hausbau.core.finish.Glow;
import hausbau.core.finish.Maps;
import hausbau.core.light.Rgb;
import hausbau.core.shape.MaterialNames;
import hausbau.core.shape.Swatch;
import java.nio.ByteBuffer;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/** The materials of a glTF file: one for each swatch as it looks. What glows and what light passes through is told by the ratified extensions. */
final class GltfMaterials {

    private static final String STRENGTH = "KHR_materials_emissive_strength";
    private static final String TRANSMISSION = "KHR_materials_transmission";
    private static final String VOLUME = "KHR_materials_volume";

    private final MaterialNames names;
    private final Map<String, Map<Swatch, SheetFiles>> sheets;
    private final Map<GltfScene.Dressed<Swatch>, MaterialModelV2> all = new LinkedHashMap<>();
    /** Colourways that are alike in a swatch share its pictures. */
    private final Map<Map<Maps.Kind, byte[]>, Map<Maps.Kind, TextureModel>> textures = new HashMap<>();

    private final Set<String> extensions = new TreeSet<>();
    /** Factors by the names of materials. */
    private final Map<String, float[]> emits = new HashMap<>();

    GltfMaterials(MaterialNames names, Map<String, Map<Swatch, SheetFiles>> sheets) {
        this.names = names;
        this.sheets = sheets;
    }

    MaterialModelV2 of(Swatch swatch, GltfScene.Look look) {
        return all.computeIfAbsent(new GltfScene.Dressed<>(swatch, look), this::material);
    }

    boolean isPictured() {
        return !sheets.isEmpty();
    }

    boolean isPictured(Swatch swatch) {
        return sheet(swatch, GltfScene.SITE) != null;
    }

    /** Those that its materials are told by. */
    Set<String> extensions() {
        return extensions;
    }

    private void extend(MaterialModelV2 material, String extension, Map<String, Object> values) {
        extensions.add(extension);
        material.addExtension(extension, values);
    }

    /** Its factor and strength multiply to cd/m², as the extension has it. */
    private void glow(MaterialModelV2 material, Swatch swatch, Glow glow, GltfScene.Look look) {
        var nits = glow.nits() * look.glow();
        if (nits == 0) {
            return;
        }
        var colour = Rgb.of(glow.colour())
                .times(new Rgb(channel(look.tint(), 0), channel(look.tint(), 1), channel(look.tint(), 2)));
        var most = Math.max(1e-3, Math.max(colour.r(), Math.max(colour.g(), colour.b())));
        emits.put(
                GltfScene.called(names.of(swatch), look),
                new float[] {(float) (colour.r() / most), (float) (colour.g() / most), (float) (colour.b() / most)});
        var bright = Math.max(1e-3, Rgb.of(glow.colour()).luminance());
        extend(material, STRENGTH, Map.of("emissiveStrength", nits * most / bright));
    }

    /** The writer in use leaves out what emits without a picture of it. */
    void glow(GlTF written) {
        if (written.getMaterials() != null) {
            written.getMaterials().forEach(material -> material.setEmissiveFactor(emits.get(material.getName())));
        }
    }

    private void glaze(MaterialModelV2 material, SheetFiles sheet) {
        var glazing = sheet.glazing();
        if (glazing.twoSided()) {
            material.setDoubleSided(true);
        }
        if (glazing.transparency() > 0) {
            extend(material, TRANSMISSION, Map.of("transmissionFactor", glazing.transparency() / 100.0));
        }
        if (glazing.thickness() > 0) {
            extend(material, VOLUME, Map.of("thicknessFactor", glazing.thickness() / 1e6));
        }
    }

    /** Null where there is none. */
    private @Nullable SheetFiles sheet(Swatch swatch, String colourway) {
        return sheets.getOrDefault(colourway, Map.of()).get(swatch);
    }

    /** One channel of a tint, linear as glTF has it (sRGB, IEC 61966-2-1). */
    private static float channel(String tint, int at) {
        if (tint.isEmpty()) {
            return 1;
        }
        var v = Integer.parseInt(tint.substring(1 + 2 * at, 3 + 2 * at), 16) / 255.0;
        return (float) (v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4));
    }

    private MaterialModelV2 material(GltfScene.Dressed<Swatch> of) {
        var swatch = of.what();
        var tint = of.look().tint();
        var sheet = sheet(swatch, of.look().colourway());
        var builder = MaterialBuilder.create();
        if (sheet == null) {
            builder.setBaseColorFactor(
                            (float) swatch.red() * channel(tint, 0),
                            (float) swatch.green() * channel(tint, 1),
                            (float) swatch.blue() * channel(tint, 2),
                            1)
                    .setMetallicRoughnessFactors((float) swatch.metallic(), (float) swatch.roughness());
        } else {
            var maps = textures.computeIfAbsent(
                    sheet.files(),
                    s -> textures(GltfScene.called(names.of(swatch), of.look().colourway()), sheet));
            builder.setBaseColorFactor(channel(tint, 0), channel(tint, 1), channel(tint, 2), 1)
                    .setMetallicRoughnessFactors(1, 1)
                    .setBaseColorTexture(maps.get(Maps.Kind.COLOUR), 0)
                    .setNormalTexture(maps.get(Maps.Kind.NORMAL), 1, 0)
                    .setMetallicRoughnessTexture(maps.get(Maps.Kind.SURFACE), 0)
                    .setOcclusionTexture(maps.get(Maps.Kind.SURFACE), 1, 0);
        }
        var material = builder.build();
        if (sheet != null && sheet.isCut()) {
            material.setAlphaMode(AlphaMode.MASK);
            material.setDoubleSided(true);
        }
        if (sheet != null) {
            glow(material, swatch, sheet.glow(), of.look());
            glaze(material, sheet);
        }
        material.setName(GltfScene.called(names.of(swatch), of.look()));
        return material;
    }

    private static Map<Maps.Kind, TextureModel> textures(String name, SheetFiles sheet) {
        var all = new EnumMap<Maps.Kind, TextureModel>(Maps.Kind.class);
        sheet.files().forEach((kind, file) -> {
            var image = new DefaultImageModel();
            image.setName(name + " " + kind.name().toLowerCase(Locale.ROOT));
            image.setMimeType(sheet.mediaType(kind));
            image.setImageData(ByteBuffer.wrap(file));
            var texture = new DefaultTextureModel();
            texture.setImageModel(image);
            all.put(kind, texture);
        });
        return all;
    }
}
