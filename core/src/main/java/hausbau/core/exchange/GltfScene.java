package hausbau.core.exchange;

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
import hausbau.core.build.Stance;
import hausbau.core.finish.Maps;
import hausbau.core.kit.Piece;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.shape.Finish;
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

/** Writes binary glTF 2.0: one mesh for each piece, shared by all nodes that place it. */
public final class GltfScene {

    private final DefaultSceneModel scene = new DefaultSceneModel();
    /** A piece, or a material, in a tint; an empty one is its own. */
    private record Tinted<T>(T what, String tint) {
    }

    private final Map<Tinted<Swatch>, MaterialModelV2> materials = new LinkedHashMap<>();
    private final Map<Tinted<Piece>, DefaultMeshModel> meshes = new LinkedHashMap<>();
    private final Map<List<String>, DefaultNodeModel> groups = new HashMap<>();
    private final Finish finish;
    private final Map<Swatch, SheetFiles> sheets;
    /** Whether meshes have a second set of UVs, for baked light. */
    private final boolean isLit;
    private final Map<Swatch, Map<Maps.Kind, TextureModel>> textures = new EnumMap<>(Swatch.class);

    /** As it is looked at: without what only others need. */
    public GltfScene(String name, Finish finish) {
        this(name, finish, Map.of(), false);
    }

    private GltfScene(String name, Finish finish, Map<Swatch, SheetFiles> sheets, boolean isLit) {
        this.finish = finish;
        this.sheets = sheets;
        this.isLit = isLit;
        scene.setName(name);
    }

    /** As it is handed over, with both sets of UVs. @param sheets what swatches are finished in; those that have none keep a colour of their own */
    public static GltfScene handedOver(String name, Finish finish, Map<Swatch, SheetFiles> sheets) {
        return new GltfScene(name, finish, sheets, true);
    }

    /** One piece at its pivot, with both sets of UVs. */
    public static byte[] handedOver(Piece piece, Finish finish) {
        return ofPiece(piece, handedOver(piece.code(), finish, Map.of()));
    }

    /** A mesh that stands for a piece, at its pivot. */
    public static byte[] of(String name, Mesh mesh, Finish finish) {
        return ofMesh(name, mesh, new GltfScene(name, finish));
    }

    /** The same, with both sets of UVs. */
    public static byte[] handedOver(String name, Mesh mesh, Finish finish) {
        return ofMesh(name, mesh, handedOver(name, finish, Map.of()));
    }

    private static byte[] ofMesh(String name, Mesh mesh, GltfScene scene) {
        var node = new DefaultNodeModel();
        node.setName(name);
        node.addMeshModel(scene.mesh(name, mesh, ""));
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
        scene.addNode(node(name, piece, "", stance));
    }

    /** Adds a node that places the piece under named groups, the outermost first; a group is made where it is first named. */
    public void add(List<String> path, String name, Piece piece, Stance stance) {
        add(path, name, piece, "", stance);
    }

    /** @param tint what its materials are multiplied by, such as {@code #d8c0a0}; empty for none */
    public void add(List<String> path, String name, Piece piece, String tint, Stance stance) {
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
            scene.addNode(node(name, piece, tint, stance));
        } else {
            parent.addChild(node(name, piece, tint, stance));
        }
    }

    private DefaultNodeModel node(String name, Piece piece, String tint, Stance stance) {
        var node = new DefaultNodeModel();
        node.setName(name);
        node.addMeshModel(meshes.computeIfAbsent(new Tinted<>(piece, tint), this::mesh));
        var at = stance.at();
        var lean = stance.lean();
        var scale = (float) lean.scale();
        if (stance.mirrored()) {
            // Mirrored within its own extent: x becomes (least + greatest) − x, so the origin moves by that sum, as the piece is turned.
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

    private DefaultMeshModel mesh(Tinted<Piece> of) {
        return mesh(of.what().code() + named(of), of.what().mesh(finish), of.tint());
    }

    private DefaultMeshModel mesh(String name, Mesh whole, String tint) {
        var unwrapped = isLit ? Unwrapped.of(whole) : new Unwrapped(whole, new double[0], 0);
        var mesh = unwrapped.mesh();
        var tangents = sheets.isEmpty() ? new double[0] : Tangents.of(mesh);
        var model = new DefaultMeshModel();
        model.setName(name);
        for (var part : mesh.parts()) {
            model.addMeshPrimitiveModel(primitive(unwrapped, part, tangents, tint));
        }
        return model;
    }

    private DefaultMeshPrimitiveModel primitive(Unwrapped unwrapped, Mesh.Part part, double[] tangents, String tint) {
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
            positions.put((float) (p[3 * v] / 1000)).put((float) (p[3 * v + 2] / 1000)).put((float) (-p[3 * v + 1] / 1000));
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
            own.keySet().forEach(v -> light.put((float) unwrapped.light()[2 * v]).put((float) unwrapped.light()[2 * v + 1]));
            builder.addAttribute("TEXCOORD_1", AccessorModels.createFloat2D(light.flip()));
        }
        if (sheets.containsKey(part.swatch())) {
            var along = FloatBuffer.allocate(4 * own.size());
            for (var v : own.keySet()) {
                along.put((float) tangents[4 * v]).put((float) tangents[4 * v + 2]).put((float) -tangents[4 * v + 1]).put((float) tangents[4 * v + 3]);
            }
            builder.addTangents4D(along.flip());
        }
        var primitive = builder.build();
        primitive.setMaterialModel(materials.computeIfAbsent(new Tinted<>(part.swatch(), tint), this::material));
        return primitive;
    }

    private static String named(Tinted<?> of) {
        return of.tint().isEmpty() ? "" : " " + of.tint();
    }

    /** One channel of a tint, linear as glTF has it (sRGB, IEC 61966-2-1). */
    private static float channel(String tint, int at) {
        if (tint.isEmpty()) {
            return 1;
        }
        var v = Integer.parseInt(tint.substring(1 + 2 * at, 3 + 2 * at), 16) / 255.0;
        return (float) (v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4));
    }

    private MaterialModelV2 material(Tinted<Swatch> of) {
        var swatch = of.what();
        var sheet = sheets.get(swatch);
        var builder = MaterialBuilder.create();
        if (sheet == null) {
            builder.setBaseColorFactor((float) swatch.red() * channel(of.tint(), 0), (float) swatch.green() * channel(of.tint(), 1), (float) swatch.blue() * channel(of.tint(), 2), 1)
                    .setMetallicRoughnessFactors((float) swatch.metallic(), (float) swatch.roughness());
        } else {
            var maps = textures.computeIfAbsent(swatch, s -> textures(s, sheet));
            builder.setBaseColorFactor(channel(of.tint(), 0), channel(of.tint(), 1), channel(of.tint(), 2), 1).setMetallicRoughnessFactors(1, 1)
                    .setBaseColorTexture(maps.get(Maps.Kind.COLOUR), 0).setNormalTexture(maps.get(Maps.Kind.NORMAL), 1, 0)
                    .setMetallicRoughnessTexture(maps.get(Maps.Kind.SURFACE), 0).setOcclusionTexture(maps.get(Maps.Kind.SURFACE), 1, 0);
        }
        var material = builder.build();
        material.setName(swatch.label() + named(of));
        return material;
    }

    /** All tints of a swatch share its pictures. */
    private static Map<Maps.Kind, TextureModel> textures(Swatch swatch, SheetFiles sheet) {
        var all = new EnumMap<Maps.Kind, TextureModel>(Maps.Kind.class);
        sheet.files().forEach((kind, file) -> {
            var image = new DefaultImageModel();
            image.setName(swatch.label() + " " + kind.name().toLowerCase(Locale.ROOT));
            image.setMimeType(sheet.mediaType());
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
