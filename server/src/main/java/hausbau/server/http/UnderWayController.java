package hausbau.server.http;

import hausbau.server.work.UnderWay;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/under-way/{token}")
@Tag(name = "Under way")
class UnderWayController {

    private final UnderWay underWay;

    UnderWayController(UnderWay underWay) {
        this.underWay = underWay;
    }

    record HowFarView(@NotNull double share) {
    }

    @GetMapping
    @Operation(summary = "How far the work under this word is, 0 to 1: the reading of files, or the making of those that are handed over")
    HowFarView share(@PathVariable String token) {
        return new HowFarView(underWay.share(token));
    }

    @DeleteMapping
    @Operation(summary = "Calls the work under this word off")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void callOff(@PathVariable String token) {
        underWay.callOff(token);
    }
}
