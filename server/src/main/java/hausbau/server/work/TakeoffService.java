package hausbau.server.work;

import hausbau.core.exchange.PieceListCsv;
import hausbau.core.kit.PieceState;
import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.takeoff.KindProposal;
import hausbau.core.takeoff.Measured;
import hausbau.core.takeoff.Measuring;
import hausbau.core.takeoff.Pixel;
import hausbau.core.takeoff.PlanePoint;
import hausbau.core.takeoff.Raster;
import hausbau.core.takeoff.Rectification;
import hausbau.core.takeoff.Stamp;
import hausbau.core.takeoff.TagMeasure;
import hausbau.server.journal.Journal;
import hausbau.server.store.BoardItemRow;
import hausbau.server.store.ListedRow;
import hausbau.server.store.MarkRow;
import hausbau.server.store.PlaneRow;
import hausbau.server.store.PlaneRow.Calibration;
import hausbau.server.store.Points;
import hausbau.server.store.SiteStore;
import hausbau.server.store.TagRow;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Measuring and counting on the pictures of the board. */
@Service
public class TakeoffService {

    private static final double VIEW_PIXELS = 1600;

    private final SiteStore store;
    private final Journal journal;
    private final BoardService board;

    TakeoffService(SiteStore store, Journal journal, BoardService board) {
        this.store = store;
        this.journal = journal;
        this.board = board;
    }

    /**
     * What a mark measures; empty where its plane or its shape does not tell.
     *
     * @param outline how it shows on the picture, x and y by turns
     */
    public record MarkSize(Optional<Measured> width, Optional<Measured> height, Optional<Measured> length, Optional<Measured> area, List<Double> outline) {

        static MarkSize unknown(List<Double> outline) {
            return new MarkSize(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), outline);
        }
    }

    public record Sheet(List<BoardItemRow> items, Map<Long, SiteStore.MediaSize> media, List<PlaneRow> planes, List<TagRow> tags,
            List<MarkRow> marks, Map<Long, MarkSize> sizes) {
    }

    @Transactional(readOnly = true)
    public Sheet find(long siteId) {
        store.site(siteId);
        var marks = store.marks(siteId);
        var planes = store.planes(siteId);
        return new Sheet(store.boardItems(siteId), store.mediaSizes(siteId), planes, store.tags(siteId), marks, sizes(planes, marks));
    }

    private static Map<Long, MarkSize> sizes(List<PlaneRow> planes, List<MarkRow> marks) {
        var measuring = planes.stream().collect(Collectors.toMap(PlaneRow::getId, p -> p.calibration().measuring()));
        var sizes = new HashMap<Long, MarkSize>();
        marks.forEach(m -> sizes.put(m.getId(), Optional.ofNullable(measuring.get(m.planeId())).map(on -> size(on, m)).orElseGet(() -> MarkSize.unknown(unmeasured(m)))));
        return sizes;
    }

    private static MarkSize size(Measuring on, MarkRow mark) {
        var p = Points.pixels(mark.picks());
        return switch (mark.kind()) {
            case POINT -> MarkSize.unknown(mark.picks());
            case LINE -> new MarkSize(Optional.empty(), Optional.empty(), Optional.of(on.length(p.get(0), p.get(1))), Optional.empty(), mark.picks());
            case RECTANGLE -> new MarkSize(Optional.of(on.width(p.get(0), p.get(1))), Optional.of(on.height(p.get(0), p.get(1))), Optional.empty(), Optional.empty(),
                    flat(on.plane().rectangle(p.get(0), p.get(1))));
            case POLYGON -> new MarkSize(Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(on.area(p)), mark.picks());
        };
    }

    /** Without a plane a rectangle is upright on the picture itself. */
    private static List<Double> unmeasured(MarkRow mark) {
        var p = mark.picks();
        return mark.kind() == MarkRow.Kind.RECTANGLE ? List.of(p.get(0), p.get(1), p.get(2), p.get(1), p.get(2), p.get(3), p.get(0), p.get(3)) : p;
    }

    private static List<Double> flat(List<Pixel> pixels) {
        return pixels.stream().flatMap(p -> Stream.of(p.x(), p.y())).toList();
    }

    /** What can be measured without keeping a mark. */
    public enum Quantity {
        LENGTH(2), WIDTH(2), HEIGHT(2), ANGLE(3), AREA(3);

        private final int points;

        Quantity(int points) {
            this.points = points;
        }
    }

    @Transactional(readOnly = true)
    public Measured measure(long siteId, long planeId, Quantity quantity, List<Double> points) {
        var on = store.find(store.planes(siteId), planeId, "plane").calibration().measuring();
        var p = quantity == Quantity.AREA ? Points.pixels(points) : Points.pixels(points, quantity.points);
        if (p.size() < quantity.points || p.size() > 100) {
            throw new Refused("points", "An area takes from 3 to 100 points.");
        }
        var measured = switch (quantity) {
            case LENGTH -> on.length(p.get(0), p.get(1));
            case WIDTH -> on.width(p.get(0), p.get(1));
            case HEIGHT -> on.height(p.get(0), p.get(1));
            case ANGLE -> on.angle(p.get(0), p.get(1), p.get(2));
            case AREA -> on.area(p);
        };
        if (!Double.isFinite(measured.value()) || !Double.isFinite(measured.deviation())) {
            throw new Refused("points", "Two of the points lie on one another, or beyond the plane's horizon.");
        }
        return measured;
    }

    private BoardItemRow picture(long siteId, long id) {
        var item = store.find(store.boardItems(siteId), id, "picture");
        if (item.kind() != BoardItemRow.Kind.PICTURE) {
            throw new Refused("pictureId", "Only a picture can be measured on.");
        }
        return item;
    }

    @Transactional
    public PlaneRow addPlane(long siteId, OptionalLong seen, long pictureId, String name, Calibration calibration) {
        calibration.measuring();
        return journal.edit(siteId, seen, edit -> {
            edit.name("Calibrate “" + picture(siteId, pictureId).name() + "”");
            var row = new PlaneRow(store.nextId(), siteId, pictureId, SiteService.checkedName(name), calibration);
            edit.add(row);
            return row;
        });
    }

    @Transactional
    public PlaneRow changePlane(long siteId, OptionalLong seen, long id, String name, Calibration calibration) {
        calibration.measuring();
        return journal.edit(siteId, seen, edit -> {
            var row = store.find(store.planes(siteId), id, "plane");
            edit.name("Change the plane “" + row.name() + "”");
            edit.change(row, r -> r.set(SiteService.checkedName(name), calibration));
            return row;
        });
    }

    /** Removes the plane; its marks stay where they are, unmeasured. */
    @Transactional
    public void removePlane(long siteId, OptionalLong seen, long id) {
        journal.edit(siteId, seen, edit -> {
            var row = store.find(store.planes(siteId), id, "plane");
            edit.name("Remove the plane “" + row.name() + "”");
            store.marks(siteId).stream().filter(m -> m.planeId() == id)
                    .forEach(m -> edit.change(m, r -> r.set(0, r.tagId(), r.picks(), r.look())));
            edit.remove(row);
            return null;
        });
    }

    /** The plane as it would look square on, around its calibration, as PNG. */
    @Transactional(readOnly = true)
    public byte[] rectified(long siteId, long planeId) {
        return PictureFile.png(view(siteId, planeId));
    }

    private BufferedImage view(long siteId, long planeId) {
        var plane = store.find(store.planes(siteId), planeId, "plane");
        var media = store.media(siteId, picture(siteId, plane.pictureId()).mediaId());
        var map = plane.calibration().plane();
        var extent = Rectification.extent(map, Points.pixels(plane.calibration().points()));
        var width = extent.get(1).x() - extent.get(0).x();
        var height = extent.get(1).y() - extent.get(0).y();
        var margin = 0.08 * Math.max(width, height);
        var from = new PlanePoint(extent.get(0).x() - margin, extent.get(0).y() - margin);
        var to = new PlanePoint(extent.get(1).x() + margin, extent.get(1).y() + margin);
        var raster = Rectification.of(raster(media.original()), map, from, to, (Math.max(width, height) + 2 * margin) / VIEW_PIXELS);
        var image = new BufferedImage(raster.width(), raster.height(), BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, raster.width(), raster.height(), raster.rgb(), 0, raster.width());
        return image;
    }

    private static Raster raster(byte[] file) {
        try {
            var image = ImageIO.read(new ByteArrayInputStream(file));
            var rgb = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
            return new Raster(image.getWidth(), image.getHeight(), rgb);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Lays the plane's view square on beside its picture. */
    @Transactional
    public BoardItemRow keepRectified(long siteId, OptionalLong seen, long planeId) {
        var plane = store.find(store.planes(siteId), planeId, "plane");
        var beside = picture(siteId, plane.pictureId());
        var lie = beside.lie();
        return board.lay(siteId, seen, beside.name() + ", " + plane.name() + " square on", PictureFile.read(rectified(siteId, planeId)),
                lie.x() + lie.width() + 40, lie.y());
    }

    @Transactional
    public TagRow addTag(long siteId, OptionalLong seen, String letter, String name, Role role) {
        return journal.edit(siteId, seen, edit -> {
            var taken = store.tags(siteId).stream().map(TagRow::letter).collect(Collectors.toSet());
            var chosen = letter.isBlank() ? freeLetter(taken) : checkedLetter(letter, taken);
            edit.name("Add the tag " + chosen);
            var row = new TagRow(store.nextId(), siteId, chosen, SiteService.checkedName(name), role);
            edit.add(row);
            return row;
        });
    }

    private static String freeLetter(Set<String> taken) {
        for (var n = 0; ; n++) {
            var letter = (n < 26 ? "" : String.valueOf((char) ('A' + n / 26 - 1))) + (char) ('A' + n % 26);
            if (!taken.contains(letter)) {
                return letter;
            }
        }
    }

    private static String checkedLetter(String letter, Set<String> taken) {
        var stripped = letter.strip();
        if (stripped.length() > 8 || taken.contains(stripped)) {
            throw new Refused("letter", taken.contains(stripped) ? "There is a tag “" + stripped + "” already." : "A tag has 1 to 8 characters.");
        }
        return stripped;
    }

    /**
     * A tag as told.
     *
     * @param estimated how many there are in all; 0 where only those seen count
     */
    public record TagTold(String letter, String name, Role role, int estimated) {
    }

    @Transactional
    public void changeTag(long siteId, OptionalLong seen, long id, Function<TagRow, TagTold> change) {
        journal.edit(siteId, seen, edit -> {
            var row = store.find(store.tags(siteId), id, "tag");
            var told = change.apply(row);
            var others = store.tags(siteId).stream().filter(t -> t.getId() != id).map(TagRow::letter).collect(Collectors.toSet());
            if (told.estimated() < 0 || told.estimated() > 1_000_000) {
                throw new Refused("estimated", "A count is from 0 to a million.");
            }
            edit.name("Change the tag " + row.letter());
            edit.change(row, r -> r.set(checkedLetter(told.letter(), others), SiteService.checkedName(told.name()), told.role(), told.estimated()));
            return null;
        });
    }

    @Transactional
    public void removeTag(long siteId, OptionalLong seen, long id) {
        journal.edit(siteId, seen, edit -> {
            var row = store.find(store.tags(siteId), id, "tag");
            edit.name("Remove the tag " + row.letter());
            store.marks(siteId).stream().filter(m -> m.tagId() == id).forEach(edit::remove);
            edit.remove(row);
            return null;
        });
    }

    /** A mark as told. */
    public record MarkTold(long pictureId, long planeId, long tagId, MarkRow.Kind kind, List<Double> points, MarkRow.Look look) {
    }

    @Transactional
    public MarkRow addMark(long siteId, OptionalLong seen, MarkTold told) {
        return journal.edit(siteId, seen, edit -> {
            picture(siteId, told.pictureId());
            var tag = store.find(store.tags(siteId), told.tagId(), "tag");
            check(siteId, told);
            edit.name("Mark " + tag.letter());
            var row = new MarkRow(store.nextId(), siteId, told.pictureId(), told.planeId(), told.tagId(), told.kind(), told.points(), told.look());
            edit.add(row);
            return row;
        });
    }

    /** Marks the next thing of the same kind: the same shape at another place of the same picture. */
    @Transactional
    public MarkRow stamp(long siteId, OptionalLong seen, long likeId, double x, double y) {
        return journal.edit(siteId, seen, edit -> {
            var like = store.find(store.marks(siteId), likeId, "mark");
            var tag = store.find(store.tags(siteId), like.tagId(), "tag");
            var plane = store.planes(siteId).stream().filter(p -> p.getId() == like.planeId()).findFirst().map(p -> p.calibration().plane());
            var points = flat(Stamp.at(Points.pixels(like.picks()), plane, Points.pixels(List.of(x, y), 1).get(0)));
            check(siteId, new MarkTold(like.pictureId(), like.planeId(), like.tagId(), like.kind(), points, like.look()));
            edit.name("Mark " + tag.letter() + " again");
            var row = new MarkRow(store.nextId(), siteId, like.pictureId(), like.planeId(), like.tagId(), like.kind(), points, like.look());
            edit.add(row);
            return row;
        });
    }

    @Transactional
    public void changeMark(long siteId, OptionalLong seen, long id, Function<MarkRow, MarkTold> change) {
        journal.edit(siteId, seen, edit -> {
            var row = store.find(store.marks(siteId), id, "mark");
            var told = change.apply(row);
            var tag = store.find(store.tags(siteId), told.tagId(), "tag");
            check(siteId, told);
            edit.name("Change a mark of " + tag.letter());
            edit.change(row, r -> r.set(told.planeId(), told.tagId(), told.points(), told.look()));
            return null;
        });
    }

    private void check(long siteId, MarkTold told) {
        var count = Points.pixels(told.points()).size();
        if (told.points().size() % 2 != 0 || count < told.kind().least() || count > told.kind().most()) {
            throw new Refused("points", "This mark takes from " + told.kind().least() + " to " + told.kind().most() + " points.");
        }
        if (told.look().finish().length() > 100) {
            throw new Refused("finish", "A finish takes at most 100 characters.");
        }
        if (told.planeId() != 0) {
            var plane = store.find(store.planes(siteId), told.planeId(), "plane");
            if (plane.pictureId() != told.pictureId()) {
                throw new Refused("planeId", "The plane belongs to another picture.");
            }
            var size = sizes(List.of(plane), List.of(new MarkRow(0, siteId, told.pictureId(), told.planeId(), told.tagId(), told.kind(), told.points(), told.look()))).get(0L);
            var measured = Stream.of(size.width(), size.height(), size.length(), size.area()).flatMap(Optional::stream).toList();
            if (measured.stream().anyMatch(m -> !Double.isFinite(m.value()) || !Double.isFinite(m.deviation()) || m.value() > 1e9)) {
                throw new Refused("points", "Two of the points lie on one another, or beyond the plane's horizon.");
            }
        }
    }

    @Transactional
    public void removeMarks(long siteId, OptionalLong seen, List<Long> ids) {
        journal.edit(siteId, seen, edit -> {
            var all = store.marks(siteId);
            edit.name(ids.size() == 1 ? "Remove a mark" : "Remove " + ids.size() + " marks");
            ids.forEach(id -> edit.remove(store.find(all, id, "mark")));
            return null;
        });
    }

    /** Which tags may be one piece, and its size on the step. */
    @Transactional(readOnly = true)
    public List<KindProposal> proposals(long siteId) {
        var site = store.site(siteId);
        var marks = store.marks(siteId);
        var sizes = sizes(store.planes(siteId), marks);
        var tags = store.tags(siteId).stream().filter(t -> t.listedId() == 0).map(tag -> {
            var own = marks.stream().filter(m -> m.tagId() == tag.getId()).toList();
            var measured = own.stream().filter(m -> sizes.get(m.getId()).width().isPresent()).map(m -> {
                var size = new TagMeasure.Size(sizes.get(m.getId()).width().orElseThrow(), sizes.get(m.getId()).height().orElseThrow());
                return m.look().turned() ? new TagMeasure.Size(size.height(), size.width()) : size;
            }).toList();
            return new TagMeasure(tag.getId(), tag.letter(), tag.role(), measured, own.size(), Math.max(own.size(), tag.estimated()));
        }).toList();
        return KindProposal.of(tags, site.settings().step());
    }

    /** Puts a piece on the list for these tags, which then belong to it; its portrait is the first of their marks. */
    @Transactional
    public ListedRow accept(long siteId, OptionalLong seen, List<Long> tagIds, String code, String name, Length width, Length depth, Length height) {
        return journal.edit(siteId, seen, edit -> {
            var all = store.tags(siteId);
            var tags = tagIds.stream().map(id -> store.find(all, id, "tag")).toList();
            if (tags.isEmpty()) {
                throw new Refused("tagIds", "Name at least one tag.");
            }
            var marks = store.marks(siteId).stream().filter(m -> tagIds.contains(m.tagId())).toList();
            var count = tags.stream().mapToInt(t -> Math.max(t.estimated(), (int) marks.stream().filter(m -> m.tagId() == t.getId()).count())).sum();
            if (store.listed(siteId).stream().anyMatch(l -> l.toLine().code().equals(code))) {
                throw new Refused("code", "The list has a piece “" + code + "” already.");
            }
            var row = new ListedRow(store.nextId(), siteId, new PieceListCsv.Line(code, name, tags.get(0).role(), width, depth, height, count,
                    PieceListCsv.Source.MAKE, PieceState.WANTED, 3, 0, false, ""));
            marks.stream().filter(m -> m.kind() == MarkRow.Kind.RECTANGLE).findFirst().ifPresent(m -> row.portray(m.pictureId(), portrait(m.picks())));
            edit.name("List " + code + " from " + tags.stream().map(TagRow::letter).collect(Collectors.joining(", ")));
            edit.add(row);
            tags.forEach(tag -> edit.change(tag, t -> t.setListed(row.getId())));
            return row;
        });
    }

    private static List<Double> portrait(List<Double> p) {
        return List.of(Math.min(p.get(0), p.get(2)), Math.min(p.get(1), p.get(3)), Math.max(p.get(0), p.get(2)), Math.max(p.get(1), p.get(3)));
    }
}
