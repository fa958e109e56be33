package hausbau.server.work.board;

import java.util.concurrent.Semaphore;
import org.springframework.stereotype.Component;

/** Where pictures are read, two at a time, since each may take some hundred megabytes. No transaction should stand open meanwhile. */
@Component
public class PictureDesk {

    private final Semaphore desks = new Semaphore(2);

    /** @throws hausbau.core.measure.Refused if the file is no whole PNG, JPEG or WebP picture, or too large, with the reason */
    public PictureFile read(byte[] file) {
        desks.acquireUninterruptibly();
        try {
            return PictureFile.read(file);
        } finally {
            desks.release();
        }
    }
}
