package hausbau.core.exchange;

import de.javagl.obj.Mtl;
import de.javagl.obj.MtlWriter;
import de.javagl.obj.Mtls;
import de.javagl.obj.ObjWriter;
import de.javagl.obj.Objs;
import hausbau.core.kit.Piece;
import hausbau.core.shape.Finish;
import hausbau.core.shape.MaterialNames;
import hausbau.core.shape.Swatch;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Collections;
import java.util.List;

/**
 * A piece at its pivot as Wavefront OBJ with its materials: metres, Y up, as in glTF.
 *
 * @param name of both files, without what tells their format
 */
public record ObjPiece(String name, byte[] obj, byte[] mtl) {

    public static ObjPiece of(Piece piece, Finish finish, MaterialNames names) {
        var name = piece.code().replaceAll("[^\\p{L}\\p{N}._-]", "_");
        var mesh = piece.mesh(finish);
        var obj = Objs.create();
        obj.setMtlFileNames(List.of(name + ".mtl"));
        for (var v = 0; v < mesh.vertices(); v++) {
            var p = mesh.position(v);
            obj.addVertex((float) (p.x() / 1000), (float) (p.z() / 1000), (float) (-p.y() / 1000));
            obj.addNormal((float) mesh.normals()[3 * v], (float) mesh.normals()[3 * v + 2], (float)
                    -mesh.normals()[3 * v + 1]);
            // Here the sheet's origin is its lower left corner, in glTF its upper left.
            obj.addTexCoord((float) mesh.uvs()[2 * v], (float) (1 - mesh.uvs()[2 * v + 1]));
        }
        // The library asks the list whether it holds null, which List.of refuses.
        obj.setActiveGroupNames(Collections.singletonList(name));
        for (var part : mesh.parts()) {
            obj.setActiveMaterialGroupName(names.of(part.swatch()));
            for (var i = 0; i < part.indices().length; i += 3) {
                var corners = new int[] {part.indices()[i], part.indices()[i + 1], part.indices()[i + 2]};
                obj.addFace(corners, corners, corners);
            }
        }
        try {
            var text = new ByteArrayOutputStream();
            ObjWriter.write(obj, text);
            var materials = new ByteArrayOutputStream();
            MtlWriter.write(
                    mesh.parts().stream()
                            .map(part -> material(part.swatch(), names))
                            .toList(),
                    materials);
            return new ObjPiece(name, text.toByteArray(), materials.toByteArray());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Mtl material(Swatch swatch, MaterialNames names) {
        var material = Mtls.create(names.of(swatch));
        material.setKd(encoded(swatch.red()), encoded(swatch.green()), encoded(swatch.blue()));
        return material;
    }

    /** From linear light (sRGB, IEC 61966-2-1). */
    private static float encoded(double linear) {
        return (float) (linear <= 0.0031308 ? 12.92 * linear : 1.055 * Math.pow(linear, 1 / 2.4) - 0.055);
    }
}
