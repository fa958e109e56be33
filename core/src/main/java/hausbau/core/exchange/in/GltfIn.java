package hausbau.core.exchange.in;

import de.javagl.jgltf.model.AccessorByteData;
import de.javagl.jgltf.model.AccessorFloatData;
import de.javagl.jgltf.model.AccessorIntData;
import de.javagl.jgltf.model.AccessorModel;
import de.javagl.jgltf.model.AccessorShortData;
import de.javagl.jgltf.model.GltfConstants;
import de.javagl.jgltf.model.GltfModel;
import de.javagl.jgltf.model.GltfModels;
import de.javagl.jgltf.model.ImageModel;
import de.javagl.jgltf.model.MaterialModel;
import de.javagl.jgltf.model.MeshPrimitiveModel;
import de.javagl.jgltf.model.NodeModel;
import de.javagl.jgltf.model.TextureModel;
import de.javagl.jgltf.model.io.Buffers;
import de.javagl.jgltf.model.io.GltfAsset;
import de.javagl.jgltf.model.io.GltfAssetReader;
import de.javagl.jgltf.model.io.v2.GltfAssetV2;
import de.javagl.jgltf.model.v2.MaterialModelV2;
import hausbau.core.bring.Choices;
import hausbau.core.bring.Choices.Up;
import hausbau.core.bring.ImportedObject;
import hausbau.core.exchange.in.Incoming.CalledOff;
import hausbau.core.exchange.in.Incoming.Progress;
import hausbau.core.exchange.in.Incoming.Shows;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Swatch;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Reads glTF 2.0, in one file or in several: nodes that have meshes become things, as they stand in the scene. Metres, Y up, as it has them. */
final class GltfIn {

    private final Bundle bundle;
    private final String model;
    private final Progress progress;
    private final GltfChecks checks;
    private final Set<String> missing = new LinkedHashSet<>();
    private final Set<String> textures = new LinkedHashSet<>();
    private final Set<String> left = new LinkedHashSet<>();
    private final Map<String, Map<Shows, byte[]>> pictures = new LinkedHashMap<>();
    private final Map<String, Swatch> swatches = new LinkedHashMap<>();
    private final Map<String, Tone> tones = new LinkedHashMap<>();

    GltfIn(Bundle bundle, String model, Progress progress) {
        this.bundle = bundle;
        this.model = model;
        this.progress = progress;
        checks = new GltfChecks(model);
    }

    Incoming read() {
        try {
            return incoming(model());
        } catch (IOException | RuntimeException e) {
            if (e instanceof Refused || e instanceof CalledOff) {
                throw (RuntimeException) e;
            }
            throw new Refused("file", "“" + model + "” is no glTF 2.0, or it is damaged.");
        }
    }

    private Incoming incoming(GltfModel gltf) {
        var things = new ArrayList<ImportedObject>();
        var nodes = gltf.getNodeModels();
        for (var i = 0; i < nodes.size(); i++) {
            on(0.4 + 0.6 * i / nodes.size());
            thing(nodes.get(i)).ifPresent(things::add);
        }
        if (things.isEmpty()) {
            throw new Refused("file", "“" + model + "” has no faces.");
        }
        var single = things.size() == 1;
        var named = single && things.get(0).name().isEmpty()
                ? List.of(new ImportedObject(
                        Bundle.stem(model),
                        things.get(0).surfaces(),
                        things.get(0).uneven(),
                        things.get(0).stray()))
                : things;
        return new Incoming(
                Bundle.stem(model),
                named,
                new Choices(1000, Up.Y, false, Set.of()),
                swatches,
                textures,
                missing,
                List.copyOf(left),
                pictures,
                tones);
    }

    private void on(double share) {
        if (!progress.at(share)) {
            throw new CalledOff();
        }
    }

    private GltfModel model() throws IOException {
        on(0);
        var reader = new GltfAssetReader();
        // What it does not know it passes over; what is wrong shows in what is read.
        reader.setJsonErrorConsumer(error -> {});
        var asset = reader.readWithoutReferences(new ByteArrayInputStream(bundle.bytes(model)));
        if (!(asset instanceof GltfAssetV2 v2)) {
            throw new Refused("file", "“" + model + "” is glTF of an older version than 2.0. Save it as 2.0.");
        }
        checks.require(v2);
        refer(asset);
        on(0.3);
        return GltfModels.create(asset);
    }

    private void refer(GltfAsset asset) {
        for (var reference : asset.getReferences()) {
            var uri = reference.getUri();
            var isPicture = reference.getName().toLowerCase(Locale.ROOT).contains("image");
            var file = bundle.referred(model, uri);
            if (isPicture) {
                textures.add(uri);
            }
            if (file.isEmpty()) {
                if (!isPicture) {
                    throw new Refused(
                            "file",
                            "“" + model + "” needs “" + Bundle.cut(uri)
                                    + "”, which was not handed over with it. Choose both.");
                }
                missing.add(uri);
            }
            reference.getTarget().accept(Buffers.create(file.orElse(new byte[0])));
        }
    }

    private Optional<ImportedObject> thing(NodeModel node) {
        var surfaces = new ArrayList<ImportedObject.Surface>();
        var place = new double[16];
        var m = node.computeGlobalTransform(new float[16]);
        Arrays.setAll(place, i -> m[i]);
        var stray = 0;
        for (var mesh : node.getMeshModels()) {
            for (var primitive : mesh.getMeshPrimitiveModels()) {
                if (primitive.getMode() < GltfConstants.GL_TRIANGLES) {
                    left.add("points and lines of “" + name(node) + "”");
                    continue;
                }
                if (!primitive.getTargets().isEmpty()) {
                    left.add("what “" + name(node) + "” is blended to");
                }
                var surface = surface(primitive, place);
                stray += unused(surface);
                surfaces.add(surface);
            }
        }
        if (node.getSkinModel() != null) {
            left.add("the bones of “" + name(node) + "”");
        }
        return surfaces.stream().allMatch(s -> s.indices().length == 0)
                ? Optional.empty()
                : Optional.of(new ImportedObject(name(node), surfaces, isUneven(place), stray));
    }

    private static int unused(ImportedObject.Surface surface) {
        var used = new boolean[surface.places().length / 3];
        for (var index : surface.indices()) {
            used[index] = true;
        }
        var count = 0;
        for (var is : used) {
            count += is ? 0 : 1;
        }
        return count;
    }

    /** Its own name, else its mesh's. */
    private static String name(NodeModel node) {
        return node.getName() != null
                ? node.getName()
                : node.getMeshModels().stream()
                        .map(m -> m.getName())
                        .filter(Objects::nonNull)
                        .findFirst()
                        .orElse("");
    }

    private static double length(double[] m, int column) {
        return Math.sqrt(m[4 * column] * m[4 * column]
                + m[4 * column + 1] * m[4 * column + 1]
                + m[4 * column + 2] * m[4 * column + 2]);
    }

    private static double determinant(double[] m) {
        return m[0] * (m[5] * m[10] - m[6] * m[9])
                - m[4] * (m[1] * m[10] - m[2] * m[9])
                + m[8] * (m[1] * m[6] - m[2] * m[5]);
    }

    private static boolean isUneven(double[] m) {
        var x = length(m, 0);
        return Math.abs(length(m, 1) - x) > 1e-4 * x || Math.abs(length(m, 2) - x) > 1e-4 * x || determinant(m) < 0;
    }

    private ImportedObject.Surface surface(MeshPrimitiveModel primitive, double[] m) {
        var material = material(primitive.getMaterialModel());
        var from = floats(primitive, "POSITION", 3);
        var places = new double[from.length];
        for (var v = 0; v < from.length; v += 3) {
            for (var axis = 0; axis < 3; axis++) {
                var at = m[axis] * from[v] + m[4 + axis] * from[v + 1] + m[8 + axis] * from[v + 2] + m[12 + axis];
                if (!(Math.abs(at) <= 1e9)) {
                    throw new Refused(
                            "file", "“" + model + "” has a corner whose place is no number, or beyond all bounds.");
                }
                places[v + axis] = at;
            }
        }
        var normals = normals(floats(primitive, "NORMAL", 3), m);
        var uvs = floats(primitive, "TEXCOORD_0", 2);
        for (var uv : uvs) {
            if (!(Math.abs(uv) <= 1e6)) {
                uvs = new float[0];
                break;
            }
        }
        var indices = indices(primitive, places.length / 3, determinant(m) < 0);
        return new ImportedObject.Surface(
                material,
                places,
                normals.length == places.length ? normals : new float[0],
                uvs.length / 2 == places.length / 3 ? uvs : new float[0],
                indices,
                List.of());
    }

    /** By the inverse transpose, which keeps them upright on their faces; its scale does not matter. */
    private static float[] normals(float[] from, double[] m) {
        var cofactors = new double[][] {
            {m[5] * m[10] - m[6] * m[9], m[6] * m[8] - m[4] * m[10], m[4] * m[9] - m[5] * m[8]},
            {m[2] * m[9] - m[1] * m[10], m[0] * m[10] - m[2] * m[8], m[1] * m[8] - m[0] * m[9]},
            {m[1] * m[6] - m[2] * m[5], m[2] * m[4] - m[0] * m[6], m[0] * m[5] - m[1] * m[4]}
        };
        var turned = new float[from.length];
        var sign = determinant(m) < 0 ? -1 : 1;
        for (var v = 0; v < from.length; v += 3) {
            var n = new double[3];
            for (var axis = 0; axis < 3; axis++) {
                n[axis] = sign
                        * (cofactors[axis][0] * from[v]
                                + cofactors[axis][1] * from[v + 1]
                                + cofactors[axis][2] * from[v + 2]);
            }
            var length = Math.sqrt(n[0] * n[0] + n[1] * n[1] + n[2] * n[2]);
            for (var axis = 0; axis < 3; axis++) {
                turned[v + axis] = (float) (n[axis] / length);
            }
        }
        return turned;
    }

    /** Empty where there are none. */
    private float[] floats(MeshPrimitiveModel primitive, String attribute, int wide) {
        var accessor = primitive.getAttributes().get(attribute);
        if (accessor == null) {
            return new float[0];
        }
        if (accessor.getElementType().getNumComponents() != wide) {
            throw checks.tooMuch();
        }
        if (!(accessor.getAccessorData() instanceof AccessorFloatData data)) {
            if (attribute.equals("POSITION")) {
                throw new Refused(
                        "file",
                        "“" + model
                                + "” has its corners packed in whole numbers. Save it without packing them (quantising).");
            }
            return new float[0];
        }
        var floats = new float[accessor.getCount() * wide];
        for (var i = 0; i < accessor.getCount(); i++) {
            for (var k = 0; k < wide; k++) {
                floats[i * wide + k] = data.get(i, k);
            }
        }
        return floats;
    }

    private int[] indices(MeshPrimitiveModel primitive, int vertices, boolean isMirrored) {
        var raw = raw(primitive.getIndices(), vertices);
        for (var index : raw) {
            if (index < 0 || index >= vertices) {
                throw checks.tooMuch();
            }
        }
        var mode = primitive.getMode();
        var triangles = mode == GltfConstants.GL_TRIANGLES ? raw.length / 3 : Math.max(0, raw.length - 2);
        var indices = new int[3 * triangles];
        for (var t = 0; t < triangles; t++) {
            var a = mode == GltfConstants.GL_TRIANGLES
                    ? raw[3 * t]
                    : mode == GltfConstants.GL_TRIANGLE_FAN ? raw[0] : raw[t + (t & 1)];
            var b = mode == GltfConstants.GL_TRIANGLES
                    ? raw[3 * t + 1]
                    : mode == GltfConstants.GL_TRIANGLE_FAN ? raw[t + 1] : raw[t + 1 - (t & 1)];
            var c = mode == GltfConstants.GL_TRIANGLES ? raw[3 * t + 2] : raw[t + 2];
            indices[3 * t] = a;
            indices[3 * t + 1] = isMirrored ? c : b;
            indices[3 * t + 2] = isMirrored ? b : c;
        }
        return indices;
    }

    private int[] raw(@Nullable AccessorModel accessor, int vertices) {
        if (accessor == null) {
            var all = new int[vertices];
            Arrays.setAll(all, i -> i);
            return all;
        }
        var indices = new int[accessor.getCount()];
        var data = accessor.getAccessorData();
        if (data instanceof AccessorByteData bytes) {
            Arrays.setAll(indices, i -> bytes.get(i) & 0xFF);
        } else if (data instanceof AccessorShortData shorts) {
            Arrays.setAll(indices, i -> shorts.get(i) & 0xFFFF);
        } else if (data instanceof AccessorIntData ints) {
            Arrays.setAll(indices, ints::get);
        } else {
            throw checks.tooMuch();
        }
        return indices;
    }

    private String material(@Nullable MaterialModel of) {
        if (!(of instanceof MaterialModelV2 material)) {
            swatches.putIfAbsent("surface", Swatch.PLASTER);
            return "surface";
        }
        var name = material.getName() == null ? "surface" : material.getName();
        swatches.putIfAbsent(name, Guess.swatch(name, material.getMetallicFactor()));
        var factor = material.getBaseColorFactor();
        var base = factor == null ? new float[] {1, 1, 1} : factor;
        var tone = Tone.of(
                        Tone.encoded(base[0]),
                        Tone.encoded(base[1]),
                        Tone.encoded(base[2]),
                        material.getRoughnessFactor(),
                        material.getMetallicFactor())
                .lit(GltfLight.glow(material), GltfLight.glazing(material));
        // White is what glTF takes where nothing is told.
        if (base[0] != 1 || base[1] != 1 || base[2] != 1 || tone.isLit()) {
            tones.putIfAbsent(name, tone);
        }
        take(name, Shows.COLOUR, material.getBaseColorTexture());
        take(name, Shows.NORMAL, material.getNormalTexture());
        take(name, Shows.SURFACE, material.getMetallicRoughnessTexture());
        take(name, Shows.OCCLUSION, material.getOcclusionTexture());
        for (var texture : Arrays.asList(
                material.getBaseColorTexture(),
                material.getNormalTexture(),
                material.getMetallicRoughnessTexture(),
                material.getOcclusionTexture())) {
            if (texture != null && texture.getImageModel() != null) {
                note(texture.getImageModel());
            }
        }
        return name;
    }

    /** What is there of it; whether it is a picture is found by who reads it. */
    private void take(String material, Shows shows, @Nullable TextureModel texture) {
        var data = texture == null || texture.getImageModel() == null
                ? null
                : texture.getImageModel().getImageData();
        if (data != null && data.remaining() > 0) {
            var bytes = new byte[data.remaining()];
            data.slice().get(bytes);
            pictures.computeIfAbsent(material, m -> new EnumMap<>(Shows.class)).putIfAbsent(shows, bytes);
        }
    }

    private void note(ImageModel image) {
        if (image.getUri() == null || !textures.contains(image.getUri())) {
            textures.add(
                    image.getName() != null
                            ? image.getName()
                            : image.getUri() != null && !image.getUri().startsWith("data:")
                                    ? image.getUri()
                                    : "a picture within it");
        }
    }
}
