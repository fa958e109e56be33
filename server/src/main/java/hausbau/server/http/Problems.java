package hausbau.server.http;

import hausbau.core.advice.KitForecast;
import hausbau.core.measure.Fault;
import hausbau.core.measure.OutOfBounds;
import hausbau.core.measure.Refused;
import hausbau.server.jobs.Busy;
import hausbau.server.jobs.CalledOff;
import hausbau.server.journal.AlreadyMade;
import hausbau.server.journal.StaleRevision;
import hausbau.server.journal.Trial;
import hausbau.server.store.NotFound;
import hausbau.server.work.kit.KitForecasts;
import jakarta.persistence.PersistenceException;
import jakarta.validation.ConstraintViolationException;
import java.nio.charset.IllegalCharsetNameException;
import java.nio.charset.UnsupportedCharsetException;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.InvalidMediaTypeException;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.HandlerMethodValidationException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/** Turns whatever goes wrong into a problem (RFC 9457) that a person can act on. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {

    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    private static final String NO_SUCH_CHARACTER = "22021";
    private static final String DISK_FULL = "53100";
    private static final String DISK_IS_FULL =
            "The server's disk is full. Nothing was changed; what is there can still be looked at. Make room on it, then try again.";

    private final KitForecasts forecasts;

    Problems(KitForecasts forecasts) {
        this.forecasts = forecasts;
    }

    private static ProblemDetail bad(List<Fault> faults) {
        var problem = ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST,
                String.join(
                        " ",
                        faults.stream().limit(20).map(Fault::message).distinct().toList()));
        problem.setProperty("errors", faults);
        return problem;
    }

    @ExceptionHandler
    ProblemDetail refused(Refused refused) {
        return bad(refused.faults());
    }

    @ExceptionHandler
    ProblemDetail outOfBounds(OutOfBounds e) {
        return bad(List.of(new Fault(
                "",
                Character.toUpperCase(e.getMessage().charAt(0)) + e.getMessage().substring(1) + ".")));
    }

    /**
     * What an edit that was only asked for would do.
     *
     * @param kit what would become of the kit; null where that was not asked, or there is none
     */
    record TrialView(long placed, long removed, long lost, @Nullable KitTrialView kit) {}

    /** Kinds and placements as they are and as they would be; the fewest kinds null where they are not known. */
    record KitTrialView(
            int kindsBefore,
            int kinds,
            long placementsBefore,
            long placements,
            @Nullable Integer fewestBefore,
            @Nullable Integer fewest) {

        static KitTrialView of(KitForecast.Change c) {
            return new KitTrialView(
                    c.before().kinds(),
                    c.after().kinds(),
                    c.before().placements(),
                    c.after().placements(),
                    told(c.before().fewest()),
                    told(c.after().fewest()));
        }

        private static @Nullable Integer told(OptionalInt n) {
            return n.isPresent() ? n.getAsInt() : null;
        }
    }

    @ExceptionHandler
    ResponseEntity<TrialView> trial(Trial trial, WebRequest request) {
        var d = trial.difference();
        var kit = "kit".equals(request.getParameter("trial"))
                ? forecasts.of(trial).map(KitTrialView::of).orElse(null)
                : null;
        return ResponseEntity.ok(new TrialView(d.placed(), d.removed(), d.lost(), kit));
    }

    @ExceptionHandler
    ResponseEntity<Void> alreadyMade(AlreadyMade e) {
        return ResponseEntity.status(HttpStatus.ALREADY_REPORTED).build();
    }

    /** Query values that are no UTF-8. */
    @ExceptionHandler
    ProblemDetail unreadable(InvalidParameterException e) {
        return bad(List.of(new Fault("", "The query cannot be read: its values must be UTF-8.")));
    }

    @ExceptionHandler
    ProblemDetail calledOff(CalledOff e) {
        return bad(List.of(new Fault("token", e.getMessage())));
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> busy(Busy e) {
        return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
                .header(HttpHeaders.RETRY_AFTER, String.valueOf(e.seconds()))
                .body(ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, e.getMessage()));
    }

    @ExceptionHandler
    ProblemDetail notFound(NotFound notFound) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, notFound.getMessage());
    }

    @ExceptionHandler
    ProblemDetail stale(StaleRevision stale) {
        var problem = ProblemDetail.forStatusAndDetail(HttpStatus.PRECONDITION_FAILED, stale.getMessage());
        problem.setProperty("revision", stale.current());
        return problem;
    }

    @ExceptionHandler
    ProblemDetail wrongType(MethodArgumentTypeMismatchException e) {
        var status = e.getParameter().hasParameterAnnotation(PathVariable.class)
                ? HttpStatus.NOT_FOUND
                : HttpStatus.BAD_REQUEST;
        var problem = ProblemDetail.forStatusAndDetail(
                status, "“" + cut(String.valueOf(e.getValue())) + "” is no valid " + e.getName() + ".");
        problem.setProperty("errors", List.of(new Fault(e.getName(), problem.getDetail())));
        return problem;
    }

    private static String cut(String text) {
        return text.length() <= 100 ? text : text.substring(0, 100) + "…";
    }

    @ExceptionHandler
    ProblemDetail violated(ConstraintViolationException e) {
        return bad(e.getConstraintViolations().stream()
                .map(v -> new Fault(v.getPropertyPath().toString(), v.getPropertyPath() + " " + v.getMessage() + "."))
                .toList());
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class, PersistenceException.class})
    ProblemDetail database(Exception e) {
        // A repository's own complaint about a value is wrapped as if the database had made it.
        if (e.getCause() instanceof OutOfBounds outOfBounds) {
            return outOfBounds(outOfBounds);
        }
        var state = sqlState(e);
        if (state.equals(NO_SUCH_CHARACTER)) {
            return bad(List.of(new Fault("", "A text holds a character that no text may hold (U+0000).")));
        }
        LOG.error("The database failed", e);
        if (state.equals(DISK_FULL)) {
            return ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, DISK_IS_FULL);
        }
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.SERVICE_UNAVAILABLE,
                "The database does not answer as it should. Nothing was changed; try again in a moment.");
    }

    private static String sqlState(Throwable e) {
        return causes(e)
                .filter(SQLException.class::isInstance)
                .map(c -> ((SQLException) c).getSQLState())
                .filter(Objects::nonNull)
                .findFirst()
                .orElse("");
    }

    private static Stream<Throwable> causes(Throwable e) {
        return Stream.iterate(e, Objects::nonNull, Throwable::getCause).limit(20);
    }

    /** A form that is cut short, or whose boundary is missing or no boundary. */
    @ExceptionHandler
    ProblemDetail multipart(MultipartException e) {
        if (isDiskFull(e)) {
            return ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, DISK_IS_FULL);
        }
        if (LeastRate.TooSlow.isCauseOf(e)) {
            return tooSlow();
        }
        return bad(
                List.of(
                        new Fault(
                                "",
                                "The form cannot be read: it is cut short, too large, or its parts are not divided as its type says.")));
    }

    @ExceptionHandler({
        IllegalCharsetNameException.class,
        UnsupportedCharsetException.class,
        InvalidMediaTypeException.class
    })
    ProblemDetail charset(RuntimeException e) {
        return bad(List.of(new Fault(
                "Content-Type", "The type of the body, or its character set, is not known here. UTF-8 always is.")));
    }

    private static boolean isDiskFull(Throwable e) {
        return causes(e).map(Throwable::getMessage).anyMatch(m -> m != null && m.contains("No space left on device"));
    }

    @ExceptionHandler
    ProblemDetail unexpected(RuntimeException e) {
        LOG.error("Unexpected", e);
        if (isDiskFull(e)) {
            return ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, DISK_IS_FULL);
        }
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong in the server; nothing was changed. Its log says more.");
    }

    /** Whatever else is bad input says which field is at fault, as all of it does. */
    @Override
    protected ResponseEntity<Object> createResponseEntity(
            @Nullable Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (body instanceof ProblemDetail problem
                && status.value() == HttpStatus.BAD_REQUEST.value()
                && (problem.getProperties() == null || !problem.getProperties().containsKey("errors"))) {
            problem.setProperty("errors", List.of(new Fault("", String.valueOf(problem.getDetail()))));
        }
        return super.createResponseEntity(body, headers, status, request);
    }

    @Override
    protected ResponseEntity<Object> handleMissingServletRequestParameter(
            MissingServletRequestParameterException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        return ResponseEntity.badRequest()
                .body(bad(List.of(new Fault(e.getParameterName(), e.getParameterName() + " is missing."))));
    }

    @Override
    protected ResponseEntity<Object> handleMissingServletRequestPart(
            MissingServletRequestPartException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        return ResponseEntity.badRequest()
                .body(bad(List.of(new Fault(e.getRequestPartName(), e.getRequestPartName() + " is missing."))));
    }

    /** A parameter that is out of bounds, such as a token that is too long. */
    @Override
    protected ResponseEntity<Object> handleHandlerMethodValidationException(
            HandlerMethodValidationException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        var faults = e.getParameterValidationResults().stream()
                .flatMap(r -> r.getResolvableErrors().stream()
                        .map(error -> new Fault(
                                String.valueOf(r.getMethodParameter().getParameterName()),
                                r.getMethodParameter().getParameterName() + " " + error.getDefaultMessage() + ".")))
                .toList();
        return ResponseEntity.badRequest().body(bad(faults));
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        var faults = new ArrayList<Fault>();
        e.getFieldErrors()
                .forEach(f -> faults.add(new Fault(f.getField(), f.getField() + " " + f.getDefaultMessage() + ".")));
        return ResponseEntity.badRequest().body(bad(faults));
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (LeastRate.TooSlow.isCauseOf(e)) {
            return ResponseEntity.status(HttpStatus.REQUEST_TIMEOUT).body(tooSlow());
        }
        return ResponseEntity.badRequest().body(bad(List.of(fault(e.getCause()))));
    }

    private static ProblemDetail tooSlow() {
        return ProblemDetail.forStatusAndDetail(HttpStatus.REQUEST_TIMEOUT, LeastRate.WORDS);
    }

    private static Fault fault(Throwable cause) {
        if (cause instanceof UnrecognizedPropertyException unknown) {
            return new Fault(path(unknown), "There is no field “" + cut(unknown.getPropertyName()) + "” here.");
        }
        if (cause instanceof MismatchedInputException mismatch
                && !mismatch.getPath().isEmpty()) {
            var said = mismatch.getOriginalMessage();
            var own = said != null
                    && (said.startsWith("millimetres")
                            || said.startsWith("a length")
                            || said.startsWith("a text")
                            || said.startsWith("a material"));
            return new Fault(
                    path(mismatch),
                    path(mismatch) + ": " + (own ? said + "." : "this value is not of the kind expected here."));
        }
        if (cause instanceof DatabindException databind && !databind.getPath().isEmpty()) {
            return new Fault(path(databind), path(databind) + ": this value cannot be read.");
        }
        if (cause instanceof JacksonException json && json.getLocation() != null) {
            return new Fault(
                    "",
                    "The body is not valid JSON, at line " + json.getLocation().getLineNr() + ", column "
                            + json.getLocation().getColumnNr() + ".");
        }
        return new Fault("", "The body is missing or is not valid JSON.");
    }

    private static String path(JacksonException e) {
        var path = new StringBuilder();
        for (var reference : e.getPath()) {
            if (reference.getPropertyName() == null) {
                path.append('[').append(reference.getIndex()).append(']');
            } else {
                path.append(path.isEmpty() ? "" : ".").append(cut(reference.getPropertyName()));
            }
        }
        return path.toString();
    }
}
