package hausbau.server.work.takeoff;

import hausbau.core.measure.Refused;
import hausbau.core.takeoff.Calibration;
import hausbau.core.takeoff.Mark;
import hausbau.core.takeoff.Measured;
import hausbau.core.takeoff.PlanePoint;
import hausbau.core.takeoff.Quantity;
import hausbau.core.takeoff.Raster;
import hausbau.core.takeoff.Rectification;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.board.BoardItemRow;
import hausbau.server.store.board.BoardStore;
import hausbau.server.store.takeoff.MarkRow;
import hausbau.server.store.takeoff.PlaneRow;
import hausbau.server.store.takeoff.Points;
import hausbau.server.store.takeoff.TagRow;
import hausbau.server.work.board.BoardService;
import hausbau.server.work.board.PictureFile;
import hausbau.server.work.site.SiteService;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Measuring and counting on the pictures of the board. */
@Service
public class TakeoffService {

    private static final double VIEW_PIXELS = 1600;

    private final Stores store;
    private final Journal journal;
    private final BoardService board;
    private final TransactionTemplate transaction;

    TakeoffService(Stores store, Journal journal, BoardService board, TransactionTemplate transaction) {
        this.transaction = transaction;
        this.store = store;
        this.journal = journal;
        this.board = board;
    }

    public record Sheet(
            List<BoardItemRow> items,
            Map<Long, BoardStore.MediaSize> media,
            List<PlaneRow> planes,
            List<TagRow> tags,
            List<MarkRow> marks,
            Map<Long, Mark.Size> sizes) {}

    @Reading
    public Sheet find(long siteId) {
        store.sites().site(siteId);
        var marks = store.takeoff().marks(siteId);
        var planes = store.takeoff().planes(siteId);
        return new Sheet(
                store.boards().items(siteId),
                store.boards().mediaSizes(siteId),
                planes,
                store.takeoff().tags(siteId),
                marks,
                sizes(planes, marks));
    }

    static Map<Long, Mark.Size> sizes(List<PlaneRow> planes, List<MarkRow> marks) {
        var measuring = planes.stream()
                .collect(Collectors.toMap(PlaneRow::getId, p -> p.calibration().measuring()));
        return marks.stream()
                .collect(Collectors.toMap(
                        MarkRow::getId,
                        m -> measuring.containsKey(m.planeId())
                                ? m.mark().on(measuring.get(m.planeId()))
                                : m.mark().unmeasured()));
    }

    @Reading
    public Measured measure(long siteId, long planeId, Quantity quantity, List<Double> points) {
        return quantity.of(
                Stores.find(store.takeoff().planes(siteId), planeId, "plane")
                        .calibration()
                        .measuring(),
                Points.pixels(points));
    }

    BoardItemRow picture(long siteId, long id) {
        var item = Stores.find(store.boards().items(siteId), id, "picture");
        if (item.kind() != BoardItemRow.Kind.PICTURE) {
            throw new Refused("pictureId", "Only a picture can be measured on.");
        }
        return item;
    }

    @Transactional
    public PlaneRow addPlane(long siteId, Seen seen, long pictureId, String name, Calibration calibration) {
        calibration.measuring();
        return journal.edit(siteId, seen, edit -> {
            edit.name("Calibrate “" + picture(siteId, pictureId).name() + "”");
            var row = new PlaneRow(store.nextId(), siteId, pictureId, SiteService.checkedName(name), calibration);
            edit.add(row);
            return row;
        });
    }

    @Transactional
    public PlaneRow changePlane(long siteId, Seen seen, long id, String name, Calibration calibration) {
        calibration.measuring();
        return journal.edit(siteId, seen, edit -> {
            var row = Stores.find(store.takeoff().planes(siteId), id, "plane");
            edit.name("Change the plane “" + row.name() + "”");
            edit.change(row, r -> r.set(SiteService.checkedName(name), calibration));
            return row;
        });
    }

    /** Removes the plane; its marks stay where they are, unmeasured. */
    @Transactional
    public void removePlane(long siteId, Seen seen, long id) {
        journal.edit(siteId, seen, edit -> {
            var row = Stores.find(store.takeoff().planes(siteId), id, "plane");
            edit.name("Remove the plane “" + row.name() + "”");
            store.takeoff().marks(siteId).stream()
                    .filter(m -> m.planeId() == id)
                    .forEach(m -> edit.change(m, r -> r.set(0, r.tagId(), r.picks(), r.look())));
            edit.remove(row);
            return null;
        });
    }

    /** What the view of a plane is made from. */
    private record Looked(BoardItemRow picture, String name, Calibration calibration, byte[] original) {}

    private Looked look(long siteId, long planeId) {
        return transaction.execute(status -> {
            var plane = Stores.find(store.takeoff().planes(siteId), planeId, "plane");
            var picture = picture(siteId, plane.pictureId());
            return new Looked(
                    picture,
                    plane.name(),
                    plane.calibration(),
                    store.boards().media(siteId, picture.mediaId()).original());
        });
    }

    /** The plane as it would look square on, around its calibration, as PNG. No transaction stands open meanwhile. */
    public byte[] rectified(long siteId, long planeId) {
        return PictureFile.png(view(look(siteId, planeId)));
    }

    private static BufferedImage view(Looked seen) {
        var map = seen.calibration().plane();
        var extent = Rectification.extent(map, seen.calibration().points());
        var width = extent.get(1).x() - extent.get(0).x();
        var height = extent.get(1).y() - extent.get(0).y();
        var margin = 0.08 * Math.max(width, height);
        var from = new PlanePoint(extent.get(0).x() - margin, extent.get(0).y() - margin);
        var to = new PlanePoint(extent.get(1).x() + margin, extent.get(1).y() + margin);
        var raster = Rectification.of(
                raster(seen.original()), map, from, to, (Math.max(width, height) + 2 * margin) / VIEW_PIXELS);
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
    public BoardItemRow keepRectified(long siteId, Seen seen, long planeId) {
        var from = look(siteId, planeId);
        var picture = PictureFile.read(PictureFile.png(view(from)));
        var lie = from.picture().lie();
        return transaction.execute(status -> board.lay(
                siteId,
                seen,
                from.picture().name() + ", " + from.name() + " square on",
                picture,
                lie.x() + lie.width() + 40,
                lie.y()));
    }
}
