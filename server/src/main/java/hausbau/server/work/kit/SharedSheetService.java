package hausbau.server.work.kit;

import hausbau.core.exchange.SheetFiles;
import hausbau.core.finish.Coat.Layer;
import hausbau.core.finish.SharedSheet;
import hausbau.core.finish.SharedSheet.Placed;
import hausbau.core.finish.SharedSheet.Room;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Patch;
import hausbau.core.shape.Swatch;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.store.NotFound;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.kit.SharedSheetRow;
import hausbau.server.work.FreshName;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiConsumer;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The sheets that several swatches of a site share: put together here of pictures. What lies on them follows when they are moved. */
@Service
public class SharedSheetService {

    private static final int DULL = 80;

    private final Stores stores;
    private final Journal journal;
    private final SheetShelf sheets;

    SharedSheetService(Stores stores, Journal journal, SheetShelf sheets) {
        this.stores = stores;
        this.journal = journal;
        this.sheets = sheets;
    }

    /** A sheet, and what tells this state of its pictures from another. */
    public record Known(SharedSheet sheet, String tag) {}

    @Reading
    public List<Known> all(long siteId) {
        stores.sites().site(siteId);
        return stores.kits().sharedSheets(siteId).stream()
                .map(sheet -> new Known(sheet, SheetShelf.tag(sheet, 1)))
                .toList();
    }

    @Reading
    public Known find(long siteId, Swatch material) {
        return all(siteId).stream()
                .filter(k -> k.sheet().material() == material)
                .findFirst()
                .orElseThrow(() -> new NotFound("The site has no such shared sheet."));
    }

    private SharedSheet standing(long siteId, Swatch material) {
        return find(siteId, material).sheet();
    }

    /** Begins another sheet. @throws Refused if there are as many as there may be */
    public Swatch begin(long siteId, Seen seen) {
        return journal.edit(siteId, seen, edit -> {
            var standing = stores.kits().sharedSheets(siteId).stream()
                    .map(SharedSheet::material)
                    .toList();
            var next = Swatch.sheets()
                    .filter(s -> !standing.contains(s))
                    .findFirst()
                    .orElseThrow(
                            () -> new Refused("sheet", "A site has at most " + standing.size() + " shared sheets."));
            edit.name("Begin another shared sheet");
            write(edit, siteId, SharedSheet.empty(next));
            return next;
        });
    }

    /** @throws Refused where something is made of a swatch on it; the first sheet stays, empty */
    public void remove(long siteId, Swatch material, Seen seen) {
        edit(siteId, material, seen, (edit, sheet) -> {
            sheet.placed().forEach(p -> requireUnused(edit, p));
            edit.name("Take a shared sheet away");
            stores.kits().sharedSheetRow(siteId, material).ifPresent(edit::remove);
            stores.kits().materials(siteId).stream()
                    .filter(row -> row.swatch() == material)
                    .forEach(edit::remove);
        });
    }

    /** What is told of a swatch; null stays, or is found. A picture of 0 is taken out. */
    public record Words(
            @Nullable String name,
            Patch.@Nullable Kind kind,
            @Nullable Integer x,
            @Nullable Integer y,
            @Nullable Integer width,
            @Nullable Integer height,
            @Nullable Map<Layer, Long> pictures,
            @Nullable Integer roughness,
            @Nullable Integer metallic) {

        private Placed over(Placed p) {
            var newKind = Objects.requireNonNullElse(kind, p.kind());
            return new Placed(
                    p.swatch(),
                    name == null ? p.name() : name.strip(),
                    newKind,
                    Objects.requireNonNullElse(x, p.x()),
                    Objects.requireNonNullElse(y, p.y()),
                    Objects.requireNonNullElse(width, p.width()),
                    Objects.requireNonNullElse(height, p.height()),
                    picturesOver(p.pictures()),
                    Objects.requireNonNullElse(roughness, p.roughness()),
                    Objects.requireNonNullElse(metallic, p.metallic()));
        }

        private Map<Layer, Long> picturesOver(Map<Layer, Long> standing) {
            var all = new EnumMap<Layer, Long>(Layer.class);
            all.putAll(standing);
            if (pictures != null) {
                all.putAll(pictures);
            }
            all.values().removeIf(id -> id == 0);
            return all;
        }
    }

    /** Puts a swatch where there is room: as large as its picture where nothing else is told. */
    public Swatch add(long siteId, Swatch material, Seen seen, Words told) {
        return journal.edit(siteId, seen, edit -> {
            var sheet = standing(siteId, material);
            requirePictures(siteId, told);
            var swatch = sheet.next();
            var name = told.name() == null || told.name().isBlank()
                    ? FreshName.of(
                            "swatch", sheet.placed().stream().map(Placed::name).toList())
                    : told.name().strip();
            var kind = Objects.requireNonNullElse(told.kind(), Patch.Kind.SINGLE);
            var size = told.pictures() == null
                    ? null
                    : told.pictures().values().stream()
                            .findFirst()
                            .map(stores.boards().mediaSizes(siteId)::get)
                            .orElse(null);
            var width = kind != Patch.Kind.SINGLE
                    ? sheet.cells()
                    : Objects.requireNonNullElse(
                            told.width(), size == null ? sheet.cells() / 4 : sheet.cellsFor(size.width()));
            var height = kind == Patch.Kind.TILING
                    ? sheet.cells()
                    : Objects.requireNonNullElse(
                            told.height(), size == null ? sheet.cells() / 4 : sheet.cellsFor(size.height()));
            var room = told.x() != null && told.y() != null
                    ? new Room(told.x(), told.y())
                    : sheet.room(width, height)
                            .orElseThrow(() -> new Refused(
                                    "placed",
                                    "There is no room left for " + width + " × " + height
                                            + " cells. Make something smaller, or have the sheet packed."));
            edit.name("Put “" + name + "” on the shared sheet");
            write(
                    edit,
                    siteId,
                    sheet.with(new Words(
                                    name,
                                    kind,
                                    null,
                                    null,
                                    null,
                                    null,
                                    told.pictures(),
                                    told.roughness(),
                                    told.metallic())
                            .over(new Placed(
                                    swatch, name, kind, room.x(), room.y(), width, height, Map.of(), DULL, 0))));
            return swatch;
        });
    }

    public void change(long siteId, Swatch swatch, Seen seen, Words told) {
        edit(siteId, swatch.material(), seen, (edit, sheet) -> {
            requirePictures(siteId, told);
            var standing = one(sheet, swatch);
            edit.name("Change “" + standing.name() + "” on the shared sheet");
            var changed = told.over(standing);
            write(
                    edit,
                    siteId,
                    sheet.with(
                            told.kind() == null || told.kind() == Patch.Kind.SINGLE || told.width() != null
                                    ? changed
                                    : sheet.across(changed)));
        });
    }

    /** @throws Refused where something is made of it */
    public void takeOff(long siteId, Swatch swatch, Seen seen) {
        edit(siteId, swatch.material(), seen, (edit, sheet) -> {
            var standing = one(sheet, swatch);
            requireUnused(edit, standing);
            edit.name("Take “" + standing.name() + "” off the shared sheet");
            write(edit, siteId, sheet.without(swatch));
        });
    }

    private static void requireUnused(Edit edit, Placed p) {
        var users = edit.before().kit().pieces().values().stream()
                .filter(piece -> piece.parts().stream().anyMatch(part -> part.swatch() == p.swatch()))
                .map(piece -> piece.code())
                .sorted()
                .limit(3)
                .collect(Collectors.joining(", "));
        if (!users.isEmpty()) {
            throw new Refused(
                    "swatch", "“" + p.name() + "” is what " + users + " is made of. Give that another swatch first.");
        }
    }

    /** What is told of a sheet as a whole; null stays. */
    public void change(long siteId, Swatch material, Seen seen, @Nullable Integer cells, @Nullable Integer pixels) {
        arrange(
                siteId,
                material,
                seen,
                pixels == null ? "The grid of the shared sheet" : "A shared sheet of " + pixels + " pixels",
                sheet -> {
                    var sized = pixels == null ? sheet : sheet.ofSide(pixels);
                    return cells == null ? sized : sized.on(cells);
                });
    }

    public void pack(long siteId, Swatch material, Seen seen) {
        arrange(siteId, material, seen, "Pack the shared sheet", SharedSheet::packed);
    }

    private void arrange(long siteId, Swatch material, Seen seen, String name, UnaryOperator<SharedSheet> how) {
        edit(siteId, material, seen, (edit, sheet) -> {
            edit.name(name);
            write(edit, siteId, how.apply(sheet));
        });
    }

    private void edit(long siteId, Swatch material, Seen seen, BiConsumer<Edit, SharedSheet> work) {
        journal.edit(siteId, seen, edit -> {
            work.accept(edit, standing(siteId, material));
            return null;
        });
    }

    private void write(Edit edit, long siteId, SharedSheet sheet) {
        stores.kits()
                .sharedSheetRow(siteId, sheet.material())
                .ifPresentOrElse(
                        row -> edit.change(row, r -> r.set(sheet)),
                        () -> edit.add(new SharedSheetRow(stores.nextId(), siteId, sheet)));
    }

    private static Placed one(SharedSheet sheet, Swatch swatch) {
        return sheet.placed().stream()
                .filter(p -> p.swatch() == swatch)
                .findFirst()
                .orElseThrow(() -> new NotFound("There is no such swatch on the shared sheet."));
    }

    private void requirePictures(long siteId, Words told) {
        var known = stores.boards().mediaSizes(siteId);
        if (told.pictures() != null
                && told.pictures().values().stream().anyMatch(id -> id != 0 && !known.containsKey(id))) {
            throw new Refused("pictures", "The site has no such picture. Choose the file again.");
        }
    }

    /** @param side pixels */
    public SheetFiles pictures(SharedSheet sheet, int side) {
        return sheets.png(sheet, side);
    }
}
