package hausbau.core.place;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;

/** All that hands set down, in blocks by id. It never changes; another one shares the blocks that are alike. */
public final class Hands {

    public static final Hands EMPTY = new Hands(new TreeMap<>());

    private final TreeMap<Source.Hands, List<HandPlacement>> blocks;

    private Hands(TreeMap<Source.Hands, List<HandPlacement>> blocks) {
        this.blocks = blocks;
    }

    /** The same with these in place of those with their ids, and without others. */
    public Hands with(Collection<HandPlacement> put, Collection<Long> removed) {
        var changes = new TreeMap<Source.Hands, Map<Long, Optional<HandPlacement>>>();
        put.forEach(h -> changes.computeIfAbsent(Source.Hands.of(h.id()), s -> new TreeMap<>())
                .put(h.id(), Optional.of(h)));
        removed.forEach(id -> changes.computeIfAbsent(Source.Hands.of(id), s -> new TreeMap<>())
                .put(id, Optional.empty()));
        var next = new TreeMap<>(blocks);
        changes.forEach((source, of) -> {
            var block = new ArrayList<>(next.getOrDefault(source, List.of()));
            block.removeIf(h -> of.containsKey(h.id()));
            of.values().forEach(h -> h.ifPresent(block::add));
            block.sort(Comparator.comparingLong(HandPlacement::id));
            if (block.isEmpty()) {
                next.remove(source);
            } else {
                next.put(source, List.copyOf(block));
            }
        });
        return new Hands(next);
    }

    public Optional<HandPlacement> find(long id) {
        return blocks.getOrDefault(Source.Hands.of(id), List.of()).stream()
                .filter(h -> h.id() == id)
                .findFirst();
    }

    /** In the order of their ids. */
    public Stream<HandPlacement> all() {
        return blocks.values().stream().flatMap(List::stream);
    }

    public SortedMap<Source.Hands, List<HandPlacement>> blocks() {
        return blocks;
    }

    public long size() {
        return blocks.values().stream().mapToLong(List::size).sum();
    }
}
