package hausbau.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The headers every answer carries, and a lock on the door: a page from elsewhere may not edit. Ant Design Vue writes
 * its styles into the page, hence the allowance for inline styles; scripts come from here only.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class SecurityHeaders extends OncePerRequestFilter {

    private static final String POLICY = "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; "
            + "img-src 'self' data: blob:; font-src 'self'; connect-src 'self' blob:; worker-src 'self' blob:; "
            + "object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");

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
        var site = request.getHeader("Sec-Fetch-Site");
        if (!READING.contains(request.getMethod()) && site != null && !site.equals("same-origin") && !site.equals("none")) {
            response.setStatus(HttpServletResponse.SC_FORBIDDEN);
            response.setContentType("application/problem+json");
            response.getWriter().write("{\"status\":403,\"title\":\"Forbidden\",\"detail\":\"A page from elsewhere may not edit here.\"}");
            return;
        }
        chain.doFilter(request, response);
    }
}
