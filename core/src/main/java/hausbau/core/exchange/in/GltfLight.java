package hausbau.core.exchange.in;

import de.javagl.jgltf.model.v2.MaterialModelV2;
import hausbau.core.finish.Glazing;
import hausbau.core.finish.Glow;
import hausbau.core.light.Rgb;
import java.util.Map;

/**
 * The light of glTF's materials: what they emit, in cd/m² by KHR_materials_emissive_strength, and what passes through them by
 * KHR_materials_transmission and KHR_materials_volume. What lies beyond a finish's range is brought into it.
 */
final class GltfLight {

    private GltfLight() {}

    static Glow glow(MaterialModelV2 material) {
        var factor = material.getEmissiveFactor();
        if (factor == null || material.getEmissiveTexture() != null) {
            return Glow.NONE;
        }
        var light = new Rgb(factor[0], factor[1], factor[2]);
        var nits = Math.round(
                light.luminance() * number(material, "KHR_materials_emissive_strength", "emissiveStrength", 1));
        if (nits <= 0) {
            return Glow.NONE;
        }
        var most = Math.max(light.r(), Math.max(light.g(), light.b()));
        var colour = Tone.of(
                Tone.encoded(light.r() / most), Tone.encoded(light.g() / most), Tone.encoded(light.b() / most), 0, 0);
        return new Glow(colour.colour(), (int) Math.min(1_000_000, nits), 100);
    }

    static Glazing glazing(MaterialModelV2 material) {
        var passes = number(material, "KHR_materials_transmission", "transmissionFactor", 0);
        var thick = number(material, "KHR_materials_volume", "thicknessFactor", 0);
        if (!(passes > 0)) {
            return Glazing.OPAQUE;
        }
        return new Glazing(
                (int) Math.round(100 * Math.min(1, passes)),
                Math.max(0, Math.min(1_000_000, Math.round(thick * 1e6))),
                Boolean.TRUE.equals(material.isDoubleSided()));
    }

    private static double number(MaterialModelV2 material, String extension, String field, double otherwise) {
        return material.getExtensions() != null
                        && material.getExtensions().get(extension) instanceof Map<?, ?> values
                        && values.get(field) instanceof Number number
                        && Double.isFinite(number.doubleValue())
                ? number.doubleValue()
                : otherwise;
    }
}
