package hausbau.server.work.takeoff;

import hausbau.core.exchange.PieceListCsv;
import hausbau.core.kit.PieceState;
import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.takeoff.KindProposal;
import hausbau.core.takeoff.Mark;
import hausbau.core.takeoff.Stamp;
import hausbau.core.takeoff.TagMeasure;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.list.ListedRow;
import hausbau.server.store.takeoff.DeclinedRow;
import hausbau.server.store.takeoff.MarkRow;
import hausbau.server.store.takeoff.Points;
import hausbau.server.store.takeoff.TagRow;
import hausbau.server.work.site.SiteService;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tags, the marks made with them, and the pieces they become. */
@Service
public class MarkService {

    private final Stores store;
    private final Journal journal;
    private final TakeoffService takeoff;

    MarkService(Stores store, Journal journal, TakeoffService takeoff) {
        this.store = store;
        this.journal = journal;
        this.takeoff = takeoff;
    }

    @Transactional
    public TagRow addTag(long siteId, Seen seen, String letter, String name, Role role) {
        return journal.edit(siteId, seen, edit -> {
            var taken =
                    store.takeoff().tags(siteId).stream().map(TagRow::letter).collect(Collectors.toSet());
            var chosen = letter.isBlank() ? TagMeasure.freeLetter(taken) : checkedLetter(letter, taken);
            edit.name("Add the tag " + chosen);
            var row = new TagRow(store.nextId(), siteId, chosen, SiteService.checkedName(name), role);
            edit.add(row);
            return row;
        });
    }

    private static String checkedLetter(String letter, Set<String> taken) {
        var stripped = letter.strip();
        if (stripped.length() > 8 || taken.contains(stripped)) {
            throw new Refused(
                    "letter",
                    taken.contains(stripped)
                            ? "There is a tag “" + stripped + "” already."
                            : "A tag has 1 to 8 characters.");
        }
        return stripped;
    }

    /**
     * A tag as told.
     *
     * @param estimated how many there are in all; 0 where only those seen count
     */
    public record TagTold(String letter, String name, Role role, int estimated) {}

    @Transactional
    public void changeTag(long siteId, Seen seen, long id, Function<TagRow, TagTold> change) {
        journal.edit(siteId, seen, edit -> {
            var row = Stores.find(store.takeoff().tags(siteId), id, "tag");
            var told = change.apply(row);
            var others = store.takeoff().tags(siteId).stream()
                    .filter(t -> t.getId() != id)
                    .map(TagRow::letter)
                    .collect(Collectors.toSet());
            if (told.estimated() < 0 || told.estimated() > 1_000_000) {
                throw new Refused("estimated", "A count is from 0 to a million.");
            }
            edit.name("Change the tag " + row.letter());
            edit.change(
                    row,
                    r -> r.set(
                            checkedLetter(told.letter(), others),
                            SiteService.checkedName(told.name()),
                            told.role(),
                            told.estimated()));
            return null;
        });
    }

    @Transactional
    public void removeTag(long siteId, Seen seen, long id) {
        journal.edit(siteId, seen, edit -> {
            var row = Stores.find(store.takeoff().tags(siteId), id, "tag");
            edit.name("Remove the tag " + row.letter());
            store.takeoff().marks(siteId).stream().filter(m -> m.tagId() == id).forEach(edit::remove);
            edit.remove(row);
            return null;
        });
    }

    /** A mark as told. */
    public record MarkTold(
            long pictureId, long planeId, long tagId, Mark.Shape kind, List<Double> points, MarkRow.Look look) {}

    @Transactional
    public MarkRow addMark(long siteId, Seen seen, MarkTold told) {
        return journal.edit(siteId, seen, edit -> {
            takeoff.picture(siteId, told.pictureId());
            var tag = Stores.find(store.takeoff().tags(siteId), told.tagId(), "tag");
            check(siteId, told);
            edit.name("Mark " + tag.letter());
            var row = new MarkRow(
                    store.nextId(),
                    siteId,
                    told.pictureId(),
                    told.planeId(),
                    told.tagId(),
                    told.kind(),
                    told.points(),
                    told.look());
            edit.add(row);
            return row;
        });
    }

    /** Marks the next thing of the same kind: the same shape at another place of the same picture. */
    @Transactional
    public MarkRow stamp(long siteId, Seen seen, long likeId, double x, double y) {
        return journal.edit(siteId, seen, edit -> {
            var like = Stores.find(store.takeoff().marks(siteId), likeId, "mark");
            var tag = Stores.find(store.takeoff().tags(siteId), like.tagId(), "tag");
            var plane = store.takeoff().planes(siteId).stream()
                    .filter(p -> p.getId() == like.planeId())
                    .findFirst()
                    .map(p -> p.calibration().plane());
            var points = Points.flat(Stamp.at(
                    Points.pixels(like.picks()),
                    plane,
                    Points.pixels(List.of(x, y)).get(0)));
            check(
                    siteId,
                    new MarkTold(like.pictureId(), like.planeId(), like.tagId(), like.shape(), points, like.look()));
            edit.name("Mark " + tag.letter() + " again");
            var row = new MarkRow(
                            store.nextId(),
                            siteId,
                            like.pictureId(),
                            like.planeId(),
                            like.tagId(),
                            like.shape(),
                            points,
                            like.look())
                    .asStamped();
            edit.add(row);
            return row;
        });
    }

    @Transactional
    public void changeMark(long siteId, Seen seen, long id, Function<MarkRow, MarkTold> change) {
        journal.edit(siteId, seen, edit -> {
            var row = Stores.find(store.takeoff().marks(siteId), id, "mark");
            var told = change.apply(row);
            var tag = Stores.find(store.takeoff().tags(siteId), told.tagId(), "tag");
            check(siteId, told);
            edit.name("Change a mark of " + tag.letter());
            edit.change(row, r -> r.set(told.planeId(), told.tagId(), told.points(), told.look()));
            return null;
        });
    }

    private void check(long siteId, MarkTold told) {
        var mark = new Mark(told.kind(), Points.pixels(told.points()));
        if (told.look().finish().length() > 100) {
            throw new Refused("finish", "A finish takes at most 100 characters.");
        }
        if (told.planeId() != 0) {
            var plane = Stores.find(store.takeoff().planes(siteId), told.planeId(), "plane");
            if (plane.pictureId() != told.pictureId()) {
                throw new Refused("planeId", "The plane belongs to another picture.");
            }
            mark.checkOn(plane.calibration().measuring());
        }
    }

    @Transactional
    public void removeMarks(long siteId, Seen seen, List<Long> ids) {
        journal.edit(siteId, seen, edit -> {
            var all = store.takeoff().marks(siteId);
            edit.name(ids.size() == 1 ? "Remove a mark" : "Remove " + ids.size() + " marks");
            Stores.find(all, ids, "mark").forEach(edit::remove);
            return null;
        });
    }

    /** A proposal with the name of the first of its tags. */
    public record Named(String name, KindProposal proposal) {}

    /** Which tags may be one piece, and its size on the step. */
    @Reading
    public List<Named> proposals(long siteId) {
        var site = store.sites().site(siteId);
        var marks = store.takeoff().marks(siteId);
        var sizes = TakeoffService.sizes(store.takeoff().planes(siteId), marks);
        var tags = store.takeoff().tags(siteId).stream()
                .filter(t -> t.listedId() == 0)
                .map(tag -> {
                    var own =
                            marks.stream().filter(m -> m.tagId() == tag.getId()).toList();
                    var measured = own.stream()
                            .filter(m -> !m.stamped())
                            .flatMap(m -> Optional.ofNullable(sizes.get(m.getId()))
                                    .filter(size -> size.width().isPresent())
                                    .map(size -> new TagMeasure.Size(
                                            size.width().orElseThrow(),
                                            size.height().orElseThrow()))
                                    .map(size -> m.look().turned() ? size.turned() : size)
                                    .stream())
                            .toList();
                    return new TagMeasure(
                            tag.getId(),
                            tag.letter(),
                            tag.role(),
                            measured,
                            own.size(),
                            Math.max(own.size(), tag.estimated()));
                })
                .toList();
        var names = store.takeoff().tags(siteId).stream().collect(Collectors.toMap(TagRow::getId, TagRow::name));
        var declined = store.takeoff().declined(siteId).stream()
                .map(d -> Arrays.stream(d.tagIds()).boxed().toList())
                .toList();
        return KindProposal.of(tags, site.settings().step()).stream()
                .filter(p -> !declined.contains(p.tags().stream()
                        .map(KindProposal.Member::tagId)
                        .sorted()
                        .toList()))
                .map(p -> new Named(names.getOrDefault(p.tags().get(0).tagId(), ""), p))
                .toList();
    }

    /** Puts a piece on the list for these tags, which then belong to it; its portrait is the first of their marks. */
    @Transactional
    public ListedRow accept(
            long siteId,
            Seen seen,
            List<Long> tagIds,
            String code,
            String name,
            Length width,
            Length depth,
            Length height) {
        return journal.edit(siteId, seen, edit -> {
            var all = store.takeoff().tags(siteId);
            var tags = Stores.find(all, tagIds, "tag");
            if (tags.isEmpty()) {
                throw new Refused("tagIds", "Name at least one tag.");
            }
            var marks = store.takeoff().marks(siteId).stream()
                    .filter(m -> tagIds.contains(m.tagId()))
                    .toList();
            var count = tags.stream()
                    .mapToInt(t -> Math.max(t.estimated(), (int)
                            marks.stream().filter(m -> m.tagId() == t.getId()).count()))
                    .sum();
            if (store.lists().listed(siteId).stream()
                    .anyMatch(l -> l.toLine().code().equals(code))) {
                throw new Refused("code", "The list has a piece “" + code + "” already.");
            }
            var row = new ListedRow(
                    store.nextId(),
                    siteId,
                    new PieceListCsv.Line(
                            code,
                            name,
                            tags.get(0).role(),
                            width,
                            depth,
                            height,
                            count,
                            PieceListCsv.Source.MAKE,
                            PieceState.WANTED,
                            3,
                            0,
                            false,
                            ""));
            marks.stream()
                    .filter(m -> m.shape() == Mark.Shape.RECTANGLE)
                    .findFirst()
                    .ifPresent(m -> row.portray(m.pictureId(), portrait(m.picks())));
            edit.name("List " + code + " from "
                    + tags.stream().map(TagRow::letter).collect(Collectors.joining(", ")));
            edit.add(row);
            tags.forEach(tag -> edit.change(tag, t -> t.setListed(row.getId())));
            return row;
        });
    }

    private static List<Double> portrait(List<Double> p) {
        return List.of(
                Math.min(p.get(0), p.get(2)),
                Math.min(p.get(1), p.get(3)),
                Math.max(p.get(0), p.get(2)),
                Math.max(p.get(1), p.get(3)));
    }

    /** Will not have these tags proposed as one piece again. */
    public void decline(long siteId, Seen seen, List<Long> tagIds) {
        journal.edit(siteId, seen, edit -> {
            var tags = Stores.find(store.takeoff().tags(siteId), tagIds, "tag");
            if (tags.isEmpty()) {
                throw new Refused("tagIds", "Name at least one tag.");
            }
            edit.name(
                    "Decline " + tags.stream().map(TagRow::letter).collect(Collectors.joining(", ")) + " as one piece");
            edit.add(new DeclinedRow(
                    store.nextId(),
                    siteId,
                    tags.stream().mapToLong(TagRow::getId).sorted().toArray()));
            return null;
        });
    }
}
