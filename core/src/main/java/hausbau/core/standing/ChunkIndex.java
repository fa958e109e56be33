package hausbau.core.standing;

import hausbau.core.measure.Box;
import hausbau.core.measure.BoxIndex;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * Finds the chunks of a set that touch a box. What an edit replaces is kept beside the packed index until there is much of
 * it: the next index costs what is otherwise, not what stands.
 */
final class ChunkIndex {

    /** With more chunks than this beside it, the index is packed anew. */
    private static final int MANY = 64;

    private final List<Chunk> packed;
    private final BoxIndex boxes;
    private final Set<Chunk> gone;
    private final List<Chunk> beside;

    private ChunkIndex(List<Chunk> packed, BoxIndex boxes, Set<Chunk> gone, List<Chunk> beside) {
        this.packed = packed;
        this.boxes = boxes;
        this.gone = gone;
        this.beside = beside;
    }

    static ChunkIndex of(List<Chunk> chunks) {
        return new ChunkIndex(
                chunks, new BoxIndex(chunks.stream().map(Chunk::extent).toList()), Set.of(), List.of());
    }

    /** @return null where it is better to begin again */
    @Nullable
    ChunkIndex next(List<Chunk> removed, List<Chunk> added) {
        if (gone.size() + removed.size() > MANY || beside.size() + added.size() > MANY) {
            return null;
        }
        var without = new HashSet<>(gone);
        var with = new ArrayList<>(beside);
        for (var chunk : removed) {
            if (!with.remove(chunk)) {
                without.add(chunk);
            }
        }
        for (var chunk : added) {
            if (!without.remove(chunk)) {
                with.add(chunk);
            }
        }
        return new ChunkIndex(packed, boxes, without, with);
    }

    void touching(Box box, Consumer<Chunk> found) {
        boxes.touching(box, i -> {
            if (!gone.contains(packed.get(i))) {
                found.accept(packed.get(i));
            }
        });
        for (var chunk : beside) {
            if (chunk.extent().touches(box)) {
                found.accept(chunk);
            }
        }
    }
}
