package hausbau.server.http;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What goes wrong before or beside the application's own code is told as a problem (RFC 9457) too, never as a page. */
@Configuration
class Faults {

    private static String words(int status) {
        return switch (status) {
            case 400 -> "The request cannot be read: its path, its query or its headers are not as HTTP wants them.";
            case 404 -> "There is nothing here.";
            case 405 -> "This cannot be done here.";
            case 413 -> "The request is too large.";
            default ->
                status < 500
                        ? "The request cannot be answered."
                        : "Something went wrong in the server; nothing was changed. Its log says more.";
        };
    }

    /** What the container itself refuses: paths it cannot read, methods it does not know. */
    static final class ProblemValve extends ErrorReportValve {

        @Override
        protected void report(Request request, Response response, Throwable throwable) {
            var status = response.getStatus();
            if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
                return;
            }
            try {
                response.setContentType("application/problem+json");
                response.setCharacterEncoding("UTF-8");
                var writer = response.getReporter();
                if (writer != null) {
                    writer.write("{\"status\":" + status + ",\"detail\":\"" + words(status) + "\"}");
                    response.finishResponse();
                }
            } catch (IOException | IllegalStateException e) {
                // The connection is gone: there is nobody to tell.
                container.getLogger().debug("no answer could be given", e);
            }
        }
    }

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> problemsOfTheContainer() {
        return new Customizer();
    }

    /** Comes last, so that its valve is the innermost and reports first. */
    private static final class Customizer
            implements WebServerFactoryCustomizer<TomcatServletWebServerFactory>, Ordered {

        @Override
        public int getOrder() {
            return LOWEST_PRECEDENCE;
        }

        @Override
        public void customize(TomcatServletWebServerFactory factory) {
            factory.addContextCustomizers(
                    context -> context.getParent().getPipeline().addValve(new ProblemValve()));
        }
    }

    /** Where the container sends what it could not serve otherwise. */
    @RestController
    @Hidden
    static class Errors implements ErrorController {

        @RequestMapping("/error")
        ResponseEntity<ProblemDetail> error(HttpServletRequest request) {
            if (LeastRate.isGivenUp(request)) {
                return ResponseEntity.status(HttpStatus.REQUEST_TIMEOUT)
                        .body(ProblemDetail.forStatusAndDetail(HttpStatus.REQUEST_TIMEOUT, LeastRate.WORDS));
            }
            var told = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
            var status = told instanceof Integer code && HttpStatus.resolve(code) != null ? code : 404;
            return ResponseEntity.status(status)
                    .body(ProblemDetail.forStatusAndDetail(HttpStatus.valueOf(status), words(status)));
        }
    }
}
