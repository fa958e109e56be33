package hausbau.core.exchange;

import de.javagl.jgltf.model.MeshPrimitiveModel;
import de.javagl.jgltf.model.TextureModel;
import de.javagl.jgltf.model.creation.AccessorModels;
import de.javagl.jgltf.model.creation.GltfModelBuilder;
import de.javagl.jgltf.model.creation.MaterialBuilder;
import de.javagl.jgltf.model.creation.MeshPrimitiveBuilder;
import de.javagl.jgltf.model.impl.DefaultImageModel;
import de.javagl.jgltf.model.impl.DefaultMeshModel;
import de.javagl.jgltf.model.impl.DefaultMeshPrimitiveModel;
import de.javagl.jgltf.model.impl.DefaultNodeModel;
import de.javagl.jgltf.model.impl.DefaultSceneModel;
import de.javagl.jgltf.model.impl.DefaultTextureModel;
import de.javagl.jgltf.model.io.GltfModelWriter;
import de.javagl.jgltf.model.v2.MaterialModelV2;
import de.javagl.jgltf.model.v2.MaterialModelV2.AlphaMode;
import hausbau.core.finish.Maps;
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
import java.nio.ByteBuffer;
import java.nio.FloatBuffer;
import java.nio.IntBuffer;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

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
     */
    public record Look(String tint, String colourway, int wear) {

        public static final Look PLAIN = new Look("", SITE, 0);

        /** What of it its materials are made by. */
        private Look material() {
            return new Look(tint, colourway, 0);
        }
    }

    /** A piece, or a material, as it looks. */
    private record Dressed<T>(T what, Look look) {}

    private final Map<Dressed<Swatch>, MaterialModelV2> materials = new LinkedHashMap<>();
    private final Map<Dressed<Piece>, DefaultMeshModel> meshes = new LinkedHashMap<>();
    /** What looks otherwise has the same geometry. */
    private final Map<Piece, DefaultMeshModel> plain = new HashMap<>();

    private final Map<MeshPrimitiveModel, Swatch> swatches = new HashMap<>();
    private final Map<List<String>, DefaultNodeModel> groups = new HashMap<>();
    private final Finish finish;
    private final MaterialNames names;
    private final Map<String, Map<Swatch, SheetFiles>> sheets;
    /** Whether meshes have a second set of UVs, for baked light. */
    private final boolean isLit;
    /** Colourways that are alike in a swatch share its pictures. */
    private final Map<SheetFiles, Map<Maps.Kind, TextureModel>> textures = new HashMap<>();

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
        this.names = names;
        this.sheets = sheets;
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
        if (parent == null) {
            scene.addNode(node(name, piece, look, stance));
        } else {
            parent.addChild(node(name, piece, look, stance));
        }
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
            primitive.setMaterialModel(materials.computeIfAbsent(
                    new Dressed<>(Objects.requireNonNull(swatches.get(part)), of.look()), this::material));
            model.addMeshPrimitiveModel(primitive);
        }
        return model;
    }

    private DefaultMeshModel mesh(String name, Mesh whole) {
        var unwrapped = isLit ? Unwrapped.of(whole) : new Unwrapped(whole, new double[0], 0);
        var mesh = unwrapped.mesh();
        var tangents = sheets.isEmpty() ? new double[0] : Tangents.of(mesh);
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
        if (sheet(part.swatch(), SITE) != null) {
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
        primitive.setMaterialModel(materials.computeIfAbsent(new Dressed<>(part.swatch(), Look.PLAIN), this::material));
        swatches.put(primitive, part.swatch());
        return primitive;
    }

    /** Null where there is none. */
    private @Nullable SheetFiles sheet(Swatch swatch, String colourway) {
        return sheets.getOrDefault(colourway, Map.of()).get(swatch);
    }

    /** What a material is called in a colourway, and what its pictures begin with. */
    public static String called(String material, String colourway) {
        return material + (colourway.equals(SITE) ? "" : ", " + colourway);
    }

    private static String called(String what, Look look) {
        return called(what, look.colourway()) + (look.tint().isEmpty() ? "" : " " + look.tint());
    }

    /** One channel of a tint, linear as glTF has it (sRGB, IEC 61966-2-1). */
    private static float channel(String tint, int at) {
        if (tint.isEmpty()) {
            return 1;
        }
        var v = Integer.parseInt(tint.substring(1 + 2 * at, 3 + 2 * at), 16) / 255.0;
        return (float) (v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4));
    }

    private MaterialModelV2 material(Dressed<Swatch> of) {
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
                    sheet, s -> textures(called(names.of(swatch), of.look().colourway()), s));
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
        material.setName(called(names.of(swatch), of.look()));
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

    public byte[] toBytes() {
        var builder = GltfModelBuilder.create();
        builder.addSceneModel(scene);
        var out = new ByteArrayOutputStream();
        try {
            new GltfModelWriter().writeBinary(builder.build(), out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
