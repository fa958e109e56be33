package hausbau.server.http;

import hausbau.core.measure.Refused;
import hausbau.server.journal.Maker;
import hausbau.server.journal.Seen;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.parameters.Parameter;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.OptionalLong;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.MethodParameter;
import org.springframework.http.MediaType;
import org.springframework.web.accept.ContentNegotiationStrategy;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.config.annotation.ContentNegotiationConfigurer;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * What the maker of an edit tells about it: the revision they saw, from {@code If-Match} (RFC 9110), {@code "12"}; their
 * word for the edit, from {@code Idempotency-Key}; who they are, from {@code Hausbau-Maker}; and whether they only ask,
 * {@code ?trial=true}, or {@code ?trial=kit} to be told of the kit as well.
 */
@Configuration
class SeenArgument implements WebMvcConfigurer, HandlerMethodArgumentResolver {

    private static final String MAKER = "Hausbau-Maker";
    private static final List<String> TRIALS = List.of("true", "kit", "false");
    private static final String KEY = "[\\x21-\\x7E]{1,80}";

    static {
        SpringDocUtils.getConfig().addRequestWrapperToIgnore(Seen.class, Maker.class);
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(this);
    }

    /** An answer has the one type it has: an edit must not be made and then refused for a type that was asked for. */
    @Override
    public void configureContentNegotiation(ContentNegotiationConfigurer configurer) {
        configurer.strategies(List.<ContentNegotiationStrategy>of(request -> List.of(MediaType.ALL)));
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == Seen.class || parameter.getParameterType() == Maker.class;
    }

    @Override
    public Object resolveArgument(
            MethodParameter parameter,
            ModelAndViewContainer container,
            NativeWebRequest request,
            WebDataBinderFactory binders) {
        var maker = request.getHeader(MAKER);
        if (maker != null && !maker.matches(KEY)) {
            throw new Refused(MAKER, "A " + MAKER + " takes 1 to 80 printable characters without a space.");
        }
        var name = maker == null ? "" : maker;
        return parameter.getParameterType() == Maker.class ? new Maker(name) : seen(request, name);
    }

    private static Seen seen(NativeWebRequest request, String maker) {
        var key = request.getHeader("Idempotency-Key");
        if (key != null && !key.matches(KEY)) {
            throw new Refused(
                    "Idempotency-Key", "An Idempotency-Key takes 1 to 80 printable characters without a space.");
        }
        var trial = Objects.requireNonNullElse(request.getParameter("trial"), "false");
        if (!TRIALS.contains(trial)) {
            throw new Refused("trial", "A trial is true, kit or false.");
        }
        return new Seen(revision(request.getHeader("If-Match")), key == null ? "" : key, !trial.equals("false"), maker);
    }

    private static OptionalLong revision(String ifMatch) {
        if (ifMatch == null || ifMatch.equals("*")) {
            return OptionalLong.empty();
        }
        if (!ifMatch.matches("\"\\d{1,18}\"")) {
            throw new Refused("If-Match", "If-Match takes the site's revision in quotes, such as \"12\".");
        }
        return OptionalLong.of(Long.parseLong(ifMatch.substring(1, ifMatch.length() - 1)));
    }

    @Bean
    OperationCustomizer editHeaders() {
        return (operation, method) -> {
            if (Arrays.stream(method.getMethodParameters())
                    .anyMatch(p -> p.getParameterType() == Seen.class || p.getParameterType() == Maker.class)) {
                operation.addParametersItem(
                        new Parameter()
                                .in("header")
                                .name(MAKER)
                                .required(false)
                                .schema(new StringSchema().maxLength(80))
                                .description(
                                        "Who asks: a browser's window says so by a word of its own. Undo takes back one's own last step; all who say nothing are one"));
            }
            if (Arrays.stream(method.getMethodParameters()).anyMatch(p -> p.getParameterType() == Seen.class)) {
                operation.addParametersItem(
                        new Parameter()
                                .in("header")
                                .name("If-Match")
                                .required(false)
                                .schema(new StringSchema().pattern("^\"\\d{1,18}\"$"))
                                .description(
                                        "The revision its maker saw, in quotes; 412 where what the edit touches has changed since"));
                operation.addParametersItem(
                        new Parameter()
                                .in("header")
                                .name("Idempotency-Key")
                                .required(false)
                                .schema(new StringSchema().maxLength(80))
                                .description(
                                        "A word of the maker's: sent again under it, the edit is not made again, and answered with 208"));
                operation.addParametersItem(
                        new Parameter()
                                .in("header")
                                .name("Hausbau-Since")
                                .required(false)
                                .schema(new StringSchema().pattern("^\\d{1,18}$"))
                                .description(
                                        "A revision: the answer is then {\"made\": the edit's own answer, or null, \"news\": what GET news?since= would tell}, and carries this header too"));
                operation.addParametersItem(
                        new Parameter()
                                .in("query")
                                .name("trial")
                                .required(false)
                                .schema(new StringSchema()._enum(TRIALS))
                                .description(
                                        "true: nothing is changed; answers how many pieces it would place, remove and leave without their place; kit: and what becomes of the kit"));
            }
            return operation;
        };
    }
}
