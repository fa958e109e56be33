package hausbau.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.ReducedMotion;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.TimeUnit;

/** The real application, started by its own script with a home and a port of its own, and a real browser before it. */
final class Application implements AutoCloseable {

    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();

    private final Path home;
    private final int port;
    private final Playwright playwright;
    private final Browser browser;
    private final Map<Boolean, BrowserContext> contexts = new HashMap<>();
    private Process script;

    Application() {
        // Below the ports that the system hands out by itself, so that nothing else takes it meanwhile.
        port = 12_000 + ThreadLocalRandom.current().nextInt(8_000);
        try {
            var base = System.getenv("HAUSBAU_HOME");
            home = Files.createDirectories(Path.of(base == null ? "target/home" : base)
                    .toAbsolutePath()
                    .resolve("e2e-" + port));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        start();
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--use-angle=swiftshader",
                                "--enable-unsafe-swiftshader",
                                "--disable-quic",
                                "--disable-background-networking",
                                // The page itself is painted without the software graphics card, which is slower at
                                // that.
                                "--disable-gpu-compositing",
                                "--disable-gpu-rasterization")));
    }

    /** Starts server and database and waits for the line that says they are ready. */
    void start() {
        try {
            var builder = new ProcessBuilder("./hausbau", "demo")
                    .directory(ROOT.toFile())
                    .redirectError(ProcessBuilder.Redirect.INHERIT);
            builder.environment()
                    .putAll(Map.of(
                            "HAUSBAU_HOME",
                            home.toString(),
                            "HAUSBAU_PORT",
                            String.valueOf(port),
                            "HAUSBAU_BUILT",
                            "1",
                            // It lives for minutes: compiling thoroughly would cost more than it brings.
                            "HAUSBAU_JAVA_OPTIONS",
                            "-XX:TieredStopAtLevel=1 -XX:+UseSerialGC"));
            script = builder.start();
            var lines = script.inputReader();
            for (var line = lines.readLine(); line != null; line = lines.readLine()) {
                if (line.startsWith("Hausbau is ready: ")) {
                    return;
                }
            }
            throw new IllegalStateException("the application did not start");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Kills the server hard, as a power cut would. */
    void killServer() throws IOException, InterruptedException {
        new ProcessBuilder(
                        "kill",
                        "-9",
                        Files.readString(home.resolve("server.pid")).split(" ")[0])
                .start()
                .waitFor();
        script.waitFor(60, TimeUnit.SECONDS);
    }

    String url(String path) {
        return "http://127.0.0.1:" + port + path;
    }

    /**
     * A page in a window of its own; those opened before are closed, since their drawing would slow this one. What the
     * browser has fetched and compiled stays; what a window keeps for itself does not.
     *
     * @param drawn whether Space is drawn in all its pixels; else nothing is, and only counts and picking are right
     */
    /** Every test begins as in a browser of its own, with Plan and Space side by side so that it can use both; how they stand at first is a test of its own. */
    private static final String FRESH =
            """
            try {
              if (!sessionStorage.fresh) {
                const draw = localStorage['hausbau.draw']
                localStorage.clear()
                if (draw) localStorage['hausbau.draw'] = draw
                const both = large => ({ large, other: 'beside', share: 0.5 })
                localStorage['hausbau.table'] = JSON.stringify({ massing: both('plan'), build: both('space'), survey: both('space') })
                localStorage['hausbau.introduced'] = JSON.stringify(['brief', 'massing', 'kit', 'build', 'survey', 'handover'])
                sessionStorage.fresh = 'no longer'
              }
            } catch { /* not a page of ours */ }
            """;

    Page page(boolean drawn) {
        browser.contexts().forEach(context -> context.pages().forEach(Page::close));
        var page = contexts.computeIfAbsent(drawn, this::context).newPage();
        page.addInitScript(FRESH);
        return page;
    }

    private BrowserContext context(boolean drawn) {
        var context = browser.newContext(new Browser.NewContextOptions()
                .setViewportSize(1280, 800)
                .setReducedMotion(drawn ? ReducedMotion.NO_PREFERENCE : ReducedMotion.REDUCE));
        if (!drawn) {
            context.addInitScript(
                    "try { localStorage.setItem('hausbau.draw', 'count') } catch { /* not a page of ours */ }");
        }
        return context;
    }

    @Override
    public void close() {
        browser.close();
        playwright.close();
        script.destroy();
        try {
            script.waitFor(60, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
