package hausbau.core.exchange;

import de.javagl.jgltf.model.impl.DefaultGltfModel;
import de.javagl.jgltf.model.impl.DefaultNodeModel;
import hausbau.core.irradiance.StandingLamps;
import hausbau.core.light.Emitter;
import hausbau.core.light.Lamp;
import hausbau.core.shape.Point;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The lamps of a glTF file, by KHR_lights_punctual: a node for each lamp, under the node of what it hangs on. Tubes and panels, which the extension
 * does not have, are rows of lights; what they are is told in the extras of their node.
 */
final class GltfLamps {

    static final String EXTENSION = "KHR_lights_punctual";

    private final Map<Map<String, Object>, Integer> lights = new LinkedHashMap<>();

    /** A lamp in the frame of its piece. */
    DefaultNodeModel node(StandingLamps.Lit lit) {
        var name = "lamp " + (lit.number() + 1);
        var node = new DefaultNodeModel();
        node.setName(name);
        node.setExtras(Map.of("lamp", told(lit.lamp())));
        for (var emitter : lit.inItsPiece()) {
            var child = new DefaultNodeModel();
            child.setName(name + " light");
            var at = emitter.at();
            child.setTranslation(new float[] {(float) at.x(), (float) at.z(), (float) -at.y()});
            child.setRotation(toward(emitter.way()));
            child.addExtension(EXTENSION, Map.of("light", lights.computeIfAbsent(light(emitter), l -> lights.size())));
            node.addChild(child);
        }
        return node;
    }

    private static Map<String, Object> told(Lamp lamp) {
        var all = new LinkedHashMap<String, Object>();
        all.put("kind", lamp.kind().name());
        all.put("xMm", lamp.at().x() / 1000.0);
        all.put("yMm", lamp.at().y() / 1000.0);
        all.put("zMm", lamp.at().z() / 1000.0);
        all.put("turn", lamp.turn());
        all.put("tilt", lamp.tilt());
        all.put("lengthMm", lamp.length() / 1000.0);
        all.put("widthMm", lamp.width() / 1000.0);
        all.put("lumens", lamp.lumens());
        all.put("kelvin", lamp.kelvin());
        all.put("cone", lamp.cone());
        all.put("reachM", lamp.reach());
        return all;
    }

    /** Its intensity is in candela where it shines most, its colour linear. */
    private static Map<String, Object> light(Emitter emitter) {
        var c = emitter.candela();
        var most = Math.max(1e-9, Math.max(c.r(), Math.max(c.g(), c.b())));
        var light = new LinkedHashMap<String, Object>();
        var isToAllSides = emitter.kind() == Lamp.Kind.POINT || emitter.kind() == Lamp.Kind.LINE;
        light.put("type", isToAllSides ? "point" : "spot");
        light.put("color", List.of(c.r() / most, c.g() / most, c.b() / most));
        light.put("intensity", most);
        light.put("range", emitter.reach());
        if (!isToAllSides) {
            // A panel gives a half and more within 60 degrees.
            var isPanel = emitter.kind() == Lamp.Kind.PANEL;
            var outer = isPanel ? Math.PI / 2 : Math.acos(emitter.cosine());
            light.put("spot", Map.of("innerConeAngle", isPanel ? 0.0 : 0.8 * outer, "outerConeAngle", outer));
        }
        return light;
    }

    /** A light shines along its own -Z. */
    private static float[] toward(Point way) {
        var x = way.x();
        var y = way.z();
        var z = -way.y();
        if (z > 0.999_999) {
            return new float[] {0, 1, 0, 0};
        }
        // From (0, 0, -1) to the way, by the shortest arc.
        var w = 1 - z;
        var length = Math.sqrt(y * y + x * x + w * w);
        return new float[] {(float) (y / length), (float) (-x / length), 0, (float) (w / length)};
    }

    /** Adds the lights that its nodes speak of. */
    void tell(DefaultGltfModel model) {
        if (lights.isEmpty()) {
            return;
        }
        model.getExtensionsModel().addExtensionUsed(EXTENSION);
        model.addExtension(EXTENSION, Map.of("lights", new ArrayList<>(lights.keySet())));
    }
}
