package hausbau.server.work;

import hausbau.core.exchange.GltfScene;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Piece;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/** Keeps the meshes made last, since a piece's mesh depends on nothing but its kind and the finish. */
@Component
public class MeshShelf {

    private static final int PLACES = 500;

    private record Key(Object of, Finish finish) {
    }

    private final Map<Key, Mesh> meshes = shelf();
    private final Map<Key, byte[]> files = shelf();

    private static <V> Map<Key, V> shelf() {
        return new LinkedHashMap<>(16, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<Key, V> eldest) {
                return size() > PLACES;
            }
        };
    }

    private static <V> V get(Map<Key, V> shelf, Object of, Finish finish, Supplier<V> make) {
        synchronized (shelf) {
            return shelf.computeIfAbsent(new Key(of, finish), key -> make.get());
        }
    }

    public Mesh mesh(Kind kind, Finish finish) {
        return get(meshes, kind, finish, () -> kind.mesh(finish));
    }

    public byte[] glb(Piece piece, Finish finish) {
        return get(files, piece, finish, () -> GltfScene.ofPiece(piece, finish));
    }
}
