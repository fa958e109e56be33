package hausbau.server.work.kit;

import com.github.benmanes.caffeine.cache.Cache;
import hausbau.core.exchange.GltfScene;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Part;
import hausbau.core.kit.Piece;
import hausbau.core.reduce.Detail;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Mesh;
import hausbau.server.work.Weighed;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Keeps the meshes used last, 512 MiB at most in all, since a piece's mesh depends on nothing but what it is made of and the finish. A miss makes it again. */
@Component
public class MeshShelf {

    /** Raised when the same piece is made otherwise, since browsers keep what they were sent. */
    private static final int VERSION = 5;

    private record Key(Object of, Finish finish) {}

    private final Cache<Key, Mesh> meshes = Weighed.upTo(256, (key, mesh) -> mesh.bytes());
    private final Cache<Key, byte[]> files = Weighed.upTo(128, (key, file) -> file.length);
    private final Cache<Key, List<Detail>> details = Weighed.upTo(128, (key, levels) -> levels.stream()
            .mapToLong(level -> level.mesh().bytes())
            .sum());

    private static <V> V get(Cache<Key, V> cache, Object of, Finish finish, Supplier<V> make) {
        return Objects.requireNonNull(cache.get(new Key(of, finish), key -> make.get()));
    }

    /** What of a finish a piece's mesh depends on. */
    private static Finish own(Piece piece, Finish finish) {
        return finish.of(piece.parts().stream().map(Part::swatch).collect(Collectors.toSet()));
    }

    public Mesh mesh(Piece piece, Finish finish) {
        var own = own(piece, finish);
        return get(meshes, new Made(piece.kind(), piece.model()), own, () -> piece.mesh(own));
    }

    /** What a mesh depends on, besides its finish. */
    private record Made(Kind kind, List<Part> model) {}

    /** Its levels of detail. */
    public List<Detail> details(Piece piece, Finish finish, List<Integer> percents) {
        var mesh = mesh(piece, finish);
        return get(
                details,
                new Reduced(new Made(piece.kind(), piece.model()), percents),
                own(piece, finish),
                () -> Detail.levels(mesh, percents, finish));
    }

    /** What levels of detail depend on, besides their finish. */
    private record Reduced(Made made, List<Integer> percents) {}

    /** Tells one file of a piece from another without making it. */
    public static String tag(Piece piece, Finish finish) {
        var words = VERSION + " " + piece + " " + own(piece, finish);
        return UUID.nameUUIDFromBytes(words.getBytes(StandardCharsets.UTF_8)).toString();
    }

    public byte[] glb(Piece piece, Finish finish) {
        var own = own(piece, finish);
        return get(files, piece, own, () -> GltfScene.ofPiece(piece, own));
    }
}
