package hausbau.server.http.handover;

import hausbau.server.work.handover.HandoverService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}/handover")
@Tag(name = "Handover")
class HandoverController {

    private final HandoverService handover;

    HandoverController(HandoverService handover) {
        this.handover = handover;
    }

    @GetMapping(path = "/scene.glb", produces = "model/gltf-binary")
    @Operation(summary = "The set as binary glTF 2.0: one mesh per piece, shared by its placements; metres, Y up")
    ResponseEntity<byte[]> scene(
            @PathVariable long siteId, @RequestParam(defaultValue = "") @Size(max = 80) String token) {
        return file(handover.scene(siteId, token), "model/gltf-binary", handover.name(siteId) + ".glb");
    }

    @GetMapping(path = "/pieces.zip", produces = "application/zip")
    @Operation(
            summary =
                    "Every piece that stands in the set as binary glTF 2.0 at its pivot; with unused=true all of the kit, with details=true levels of detail and hulls, with sheets=true the pictures of their materials in a folder")
    ResponseEntity<byte[]> pieces(
            @PathVariable long siteId,
            @RequestParam(defaultValue = "false") boolean unused,
            @RequestParam(defaultValue = "false") boolean details,
            @RequestParam(defaultValue = "false") boolean sheets,
            @RequestParam(defaultValue = "") @Size(max = 80) String token) {
        return file(
                handover.pieces(siteId, new HandoverService.Wanted(unused, details, sheets), token),
                "application/zip",
                handover.name(siteId) + " pieces.zip");
    }

    @GetMapping(path = "/pieces.csv", produces = "text/csv")
    @Operation(summary = "The bill of pieces")
    ResponseEntity<byte[]> bill(@PathVariable long siteId) {
        return file(
                handover.bill(siteId).getBytes(StandardCharsets.UTF_8),
                "text/csv;charset=UTF-8",
                handover.name(siteId) + " pieces.csv");
    }

    @GetMapping(path = "/{what}.csv", produces = "text/csv")
    @Operation(summary = "A schedule of the building: rooms, openings, stairs or runs")
    ResponseEntity<byte[]> schedule(@PathVariable long siteId, @PathVariable String what) {
        return file(
                handover.schedule(siteId, what).getBytes(StandardCharsets.UTF_8),
                "text/csv;charset=UTF-8",
                handover.name(siteId) + " " + what + ".csv");
    }

    private static ResponseEntity<byte[]> file(byte[] bytes, String type, String name) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(bytes);
    }
}
