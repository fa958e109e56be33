package hausbau.server.work;

import hausbau.core.measure.Refused;
import hausbau.core.takeoff.Measured;
import hausbau.core.takeoff.Measuring;
import hausbau.core.takeoff.Pixel;
import hausbau.core.takeoff.PlanePoint;
import hausbau.core.takeoff.Raster;
import hausbau.core.takeoff.Rectification;
import hausbau.server.journal.Journal;
import hausbau.server.store.BoardItemRow;
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

    static Map<Long, MarkSize> sizes(List<PlaneRow> planes, List<MarkRow> marks) {
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

    static List<Double> flat(List<Pixel> pixels) {
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

    BoardItemRow picture(long siteId, long id) {
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
}
