package hausbau.server.http.massing;

import hausbau.core.daylight.Sun;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.NotNull;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
@Tag(name = "Drawings")
class SunController {

    /** Toward the sun in the frame of the plan, of length 1. */
    record SunView(@NotNull double x, @NotNull double y, @NotNull double z) {}

    @GetMapping("/sun")
    @Operation(
            summary =
                    "Where the sun stands at an hour of mean solar time; left out, the summer solstice at 48 degrees north")
    SunView sun(
            @RequestParam double hour,
            @RequestParam(defaultValue = "0") double north,
            @RequestParam(defaultValue = "48") double latitude,
            @RequestParam(defaultValue = "172") int day) {
        var sun = Sun.at(latitude, day, hour, north);
        return new SunView(sun.x(), sun.y(), sun.z());
    }
}
