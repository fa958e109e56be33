package hausbau.server.work;

import hausbau.core.exchange.Bill;
import hausbau.core.exchange.GltfScene;
import hausbau.server.store.SiteStore;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The files that a site is handed over in. */
@Service
public class HandoverService {

    private final SiteStore store;
    private final KitService kit;

    public HandoverService(SiteStore store, KitService kit) {
        this.store = store;
        this.kit = kit;
    }

    @Transactional(readOnly = true)
    public String name(long siteId) {
        return store.site(siteId).name();
    }

    /** The whole set; nodes are named after their piece and numbered. */
    @Transactional(readOnly = true)
    public byte[] scene(long siteId) {
        var pieces = kit.kit(siteId);
        var scene = new GltfScene(name(siteId), kit.finish(siteId));
        var numbers = new HashMap<Long, Integer>();
        for (var row : store.placements(siteId)) {
            var piece = pieces.get(row.pieceId());
            var number = numbers.merge(row.pieceId(), 1, Integer::sum);
            scene.add(piece.code() + "." + String.format("%04d", number), piece, row.toPlacement().stance());
        }
        return scene.toBytes();
    }

    /** Every piece of the kit as a file of its own. */
    @Transactional(readOnly = true)
    public byte[] pieces(long siteId) {
        var out = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(out)) {
            for (var piece : kit.kit(siteId).entrySet()) {
                zip.putNextEntry(new ZipEntry(piece.getValue().code() + ".glb"));
                zip.write(kit.glb(siteId, piece.getKey()));
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    @Transactional(readOnly = true)
    public String bill(long siteId) {
        return Bill.csv(kit.pieces(siteId).stream().map(u -> new Bill.Line(u.piece(), u.count())).toList());
    }
}
