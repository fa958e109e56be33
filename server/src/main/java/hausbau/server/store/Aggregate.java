package hausbau.server.store;

import com.fasterxml.jackson.annotation.JsonAlias;
import hausbau.server.store.board.BoardItemRow;
import hausbau.server.store.brief.BriefRow;
import hausbau.server.store.kit.ColourwayRow;
import hausbau.server.store.kit.MaterialRow;
import hausbau.server.store.kit.PatternRow;
import hausbau.server.store.kit.PieceRow;
import hausbau.server.store.kit.SharedSheetRow;
import hausbau.server.store.light.MoodRow;
import hausbau.server.store.list.ListedRow;
import hausbau.server.store.massing.LevelRow;
import hausbau.server.store.massing.MouldingRow;
import hausbau.server.store.massing.OpeningRow;
import hausbau.server.store.massing.RoomRow;
import hausbau.server.store.massing.SolidRow;
import hausbau.server.store.massing.StairRow;
import hausbau.server.store.set.AcceptedRow;
import hausbau.server.store.set.AssemblyRow;
import hausbau.server.store.set.DepartureRow;
import hausbau.server.store.set.DisorderRow;
import hausbau.server.store.set.DressRow;
import hausbau.server.store.set.RepeatRow;
import hausbau.server.store.set.SelectionRow;
import hausbau.server.store.set.TraitRow;
import hausbau.server.store.set.TwinRow;
import hausbau.server.store.set.UseRow;
import hausbau.server.store.site.SiteRow;
import hausbau.server.store.takeoff.DeclinedRow;
import hausbau.server.store.takeoff.MarkRow;
import hausbau.server.store.takeoff.PlaneRow;
import hausbau.server.store.takeoff.TagRow;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Everything that is stored about a site: the one list that journal, copying and feed go by. In the order in which rows
 * must be added, since later ones refer to earlier ones.
 */
public enum Aggregate {
    SITE("site", Part.SITE, SiteRow.class),
    PIECE("piece", Part.KIT, PieceRow.class, "look", "back"),
    PATTERN("pattern", Part.KIT, PatternRow.class),
    COLOURWAY("colourway", Part.KIT, ColourwayRow.class),
    SHARED_SHEET("shared_sheet", Part.KIT, SharedSheetRow.class),
    /** Before it said more, it was called by the size of the sheet. */
    @JsonAlias("SHEET_SIZE")
    MATERIAL("material", Part.KIT, MaterialRow.class),
    SHELL("shell", Part.NONE),
    LEVEL("level", Part.MASSING, LevelRow.class),
    ROOM("room", Part.MASSING, RoomRow.class, "level_id", "look"),
    OPENING("opening", Part.MASSING, OpeningRow.class, "room_id"),
    STAIR("stair", Part.MASSING, StairRow.class, "level_id"),
    SOLID("solid", Part.MASSING, SolidRow.class, "level_id"),
    MOULDING("moulding", Part.MASSING, MouldingRow.class, "rule_id", "room_id"),
    REPEAT("repeat", Part.SET, RepeatRow.class, "host_room"),
    ASSEMBLY("assembly", Part.SET, AssemblyRow.class),
    ASSEMBLY_USE("assembly_use", Part.SET, UseRow.class, "assembly_id"),
    PLACEMENT("placement", Part.SET, "piece_id"),
    TWIN("twin", Part.SET, TwinRow.class, "room"),
    DEPARTURE("departure", Part.SET, DepartureRow.class, "piece_id"),
    DISORDER("disorder", Part.NONE, DisorderRow.class, "piece_id", "heap"),
    SELECTION("selection", Part.SET, SelectionRow.class),
    DRESS("dress", Part.SET, DressRow.class, "colourway"),
    TRAIT("piece_trait", Part.SET, TraitRow.class, "piece_id"),
    MOOD("mood", Part.LIGHT, MoodRow.class),
    ACCEPTED("accepted", Part.SURVEY, AcceptedRow.class),
    BRIEF("brief", Part.BOARD, BriefRow.class),
    STAGE_TIME("stage_time", Part.NONE),
    MEDIA("media", Part.NONE),
    BOARD_ITEM("board_item", Part.BOARD, BoardItemRow.class, "media_id"),
    PLANE("plane", Part.BOARD, PlaneRow.class, "picture_id"),
    LISTED("listed_piece", Part.BOARD, ListedRow.class, "piece_id", "picture_id"),
    TAG("tag", Part.BOARD, TagRow.class, "listed_id"),
    MARK("mark", Part.BOARD, MarkRow.class, "picture_id", "plane_id", "tag_id"),
    DECLINED("declined", Part.BOARD, DeclinedRow.class);

    /** What a browser fetches again after a change. */
    public enum Part {
        NONE,
        SITE,
        KIT,
        MASSING,
        SET,
        LIGHT,
        SURVEY,
        BOARD
    }

    private final String table;
    private final Part part;
    private final @Nullable Class<? extends Row> type;
    private final List<String> references;

    Aggregate(String table, Part part, @Nullable Class<? extends Row> type, String... references) {
        this.table = table;
        this.part = part;
        this.type = type;
        this.references = List.of(references);
    }

    Aggregate(String table, Part part, String... references) {
        this(table, part, null, references);
    }

    public String table() {
        return table;
    }

    /** As a person is told of one of them. */
    public String label() {
        return (table.matches("[aeiou].*") ? "an " : "a ") + table.replace('_', ' ');
    }

    public Part part() {
        return part;
    }

    /** The rows as entities; none for those that are written otherwise. */
    public Optional<Class<? extends Row>> type() {
        return Optional.ofNullable(type);
    }

    /** Columns that hold the id of another row of the site, or 0. */
    public List<String> references() {
        return references;
    }

    /** Whether its rows have an id of their own. */
    public boolean hasIds() {
        return this != STAGE_TIME && this != SHELL;
    }

    public static Aggregate of(Row row) {
        return Arrays.stream(values())
                .filter(a -> a.type != null && a.type.isInstance(row))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(row.getClass() + " is not kept in the journal"));
    }
}
