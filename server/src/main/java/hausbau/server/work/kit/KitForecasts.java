package hausbau.server.work.kit;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import hausbau.core.advice.KitForecast;
import hausbau.core.standing.KitChoice;
import hausbau.server.journal.Trial;
import java.time.Duration;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * What edits that are only asked for would do to a site's kit. What was worked out for one is kept for the next, for as long as
 * somebody drags a wall: of a few sites, some 300 bytes for each wall and way of cutting it. A miss costs one plan.
 */
@Component
public class KitForecasts {

    private static final int SITES = 8;
    private static final Duration KEPT = Duration.ofMinutes(1);
    /** How long the plan may take while something is dragged; past it the fewest kinds are left out of the answer. */
    private static final Duration PATIENCE = Duration.ofMillis(400);

    private final Cache<Long, KitForecast> known =
            Caffeine.newBuilder().maximumSize(SITES).expireAfterAccess(KEPT).build();

    /** Empty for a site without a kit. It holds no lock of the site's, and no connection. */
    public Optional<KitForecast.Change> of(Trial trial) {
        return trial.before().decisions().kit().map(KitChoice::rules).map(rules -> {
            var forecast = known.asMap()
                    .compute(
                            trial.siteId(),
                            (id, was) -> was != null && was.fits(trial.before(), rules)
                                    ? was
                                    : new KitForecast(trial.before(), rules));
            var deadline = System.nanoTime() + PATIENCE.toNanos();
            return forecast.of(trial.before(), trial.after(), () -> System.nanoTime() - deadline >= 0);
        });
    }
}
