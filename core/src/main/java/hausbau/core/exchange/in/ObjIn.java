package hausbau.core.exchange.in;

import de.javagl.obj.Mtl;
import de.javagl.obj.MtlReader;
import de.javagl.obj.Obj;
import de.javagl.obj.ObjFace;
import de.javagl.obj.ObjReader;
import hausbau.core.bring.Choices;
import hausbau.core.bring.Choices.Up;
import hausbau.core.bring.ImportedObject;
import hausbau.core.exchange.in.Incoming.CalledOff;
import hausbau.core.exchange.in.Incoming.Progress;
import hausbau.core.exchange.in.Incoming.Shows;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Swatch;
import java.io.ByteArrayInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Reads Wavefront OBJ with its materials: objects and groups become things. The format says neither unit nor axis; Y up and metres are usual. */
final class ObjIn {

    /** Of one face: cutting it into triangles takes a time that grows with their square. */
    private static final int MOST_CORNERS = 4_000;
    /** Faces between one question whether it is still wanted and the next. */
    private static final int SOME = 2_000;

    private final Bundle bundle;
    private final String model;
    private final Progress progress;
    private final Set<String> missing = new LinkedHashSet<>();
    private final Map<String, Map<Shows, byte[]>> shown = new LinkedHashMap<>();
    private final Set<String> textures = new LinkedHashSet<>();

    ObjIn(Bundle bundle, String model, Progress progress) {
        this.bundle = bundle;
        this.model = model;
        this.progress = progress;
    }

    Incoming read() {
        var obj = parse();
        if (obj.getNumFaces() == 0) {
            throw new Refused("file", "“" + model + "” has no faces.");
        }
        var known = materials(obj);
        var things = things(obj, known);
        var swatches = new LinkedHashMap<String, Swatch>();
        things.forEach(t -> t.surfaces()
                .forEach(s -> swatches.put(
                        s.material(),
                        Guess.swatch(
                                s.material(),
                                known.containsKey(s.material())
                                                && known.get(s.material()).getPm() != null
                                        ? known.get(s.material()).getPm()
                                        : 0))));
        return new Incoming(
                Bundle.stem(model),
                things,
                new Choices(Guess.unit(things, 1000, 10, 1, 25.4), Up.Y, false, Set.of()),
                swatches,
                textures,
                missing,
                List.of(),
                shown,
                tones(swatches.keySet(), known));
    }

    /**
     * Kd as it is written, as common practice has it in sRGB, no source; where there is no Pr, the shininess Ns as roughness:
     * α² = 2 / (Ns + 2) (Walter and others, 2007), of which glTF's roughness is the root.
     */
    private static Map<String, Tone> tones(Set<String> used, Map<String, Mtl> known) {
        var tones = new LinkedHashMap<String, Tone>();
        for (var name : used) {
            var material = known.get(name);
            if (material != null && material.getKd() != null) {
                var kd = material.getKd();
                var roughness = material.getPr() != null
                        ? material.getPr()
                        : material.getNs() != null ? Math.pow(2 / (Math.max(0, material.getNs()) + 2), 0.25) : 0.8;
                tones.put(
                        name,
                        Tone.of(
                                kd.getX(),
                                kd.getY(),
                                kd.getZ(),
                                roughness,
                                material.getPm() == null ? 0 : material.getPm()));
            }
        }
        return tones;
    }

    private Obj parse() {
        var bytes = bundle.bytes(model);
        try {
            return ObjReader.read(new Read(bytes));
        } catch (IOException | RuntimeException e) {
            if (e instanceof CalledOff calledOff) {
                throw calledOff;
            }
            throw new Refused(
                    "file",
                    "“" + model + "” cannot be read: a line of it is no Wavefront OBJ, or has a number that is none.");
        }
    }

    /** Tells how far it is; and lets objects be groups, which the library does not know. */
    private final class Read extends FilterInputStream {
        private final int all;
        private boolean isLineStart = true;

        Read(byte[] bytes) {
            super(new ByteArrayInputStream(bytes));
            all = bytes.length;
        }

        @Override
        public int read(byte[] into, int offset, int length) throws IOException {
            var count = in.read(into, offset, length);
            for (var i = offset; i < offset + count; i++) {
                if (isLineStart && into[i] == 'o') {
                    into[i] = 'g';
                }
                isLineStart = into[i] == '\n' || into[i] == '\r';
            }
            if (!progress.at(0.9 * (all - in.available()) / all)) {
                throw new CalledOff();
            }
            return count;
        }
    }

    private Map<String, Mtl> materials(Obj obj) {
        var materials = new LinkedHashMap<String, Mtl>();
        for (var library : obj.getMtlFileNames()) {
            var file = bundle.referred(model, library);
            if (file.isEmpty()) {
                missing.add(library);
                continue;
            }
            try (InputStream in = new ByteArrayInputStream(file.get())) {
                MtlReader.read(in).forEach(m -> materials.put(m.getName(), m));
            } catch (IOException | RuntimeException e) {
                throw new Refused(
                        "file",
                        "“" + library
                                + "” cannot be read: a line of it is no Wavefront MTL, or has a number that is none.");
            }
        }
        return materials;
    }

    /** Faces of one thing and one material, as they are gathered. */
    private final class Gathered {
        private final List<ObjFace> faces = new ArrayList<>();
        private int triangles;

        void add(ObjFace face) {
            faces.add(face);
            triangles += face.getNumVertices() - 2;
        }

        ImportedObject.Surface toSurface(Obj obj, String material, List<String> pictures) {
            var hasNormals = faces.stream().allMatch(ObjFace::containsNormalIndices);
            var hasUvs = faces.stream().allMatch(ObjFace::containsTexCoordIndices);
            var corners = faces.stream().mapToInt(ObjFace::getNumVertices).sum();
            var places = new double[3 * corners];
            var normals = new float[hasNormals ? 3 * corners : 0];
            var uvs = new float[hasUvs ? 2 * corners : 0];
            var indices = new int[3 * triangles];
            var corner = 0;
            var end = 0;
            var done = 0;
            for (var face : faces) {
                if (done++ % SOME == 0) {
                    goOn();
                }
                var first = corner;
                for (var k = 0; k < face.getNumVertices(); k++, corner++) {
                    var p = obj.getVertex(face.getVertexIndex(k));
                    places[3 * corner] = number(p.getX());
                    places[3 * corner + 1] = number(p.getY());
                    places[3 * corner + 2] = number(p.getZ());
                    if (hasNormals) {
                        var n = obj.getNormal(face.getNormalIndex(k));
                        normals[3 * corner] = n.getX();
                        normals[3 * corner + 1] = n.getY();
                        normals[3 * corner + 2] = n.getZ();
                    }
                    if (hasUvs) {
                        var uv = obj.getTexCoord(face.getTexCoordIndex(k));
                        uvs[2 * corner] = number(uv.getX());
                        // Here the origin is the lower left corner.
                        uvs[2 * corner + 1] = 1 - number(uv.getDimensions() > 1 ? uv.getY() : 0);
                    }
                }
                for (var index : Polygon.triangles(places, first, face.getNumVertices())) {
                    indices[end++] = index;
                }
            }
            return new ImportedObject.Surface(material, places, normals, uvs, Arrays.copyOf(indices, end), pictures);
        }
    }

    private void goOn() {
        if (!progress.at(0.9)) {
            throw new CalledOff();
        }
    }

    private float number(float value) {
        if (!(Math.abs(value) <= 1e9)) {
            throw new Refused("file", "“" + model + "” has a corner whose place is no number, or beyond all bounds.");
        }
        return value;
    }

    private void requireCorners(Obj obj, ObjFace face) {
        if (face.getNumVertices() > MOST_CORNERS) {
            throw new Refused(
                    "file",
                    "“" + model + "” has a face of " + face.getNumVertices() + " corners; at most " + MOST_CORNERS
                            + " are taken. Cut it into smaller faces.");
        }
        if (face.getNumVertices() < 3) {
            throw new Refused("file", "“" + model + "” has a face with fewer than three corners.");
        }
        for (var k = 0; k < face.getNumVertices(); k++) {
            if (isBeyond(face.getVertexIndex(k), obj.getNumVertices())
                    || face.containsNormalIndices() && isBeyond(face.getNormalIndex(k), obj.getNumNormals())
                    || face.containsTexCoordIndices() && isBeyond(face.getTexCoordIndex(k), obj.getNumTexCoords())) {
                throw new Refused(
                        "file",
                        "“" + model + "” has a face whose corners are not in it. It is damaged, or was cut short.");
            }
        }
    }

    private static boolean isBeyond(int index, int count) {
        return index < 0 || index >= count;
    }

    private List<ImportedObject> things(Obj obj, Map<String, Mtl> known) {
        var things = new LinkedHashMap<String, Map<String, Gathered>>();
        // Groups and materials hold on until others are named; the library tells them where they change.
        var thing = Bundle.stem(model);
        var material = "surface";
        var used = new boolean[obj.getNumVertices()];
        for (var i = 0; i < obj.getNumFaces(); i++) {
            var face = obj.getFace(i);
            var groups = obj.getActivatedGroupNames(face);
            if (groups != null) {
                thing = String.join(" ", groups);
                thing = thing.isBlank() || thing.equals("default") ? Bundle.stem(model) : thing;
            }
            var named = obj.getActivatedMaterialGroupName(face);
            material = named == null ? material : named;
            requireCorners(obj, face);
            if (i % SOME == 0) {
                goOn();
            }
            things.computeIfAbsent(thing, t -> new LinkedHashMap<>())
                    .computeIfAbsent(material, m -> new Gathered())
                    .add(face);
            for (var k = 0; k < face.getNumVertices(); k++) {
                used[face.getVertexIndex(k)] = true;
            }
        }
        var stray = 0;
        for (var is : used) {
            stray += is ? 0 : 1;
        }
        var all = new ArrayList<ImportedObject>();
        for (var entry : things.entrySet()) {
            var surfaces = entry.getValue().entrySet().stream()
                    .map(e -> e.getValue().toSurface(obj, e.getKey(), pictures(known.get(e.getKey()))))
                    .toList();
            all.add(new ImportedObject(entry.getKey(), surfaces, false, all.isEmpty() ? stray : 0));
        }
        return all;
    }

    private void take(String material, Shows shows, @Nullable String picture) {
        if (picture != null && !picture.isBlank()) {
            bundle.referred(model, picture)
                    .ifPresent(bytes -> shown.computeIfAbsent(material, m -> new EnumMap<>(Shows.class))
                            .putIfAbsent(shows, bytes));
        }
    }

    private List<String> pictures(@Nullable Mtl material) {
        if (material == null) {
            return List.of();
        }
        var pictures = Stream.of(
                        material.getMapKd(),
                        material.getBump(),
                        material.getNorm(),
                        material.getMapPr(),
                        material.getMapPm(),
                        material.getMapD())
                .filter(p -> p != null && !p.isBlank())
                .toList();
        take(material.getName(), Shows.COLOUR, material.getMapKd());
        take(material.getName(), Shows.NORMAL, material.getNorm() == null ? material.getBump() : material.getNorm());
        take(material.getName(), Shows.ROUGHNESS, material.getMapPr());
        take(material.getName(), Shows.METALLIC, material.getMapPm());
        for (var picture : pictures) {
            if (textures.add(picture) && bundle.referred(model, picture).isEmpty()) {
                missing.add(picture);
            }
        }
        return pictures;
    }
}
