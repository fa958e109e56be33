package hausbau.server.http;

import hausbau.server.jobs.Jobs;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/under-way/{token}")
@Tag(name = "Under way")
class UnderWayController {

    private final Jobs jobs;

    UnderWayController(Jobs jobs) {
        this.jobs = jobs;
    }

    /** @param share 0 to 1, @param soFar what has been found, in words; empty where nothing is told */
    record HowFarView(@NotNull double share, @NotNull String soFar) {}

    @GetMapping
    @Operation(
            summary =
                    "How far the work under this word is: the reading of files, the making of those that are handed over, plans, advice")
    HowFarView share(@PathVariable String token) {
        var at = jobs.howFar(token);
        return new HowFarView(at.share(), at.soFar());
    }

    @PostMapping("/enough")
    @Operation(summary = "Lets the work under this word answer with the best that it has found so far")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void enough(@PathVariable String token) {
        jobs.enough(token);
    }

    @DeleteMapping
    @Operation(summary = "Calls the work under this word off; if it is not asked for yet, it will not begin")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void callOff(@PathVariable String token) {
        jobs.callOff(token);
    }
}
