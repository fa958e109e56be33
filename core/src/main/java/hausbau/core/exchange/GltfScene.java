package hausbau.core.exchange;

import de.javagl.jgltf.model.MeshPrimitiveModel;
import de.javagl.jgltf.model.creation.AccessorModels;
import de.javagl.jgltf.model.creation.GltfModelBuilder;
import de.javagl.jgltf.model.creation.MeshPrimitiveBuilder;
import de.javagl.jgltf.model.impl.DefaultMeshModel;
import de.javagl.jgltf.model.impl.DefaultMeshPrimitiveModel;
import de.javagl.jgltf.model.impl.DefaultNodeModel;
import de.javagl.jgltf.model.impl.DefaultSceneModel;
import de.javagl.jgltf.model.io.v2.GltfAssetWriterV2;
import de.javagl.jgltf.model.io.v2.GltfAssetsV2;
import hausbau.core.irradiance.StandingLamps;
import hausbau.core.kit.Piece;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import hausbau.core.shape.Finish;
import hausbau.core.shape.MaterialNames;
import hausbau.core.shape.Mesh;
import hausbau.core.shape.Swatch;
import hausbau.core.shape.Tangents;
import hausbau.core.shape.Unwrapped;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.FloatBuffer;
import java.nio.IntBuffer;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** Writes binary glTF 2.0: one mesh for each piece, shared by all nodes that place it. */
public final class GltfScene {

    private final DefaultSceneModel scene = new DefaultSceneModel();
    /** The site's own finishes. */
    public static final String SITE = "";

    /**
     * How a piece looks where it stands.
     *
     * @param tint      what its materials are multiplied by, such as {@code #d8c0a0}; empty for none
     * @param colourway the name of the finishes that it is in; {@link #SITE} for the site's
     * @param wear      percent, told in its node's extras: where it wears is the piece's mask to say
     * @param glow      how brightly its finishes glow, as a share of what they say; 0 is out
     */
    public record Look(String tint, String colourway, int wear, double glow) {

        public static final Look PLAIN = new Look("", SITE, 0, 1);

        /** Glowing as it says. */
        public Look(String tint, String colourway, int wear) {
            this(tint, colourway, wear, 1);
        }

        /** Glowing otherwise. */
        public Look glowing(double share) {
            return new Look(tint, colourway, wear, share);
        }

        /** What of it its materials are made by. */
        private Look material() {
            return new Look(tint, colourway, 0, glow);
        }
    }

    /** A piece, or a material, as it looks. */
    record Dressed<T>(T what, Look look) {}

    private final Map<Dressed<Piece>, DefaultMeshModel> meshes = new LinkedHashMap<>();
    /** What looks otherwise has the same geometry. */
    private final Map<Piece, DefaultMeshModel> plain = new HashMap<>();

    private final Map<MeshPrimitiveModel, Swatch> swatches = new HashMap<>();
    private final Map<List<String>, DefaultNodeModel> groups = new HashMap<>();
    private final Finish finish;
    private final GltfMaterials materials;
    private final GltfLamps lamps = new GltfLamps();
    /** Whether meshes have a second set of UVs, for baked light. */
    private final boolean isLit;
    /** As it is looked at: without what only others need. */
    public GltfScene(String name, Finish finish) {
        this(name, finish, MaterialNames.USUAL, Map.of(), false);
    }

    private GltfScene(
            String name,
            Finish finish,
            MaterialNames names,
            Map<String, Map<Swatch, SheetFiles>> sheets,
            boolean isLit) {
        this.finish = finish;
        this.materials = new GltfMaterials(names, sheets);
        this.isLit = isLit;
        scene.setName(name);
    }

    /** As it is handed over, with both sets of UVs. @param sheets what swatches are finished in; those that have none keep a colour of their own */
    public static GltfScene handedOver(
            String name, Finish finish, MaterialNames names, Map<Swatch, SheetFiles> sheets) {
        return inColourways(name, finish, names, Map.of(SITE, sheets));
    }

    /** The same with several sets of finishes, by name. */
    public static GltfScene inColourways(
            String name, Finish finish, MaterialNames names, Map<String, Map<Swatch, SheetFiles>> sheets) {
        return new GltfScene(name, finish, names, sheets, true);
    }

    /** One piece at its pivot, with both sets of UVs. */
    public static byte[] handedOver(Piece piece, Finish finish, MaterialNames names) {
        return ofPiece(piece, handedOver(piece.code(), finish, names, Map.of()));
    }

    /** A mesh that stands for a piece, at its pivot. */
    public static byte[] of(String name, Mesh mesh, Finish finish) {
        return ofMesh(name, mesh, new GltfScene(name, finish));
    }

    /** The same, with both sets of UVs. */
    public static byte[] handedOver(String name, Mesh mesh, Finish finish, MaterialNames names) {
        return ofMesh(name, mesh, handedOver(name, finish, names, Map.of()));
    }

    private static byte[] ofMesh(String name, Mesh mesh, GltfScene scene) {
        var node = new DefaultNodeModel();
        node.setName(name);
        node.addMeshModel(scene.mesh(name, mesh));
        scene.scene.addNode(node);
        return scene.toBytes();
    }

    /** One piece at its pivot, as a file of its own. */
    public static byte[] ofPiece(Piece piece, Finish finish) {
        return ofPiece(piece, new GltfScene(piece.code(), finish));
    }

    private static byte[] ofPiece(Piece piece, GltfScene scene) {
        scene.add(piece.code(), piece, Stance.at(Vec.ZERO, Turn.NONE));
        return scene.toBytes();
    }

    /** Adds a node that places the piece. */
    public void add(String name, Piece piece, Stance stance) {
        scene.addNode(node(name, piece, Look.PLAIN, stance));
    }

    /** Adds a node that places the piece under named groups, the outermost first; a group is made where it is first named. */
    public void add(List<String> path, String name, Piece piece, Stance stance) {
        add(path, name, piece, Look.PLAIN, stance);
    }

    /** The same for one that does not look as it comes. */
    public void add(List<String> path, String name, Piece piece, Look look, Stance stance) {
        add(path, name, piece, look, stance, List.of());
    }

    /** The same with the lamps that shine on it. */
    public void add(
            List<String> path, String name, Piece piece, Look look, Stance stance, List<StandingLamps.Lit> shining) {
        DefaultNodeModel parent = null;
        for (var i = 1; i <= path.size(); i++) {
            var above = parent;
            parent = groups.computeIfAbsent(path.subList(0, i), key -> {
                var group = new DefaultNodeModel();
                group.setName(key.get(key.size() - 1));
                if (above == null) {
                    scene.addNode(group);
                } else {
                    above.addChild(group);
                }
                return group;
            });
        }
        var node = node(name, piece, look, stance);
        shining.forEach(lamp -> node.addChild(lamps.node(lamp)));
        if (parent == null) {
            scene.addNode(node);
        } else {
            parent.addChild(node);
        }
    }

    /** Tells what light it was last seen in. @param mood as it is to be read back */
    public void seenIn(Map<String, Object> mood) {
        scene.setExtras(Map.of("mood", mood));
    }

    private DefaultNodeModel node(String name, Piece piece, Look look, Stance stance) {
        var node = new DefaultNodeModel();
        node.setName(name);
        node.addMeshModel(meshes.computeIfAbsent(new Dressed<>(piece, look.material()), this::mesh));
        if (look.wear() > 0) {
            node.setExtras(Map.of("wear", look.wear() / 100.0));
        }
        var at = stance.at();
        var lean = stance.lean();
        var scale = (float) lean.scale();
        if (stance.mirrored()) {
            // Mirrored within its own extent: x becomes (least + greatest) − x, so the origin moves by that sum, as the
            // piece is turned.
            var box = piece.box();
            at = at.plus(stance.direction(box.min().x() + box.max().x(), 0, 0));
        }
        if (stance.mirrored() || scale != 1) {
            node.setScale(new float[] {stance.mirrored() ? -scale : scale, scale, scale});
        }
        if (!at.equals(Vec.ZERO)) {
            node.setTranslation(new float[] {metres(at.x()), metres(at.z()), metres(-at.y())});
        }
        var turn = stance.rotation();
        if (turn[3] != 1) {
            node.setRotation(new float[] {(float) turn[0], (float) turn[2], (float) -turn[1], (float) turn[3]});
        }
        return node;
    }

    private static float metres(long um) {
        return (float) (um / 1e6);
    }

    private DefaultMeshModel mesh(Dressed<Piece> of) {
        var own = plain.computeIfAbsent(of.what(), piece -> mesh(piece.code(), piece.mesh(finish)));
        if (of.look().equals(Look.PLAIN)) {
            return own;
        }
        var model = new DefaultMeshModel();
        model.setName(called(of.what().code(), of.look()));
        for (var part : own.getMeshPrimitiveModels()) {
            var primitive = new DefaultMeshPrimitiveModel(part.getMode());
            primitive.setIndices(part.getIndices());
            part.getAttributes().forEach(primitive::putAttribute);
            primitive.setMaterialModel(materials.of(Objects.requireNonNull(swatches.get(part)), of.look()));
            model.addMeshPrimitiveModel(primitive);
        }
        return model;
    }

    private DefaultMeshModel mesh(String name, Mesh whole) {
        var unwrapped = isLit ? Unwrapped.of(whole) : new Unwrapped(whole, new double[0], 0);
        var mesh = unwrapped.mesh();
        var tangents = materials.isPictured() ? Tangents.of(mesh) : new double[0];
        var model = new DefaultMeshModel();
        model.setName(name);
        for (var part : mesh.parts()) {
            model.addMeshPrimitiveModel(primitive(unwrapped, part, tangents));
        }
        return model;
    }

    private DefaultMeshPrimitiveModel primitive(Unwrapped unwrapped, Mesh.Part part, double[] tangents) {
        var mesh = unwrapped.mesh();
        // Only the vertices of this part, so that no primitive carries another's.
        var own = new LinkedHashMap<Integer, Integer>();
        var indices = IntBuffer.allocate(part.indices().length);
        for (var index : part.indices()) {
            indices.put(own.computeIfAbsent(index, i -> own.size()));
        }
        var positions = FloatBuffer.allocate(3 * own.size());
        var normals = FloatBuffer.allocate(3 * own.size());
        var uvs = FloatBuffer.allocate(2 * own.size());
        for (var v : own.keySet()) {
            var p = mesh.positions();
            positions
                    .put((float) (p[3 * v] / 1000))
                    .put((float) (p[3 * v + 2] / 1000))
                    .put((float) (-p[3 * v + 1] / 1000));
            var n = mesh.normals();
            normals.put((float) n[3 * v]).put((float) n[3 * v + 2]).put((float) -n[3 * v + 1]);
            uvs.put((float) mesh.uvs()[2 * v]).put((float) mesh.uvs()[2 * v + 1]);
        }
        var builder = MeshPrimitiveBuilder.create();
        if (own.size() < 65_535) {
            builder.setIntIndicesAsShort(indices.flip());
        } else {
            builder.setIntIndices(indices.flip());
        }
        builder.addPositions3D(positions.flip());
        builder.addNormals3D(normals.flip());
        builder.addTexCoords02D(uvs.flip());
        if (isLit) {
            var light = FloatBuffer.allocate(2 * own.size());
            own.keySet().forEach(v -> light.put((float) unwrapped.light()[2 * v])
                    .put((float) unwrapped.light()[2 * v + 1]));
            builder.addAttribute("TEXCOORD_1", AccessorModels.createFloat2D(light.flip()));
        }
        if (materials.isPictured(part.swatch())) {
            var along = FloatBuffer.allocate(4 * own.size());
            for (var v : own.keySet()) {
                along.put((float) tangents[4 * v])
                        .put((float) tangents[4 * v + 2])
                        .put((float) -tangents[4 * v + 1])
                        .put((float) tangents[4 * v + 3]);
            }
            builder.addTangents4D(along.flip());
        }
        var primitive = builder.build();
        primitive.setMaterialModel(materials.of(part.swatch(), Look.PLAIN));
        swatches.put(primitive, part.swatch());
        return primitive;
    }

    /** What a material is called in a colourway, and what its pictures begin with. */
    public static String called(String material, String colourway) {
        return material + (colourway.equals(SITE) ? "" : ", " + colourway);
    }

    static String called(String what, Look look) {
        return called(what, look.colourway())
                + (look.tint().isEmpty() ? "" : " " + look.tint())
                + (look.glow() == 1 ? "" : " glowing " + Math.round(look.glow() * 100) + " %");
    }

    public byte[] toBytes() {
        var builder = GltfModelBuilder.create();
        builder.addSceneModel(scene);
        var model = builder.build();
        materials.extensions().forEach(model.getExtensionsModel()::addExtensionUsed);
        lamps.tell(model);
        var out = new ByteArrayOutputStream();
        try {
            var asset = GltfAssetsV2.createBinary(model);
            materials.glow(asset.getGltf());
            new GltfAssetWriterV2().writeBinary(asset, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
