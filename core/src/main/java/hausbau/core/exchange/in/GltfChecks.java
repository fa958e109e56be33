package hausbau.core.exchange.in;

import de.javagl.jgltf.impl.v2.Accessor;
import de.javagl.jgltf.impl.v2.Buffer;
import de.javagl.jgltf.impl.v2.BufferView;
import de.javagl.jgltf.impl.v2.Mesh;
import de.javagl.jgltf.impl.v2.MeshPrimitive;
import de.javagl.jgltf.impl.v2.Node;
import de.javagl.jgltf.model.io.v2.GltfAssetV2;
import hausbau.core.measure.Refused;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What a glTF file says of itself, held against what is there, before any of it is made. */
final class GltfChecks {

    private static final Set<String> KNOWN = Set.of(
            "KHR_materials_unlit",
            "KHR_texture_transform",
            "KHR_materials_emissive_strength",
            "KHR_lights_punctual",
            "KHR_materials_transmission",
            "KHR_materials_ior",
            "KHR_materials_clearcoat",
            "KHR_materials_specular",
            "KHR_materials_sheen",
            "KHR_materials_volume",
            "KHR_materials_pbrSpecularGlossiness");
    private static final int DEEPEST = 1000;

    /** Corners and vertices of all things together, as they would be made. */
    private static final long MOST_CORNERS = 24_000_000;
    /** Elements of accessors without a buffer, which are all zeros. */
    private static final long MOST_ZEROS = 1_000_000;

    private final String model;

    GltfChecks(String model) {
        this.model = model;
    }

    /** @throws Refused if it cannot be read as it says */
    void require(GltfAssetV2 asset) {
        requireExtensions(asset);
        requireBuffers(asset);
        requireCorners(asset);
        requireTree(asset);
    }

    private void requireExtensions(GltfAssetV2 asset) {
        var required = Objects.requireNonNullElse(asset.getGltf().getExtensionsRequired(), List.<String>of());
        for (var extension : required) {
            if (!KNOWN.contains(extension)) {
                throw new Refused(
                        "file",
                        "“" + model + "” cannot be read without “" + extension
                                + "”, which is not known here. Save it without (without compression, most often).");
            }
        }
    }

    /** Before memory is asked for by what the file says of itself. */
    private void requireBuffers(GltfAssetV2 asset) {
        var gltf = asset.getGltf();
        for (var buffer : Objects.requireNonNullElse(gltf.getBuffers(), List.<Buffer>of())) {
            if (buffer.getByteLength() == null || buffer.getByteLength() > Bundle.MOST_BYTES) {
                throw tooMuch();
            }
        }
        var views = Objects.requireNonNullElse(gltf.getBufferViews(), List.<BufferView>of());
        long zeros = 0;
        for (var accessor : Objects.requireNonNullElse(gltf.getAccessors(), List.<Accessor>of())) {
            // What has no view of a buffer is all zeros, as many as it says.
            var view = accessor.getBufferView();
            zeros += view == null && accessor.getCount() != null ? accessor.getCount() : 0;
            if (accessor.getCount() == null
                    || accessor.getCount() < 0
                    || zeros > MOST_ZEROS
                    || view != null
                            && (view < 0
                                    || view >= views.size()
                                    || accessor.getCount() > views.get(view).getByteLength())) {
                throw tooMuch();
            }
        }
    }

    /** A mesh counts once for each node that it stands at, since each becomes a thing of its own. */
    private void requireCorners(GltfAssetV2 asset) {
        var gltf = asset.getGltf();
        var accessors = Objects.requireNonNullElse(gltf.getAccessors(), List.<Accessor>of());
        var meshes = Objects.requireNonNullElse(gltf.getMeshes(), List.<Mesh>of());
        long corners = 0;
        for (var node : Objects.requireNonNullElse(gltf.getNodes(), List.<Node>of())) {
            if (node.getMesh() != null && (node.getMesh() < 0 || node.getMesh() >= meshes.size())) {
                throw tooMuch();
            }
            var primitives = node.getMesh() == null
                    ? List.<MeshPrimitive>of()
                    : Objects.requireNonNullElse(meshes.get(node.getMesh()).getPrimitives(), List.<MeshPrimitive>of());
            for (var primitive : primitives) {
                corners += count(accessors, primitive.getIndices());
                corners += primitive.getAttributes() == null
                        ? 0
                        : count(accessors, primitive.getAttributes().get("POSITION"));
            }
            if (corners > MOST_CORNERS) {
                throw new Refused(
                        "file",
                        "“" + model + "” has more than " + MOST_CORNERS / 1_000_000
                                + " million corners, with those of meshes that stand several times. Bring it in by parts.");
            }
        }
    }

    private int count(List<Accessor> accessors, @Nullable Integer number) {
        if (number == null) {
            return 0;
        }
        if (number < 0 || number >= accessors.size()) {
            throw tooMuch();
        }
        return accessors.get(number).getCount();
    }

    /** A node that is above itself would be walked for ever. */
    private void requireTree(GltfAssetV2 asset) {
        var nodes = Objects.requireNonNullElse(asset.getGltf().getNodes(), List.<Node>of());
        var above = new int[nodes.size()];
        Arrays.fill(above, -1);
        for (var i = 0; i < nodes.size(); i++) {
            for (var child : Objects.requireNonNullElse(nodes.get(i).getChildren(), List.<Integer>of())) {
                if (child < 0 || child >= above.length || above[child] >= 0) {
                    throw tooMuch();
                }
                above[child] = i;
            }
        }
        for (var i = 0; i < above.length; i++) {
            var steps = 0;
            for (var at = i; at >= 0; at = above[at]) {
                if (steps++ > DEEPEST) {
                    throw new Refused(
                            "file",
                            "“" + model + "” has a node that stands above itself, or more than " + DEEPEST + " deep.");
                }
            }
        }
    }

    Refused tooMuch() {
        return new Refused(
                "file", "“" + model + "” says that it has more than is in it. It is damaged, or was cut short.");
    }
}
