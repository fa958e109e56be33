package hausbau.server.work.site;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Loads the demo's sites that are not there, before the server says that it is ready. */
@Component
@ConditionalOnProperty("hausbau.demo")
class DemoLoading implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(DemoLoading.class);

    private final SiteFile files;
    private final Path demo;

    DemoLoading(SiteFile files, @Value("${hausbau.demo}") Path demo) {
        this.files = files;
        this.demo = demo;
    }

    @Override
    public void run(ApplicationArguments args) throws IOException {
        try (var in = Files.newInputStream(demo)) {
            LOG.info("Loaded {} demo sites", files.load(in).size());
        }
    }
}
