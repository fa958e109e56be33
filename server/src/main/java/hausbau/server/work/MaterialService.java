package hausbau.server.work;

import hausbau.core.measure.Refused;
import hausbau.core.shape.MaterialNames;
import hausbau.core.shape.Swatch;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.kit.MaterialRow;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What surfaces are drawn in, in all colourways: what each is called, and how many pixels its sheet has. */
@Service
public class MaterialService {

    private final Stores stores;
    private final Journal journal;
    private final Sets sets;

    public MaterialService(Stores stores, Journal journal, Sets sets) {
        this.stores = stores;
        this.journal = journal;
        this.sets = sets;
    }

    public record Material(Swatch swatch, String name, int pixels) {
    }

    /** Those with a sheet to themselves, then those that swatches share. */
    @Reading
    public List<Material> all(long siteId) {
        var sheets = sets.current(siteId).kit().sheets();
        var names = names(siteId);
        return Stream.concat(Swatch.coated().stream(), stores.kits().sharedSheets(siteId).stream().map(s -> s.material())).map(m -> new Material(m, names.of(m), sheets.side(m))).toList();
    }

    @Reading
    public MaterialNames names(long siteId) {
        return stores.kits().materialNames(siteId);
    }

    /**
     * What is null stays. At the site's density a sheet of other pixels lies wider or narrower, and what lies on it is laid out anew.
     *
     * @param name blank is as its swatch
     * @throws Refused if the swatch is a place on a sheet, or a shared sheet is told its pixels here, or the name is taken
     */
    public void change(long siteId, Swatch swatch, Seen seen, @Nullable Integer pixels, @Nullable String name) {
        if (swatch.material() != swatch || pixels != null && swatch.isSharedSheet()) {
            throw new Refused("swatch", "That swatch shares a sheet. Change the shared sheet.");
        }
        journal.edit(siteId, seen, edit -> {
            var before = stores.kits().materialNames(siteId);
            edit.name(pixels == null ? "Call " + before.of(swatch) + " “" + before.with(swatch, name == null ? "" : name).of(swatch) + "”" : "A sheet of " + pixels + " pixels for " + before.of(swatch));
            if (pixels != null) {
                setPixels(edit, stores, swatch, pixels);
            }
            if (name != null) {
                call(edit, stores, swatch, name);
            }
            return null;
        });
    }

    /** @throws Refused if no sheet has so many */
    static void setPixels(Edit edit, Stores stores, Swatch material, int pixels) {
        set(edit, stores, material, row -> row.setPixels(pixels));
    }

    /** @throws Refused if another is called so */
    static void call(Edit edit, Stores stores, Swatch material, String name) {
        var told = stores.kits().materialNames(edit.site().getId()).with(material, name).told().getOrDefault(material, "");
        set(edit, stores, material, row -> row.call(told));
    }

    private static void set(Edit edit, Stores stores, Swatch material, Consumer<MaterialRow> how) {
        var siteId = edit.site().getId();
        stores.kits().materials(siteId).stream().filter(row -> row.swatch() == material).findFirst().ifPresentOrElse(row -> edit.change(row, how), () -> {
            var row = new MaterialRow(stores.nextId(), siteId, material);
            how.accept(row);
            edit.add(row);
        });
    }
}
