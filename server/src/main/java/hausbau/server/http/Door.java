package hausbau.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The headers every answer carries, and a lock on the door: only the configured host names are answered, so that no name
 * that somebody points at this machine reaches it (DNS rebinding), and a page from elsewhere may neither edit nor read.
 * Ant Design Vue writes its styles into the page, hence the allowance for inline styles; scripts come from here only.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class Door extends OncePerRequestFilter {

    private static final String POLICY = "default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; "
            + "img-src 'self' data: blob:; font-src 'self'; connect-src 'self' blob:; worker-src 'self' blob:; "
            + "manifest-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");

    private final Set<String> hosts;

    Door(@Value("${hausbau.hosts}") List<String> hosts) {
        this.hosts = Set.copyOf(hosts);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader("Content-Security-Policy", POLICY);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("X-Frame-Options", "DENY");
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("Permissions-Policy", "camera=(), geolocation=(), microphone=(), payment=(), usb=()");
        response.setHeader("Cross-Origin-Opener-Policy", "same-origin");
        response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
        if (!hosts.contains(nameOf(request.getHeader("Host")))) {
            refuse(response, 421, "Misdirected Request", "This server is not known by that name.");
        } else if (comesFromElsewhere(request)) {
            refuse(response, 403, "Forbidden", "A page from elsewhere may not call here.");
        } else {
            chain.doFilter(request, response);
        }
    }

    /** The name in a host header, without its port. */
    private static String nameOf(String host) {
        return host == null ? "" : host.replaceFirst(":\\d*$", "").toLowerCase(Locale.ROOT);
    }

    private static boolean comesFromElsewhere(HttpServletRequest request) {
        var origin = request.getHeader("Origin");
        if (origin != null) {
            return !origin.replaceFirst("^https?://", "").equalsIgnoreCase(request.getHeader("Host"));
        }
        var site = request.getHeader("Sec-Fetch-Site");
        var isNavigation =
                READING.contains(request.getMethod()) && "navigate".equals(request.getHeader("Sec-Fetch-Mode"));
        return site != null && !isNavigation && !site.equals("same-origin") && !site.equals("none");
    }

    private static void refuse(HttpServletResponse response, int status, String title, String detail)
            throws IOException {
        response.setStatus(status);
        response.setContentType("application/problem+json");
        response.getWriter()
                .write("{\"status\":" + status + ",\"title\":\"" + title + "\",\"detail\":\"" + detail + "\"}");
    }
}
