package hausbau.server.http.news;

import static java.nio.charset.StandardCharsets.UTF_8;

import hausbau.core.measure.Refused;
import hausbau.server.journal.Maker;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.context.annotation.Lazy;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.HandlerExceptionResolver;
import org.springframework.web.util.ContentCachingResponseWrapper;
import tools.jackson.databind.json.JsonMapper;

/**
 * One answer to an edit in place of two: with the header {@code Hausbau-Since}, the revision that its maker sees, an edit
 * that is made is answered with {@code {"made": …, "news": …}}: its own answer, or null, and what has changed since. Such
 * an answer carries the header too. Where the news cannot be told, as of a site that was deleted meanwhile, the answer is
 * the edit's own.
 */
@Component
class NewsWithEdits extends OncePerRequestFilter {

    static final String SINCE = "Hausbau-Since";

    private static final Pattern SITE = Pattern.compile("/api/sites/(\\d{1,18})(/.*)?");
    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");

    private final NewsController news;
    private final JsonMapper json;
    private final HandlerExceptionResolver refusals;

    /** The servlet container asks for its filters before there is anything else, hence lazily. */
    NewsWithEdits(
            @Lazy NewsController news,
            JsonMapper json,
            @Lazy @Qualifier("handlerExceptionResolver") HandlerExceptionResolver refusals) {
        this.news = news;
        this.json = json;
        this.refusals = refusals;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return request.getHeader(SINCE) == null
                || READING.contains(request.getMethod())
                || !SITE.matcher(request.getRequestURI()).matches();
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        var since = request.getHeader(SINCE);
        if (!since.matches("\\d{1,18}")) {
            refusals.resolveException(
                    request, response, null, new Refused(SINCE, SINCE + " takes the site's revision, such as 12."));
            return;
        }
        var made = new ContentCachingResponseWrapper(response);
        chain.doFilter(request, made);
        var told = HttpStatus.valueOf(made.getStatus()).is2xxSuccessful()
                ? newsSince(Long.parseLong(since), request)
                : Optional.<NewsController.NewsView>empty();
        if (told.isEmpty()) {
            made.copyBodyToResponse();
            return;
        }
        var answer = made.getContentAsByteArray();
        response.setStatus(answer.length == 0 ? HttpStatus.OK.value() : made.getStatus());
        response.setContentType(MediaType.APPLICATION_JSON_VALUE);
        response.setHeader(SINCE, since);
        var out = response.getOutputStream();
        out.write("{\"made\":".getBytes(UTF_8));
        out.write(answer.length == 0 ? "null".getBytes(UTF_8) : answer);
        out.write(",\"news\":".getBytes(UTF_8));
        out.write(json.writeValueAsBytes(told.get()));
        out.write('}');
    }

    private Optional<NewsController.NewsView> newsSince(long since, HttpServletRequest request) {
        var site = SITE.matcher(request.getRequestURI());
        var maker = request.getHeader("Hausbau-Maker");
        try {
            return site.matches()
                    ? Optional.of(
                            news.news(Long.parseLong(site.group(1)), since, new Maker(maker == null ? "" : maker)))
                    : Optional.empty();
        } catch (RuntimeException untold) {
            // The edit is made, and must not be answered as if it were not.
            return Optional.empty();
        }
    }
}
