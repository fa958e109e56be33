package hausbau.server.http.list;

import hausbau.core.exchange.PieceListCsv;
import hausbau.core.kit.PieceState;
import hausbau.core.kit.Role;
import hausbau.core.measure.Length;
import hausbau.server.http.IdView;
import hausbau.server.http.VecMm;
import hausbau.server.http.board.BoardController.IdsBody;
import hausbau.server.journal.Seen;
import hausbau.server.work.list.PieceListService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sites/{siteId}")
@Tag(name = "Piece list")
class PieceListController {

    private final PieceListService list;

    PieceListController(PieceListService list) {
        this.list = list;
    }

    /**
     * @param placed  how often it stands in the set
     * @param pieceId of the kit's piece, once there is one
     * @param mediaId with {@code crop}, in pixels: the part of a picture that is its portrait
     */
    record ListedView(
            @NotNull long id,
            @NotNull String code,
            @NotNull String name,
            @NotNull Role role,
            @NotNull VecMm sizeMm,
            @NotNull int count,
            @NotNull PieceListCsv.Source source,
            @NotNull PieceState state,
            @NotNull int priority,
            @NotNull double hours,
            @NotNull boolean hero,
            @NotNull String notes,
            Long pieceId,
            @NotNull long placed,
            Long mediaId,
            @NotNull List<Double> crop,
            @NotNull List<String> tags) {

        static ListedView of(PieceListService.Listed l) {
            var line = l.row().toLine();
            return new ListedView(
                    l.row().getId(),
                    line.code(),
                    line.name(),
                    line.role(),
                    new VecMm(line.width(), line.depth(), line.height()),
                    line.count(),
                    line.source(),
                    l.state(),
                    line.priority(),
                    line.hours(),
                    line.hero(),
                    line.notes(),
                    l.pieceId().orElse(null),
                    l.placed(),
                    l.mediaId().orElse(null),
                    l.row().portrait(),
                    l.tags());
        }
    }

    /** What is left out takes the usual value, or stays. */
    record PieceLineBody(
            String code,
            String name,
            Role role,
            Length widthMm,
            Length depthMm,
            Length heightMm,
            Integer count,
            PieceListCsv.Source source,
            PieceState state,
            Integer priority,
            Double hours,
            Boolean hero,
            String notes) {

        PieceListCsv.Line over(PieceListCsv.Line l) {
            return new PieceListCsv.Line(
                    or(code, l.code()),
                    or(name, l.name()),
                    or(role, l.role()),
                    or(widthMm, l.width()),
                    or(depthMm, l.depth()),
                    or(heightMm, l.height()),
                    or(count, l.count()),
                    or(source, l.source()),
                    or(state, l.state()),
                    or(priority, l.priority()),
                    or(hours, l.hours()),
                    or(hero, l.hero()),
                    or(notes, l.notes()));
        }

        private static <T> T or(T told, T standing) {
            return Optional.ofNullable(told).orElse(standing);
        }
    }

    record LinesChange(@NotNull List<@NotNull Long> ids, @NotNull @Valid PieceLineBody set) {}

    record CountView(@NotNull int count) {}

    @GetMapping("/piece-list")
    List<ListedView> find(@PathVariable long siteId) {
        return list.find(siteId).stream().map(ListedView::of).toList();
    }

    @PostMapping("/piece-list")
    @ResponseStatus(HttpStatus.CREATED)
    IdView add(@PathVariable long siteId, Seen seen, @Valid @RequestBody PieceLineBody body) {
        var usual = new PieceListCsv.Line(
                Optional.ofNullable(body.code()).orElse(""),
                "",
                Role.PROP,
                Length.ZERO,
                Length.ZERO,
                Length.ZERO,
                1,
                PieceListCsv.Source.MAKE,
                PieceState.WANTED,
                3,
                0,
                false,
                "");
        return new IdView(list.add(siteId, seen, body.over(usual)).getId());
    }

    @PatchMapping("/piece-list")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable long siteId, Seen seen, @Valid @RequestBody LinesChange body) {
        list.change(siteId, seen, body.ids(), body.set()::over);
    }

    @PostMapping("/piece-list/removals")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long siteId, Seen seen, @Valid @RequestBody IdsBody body) {
        list.remove(siteId, seen, body.ids());
    }

    @PostMapping("/piece-list/stand-ins")
    @Operation(summary = "Makes a plain block in the kit for each, linked to the list")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void standIn(@PathVariable long siteId, Seen seen, @Valid @RequestBody IdsBody body) {
        list.standIn(siteId, seen, body.ids());
    }

    @GetMapping(path = "/piece-list.csv", produces = "text/csv")
    ResponseEntity<String> csv(@PathVariable long siteId) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("piece-list.csv")
                                .build()
                                .toString())
                .body(list.csv(siteId));
    }

    @PostMapping(path = "/piece-list.csv", consumes = "text/csv")
    @Operation(summary = "Reads a list: new codes are added, known ones changed")
    CountView read(@PathVariable long siteId, Seen seen, @RequestBody String body) {
        return new CountView(list.read(siteId, seen, body));
    }
}
