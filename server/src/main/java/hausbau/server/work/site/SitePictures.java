package hausbau.server.work.site;

import com.github.benmanes.caffeine.cache.Cache;
import hausbau.core.kit.Kind;
import hausbau.core.shape.Mesh;
import hausbau.core.shot.PaperPicture;
import hausbau.core.shot.SetPicture;
import hausbau.server.jobs.Job;
import hausbau.server.jobs.Jobs;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.work.Weighed;
import hausbau.server.work.kit.KitService;
import hausbau.server.work.kit.MeshShelf;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.function.Function;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Service;

/** Sites as small pictures, for those who choose among them. Kept by revision, 16 MiB at most; a miss draws it again. */
@Service
public class SitePictures {

    public static final int WIDTH = 480;
    public static final int HEIGHT = 320;

    private record Key(long siteId, long revision) {}

    private final Cache<Key, byte[]> drawn = Weighed.upTo(16, (key, png) -> png.length);
    private final Sets sets;
    private final MeshShelf meshes;
    private final Jobs jobs;

    SitePictures(Sets sets, MeshShelf meshes, Jobs jobs) {
        this.sets = sets;
        this.meshes = meshes;
        this.jobs = jobs;
    }

    /** @param png empty where nothing stands */
    public record Picture(byte[] png, long revision) {}

    public Picture picture(long siteId) {
        var state = sets.current(siteId);
        var key = new Key(siteId, state.revision());
        var known = drawn.getIfPresent(key);
        if (known != null) {
            return new Picture(known, key.revision());
        }
        var png = jobs.run(siteId, "", key, job -> draw(state, job));
        drawn.put(key, png);
        return new Picture(png, key.revision());
    }

    private byte[] draw(SiteState state, Job job) {
        var finish = KitService.finish(state);
        Function<Kind, Mesh> mesh = kind -> meshes.mesh(state.piece(state.id(kind)), finish);
        var seen = SetPicture.of(state.set(), WIDTH, HEIGHT, mesh, job::isWanted);
        job.reachOrStop(1);
        return seen.map(PaperPicture::of).map(SitePictures::png).orElse(new byte[0]);
    }

    private static byte[] png(int[] pixels) {
        var image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, WIDTH, HEIGHT, pixels, 0, WIDTH);
        var bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }
}
