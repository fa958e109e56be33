package hausbau.server.work.kit;

import hausbau.core.exchange.DxfSheet;
import hausbau.core.exchange.Sheet;
import hausbau.core.exchange.Sheets;
import hausbau.core.exchange.SvgSheet;
import hausbau.core.massing.Section;
import hausbau.core.measure.Box;
import hausbau.core.measure.Vec;
import hausbau.core.place.Source;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.NotFound;
import hausbau.server.store.Reading;
import hausbau.server.work.massing.LevelService;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;

/** The measured drawings of a site: plans by level, and sections. */
@Service
public class SheetService {

    /** Of what hands set down, at most so many are drawn in a section. */
    private static final int MOST_THINGS = 20_000;

    private final Sets sets;
    private final LevelService levels;

    public SheetService(Sets sets, LevelService levels) {
        this.sets = sets;
        this.levels = levels;
    }

    /** Everything along a line, with what hands set down. */
    @Reading
    public Section section(long siteId, Vec from, Vec to) {
        return section(sets.current(siteId), from, to);
    }

    private static Section section(SiteState state, Vec from, Vec to) {
        return Section.of(state.decisions().massing(), from, to, things(state));
    }

    private static List<Box> things(SiteState state) {
        var things = new ArrayList<Box>();
        for (var chunk : state.set().chunks()) {
            for (var row = 0;
                    chunk.source() instanceof Source.Hands && row < chunk.size() && things.size() < MOST_THINGS;
                    row++) {
                things.addAll(chunk.standing(row).solids());
            }
        }
        return things;
    }

    @Reading
    public Sheet planSheet(long siteId, long level) {
        var massing = sets.current(siteId).decisions().massing();
        return Sheets.plan(massing, levels.find(siteId, level, massing.settings()));
    }

    @Reading
    public Sheet sectionSheet(long siteId, Vec from, Vec to) {
        var state = sets.current(siteId);
        var settings = state.settings();
        return Sheets.section(section(state, from, to), levels.all(siteId, settings), settings.unit());
    }

    /**
     * A sheet as a file.
     *
     * @param format {@code svg} or {@code dxf}
     * @throws NotFound if there is no such format
     */
    public static String file(Sheet sheet, String format, int scale) {
        return switch (format) {
            case "svg" -> SvgSheet.write(sheet, scale);
            case "dxf" -> DxfSheet.write(sheet);
            default -> throw new NotFound("Drawings are taken out as svg or dxf.");
        };
    }
}
