package hausbau.server.work.kit;

import hausbau.core.measure.Refused;
import hausbau.core.shape.MaterialNames;
import hausbau.core.shape.Swatch;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.store.NotFound;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.kit.MaterialRow;
import hausbau.server.store.massing.MouldingRow;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.IntStream;
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

    public record Material(Swatch swatch, String name, int pixels) {}

    /** Those with a sheet to themselves, in the site's order, then those that swatches share. */
    @Reading
    public List<Material> all(long siteId) {
        var sheets = sets.current(siteId).kit().sheets();
        var names = names(siteId);
        var own = stores.kits().materials(siteId).stream()
                .map(MaterialRow::swatch)
                .filter(Swatch::isCoated);
        return Stream.concat(own, stores.kits().sharedSheets(siteId).stream().map(s -> s.material()))
                .map(m -> new Material(m, names.of(m), sheets.side(m)))
                .toList();
    }

    /** Another material of the site's own. @param name blank is “material” with a number */
    public Swatch add(long siteId, Seen seen, String name) {
        return journal.edit(siteId, seen, edit -> {
            var swatch = enter(
                    edit,
                    stores,
                    name.isBlank() ? stores.kits().materialNames(siteId).fresh("material") : name);
            edit.name("Add the material “" + stores.kits().materialNames(siteId).of(swatch) + "”");
            return swatch;
        });
    }

    /**
     * Enters a material within an edit.
     *
     * @param name blank is one that says its number
     * @throws Refused if another is called so
     */
    public static Swatch enter(Edit edit, Stores stores, String name) {
        var siteId = edit.site().getId();
        var swatch = stores.kits().nextOwn(siteId);
        var told = stores.kits().materialNames(siteId).with(swatch, name).told().getOrDefault(swatch, "");
        var row = new MaterialRow(
                stores.nextId(),
                siteId,
                swatch,
                stores.kits().materials(siteId).stream()
                                .mapToInt(MaterialRow::place)
                                .max()
                                .orElse(-1)
                        + 1);
        row.call(told);
        edit.add(row);
        return swatch;
    }

    /** @throws Refused where something is made of it, with what */
    public void remove(long siteId, Swatch swatch, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            var row = row(siteId, swatch);
            var name = stores.kits().materialNames(siteId).of(swatch);
            var users = users(edit, swatch);
            if (!users.isEmpty()) {
                throw new Refused(
                        "swatch",
                        "“" + name + "” is what " + String.join(", ", users.subList(0, Math.min(3, users.size())))
                                + (users.size() > 3
                                        ? " and " + (users.size() - 3) + " more are"
                                        : users.size() > 1 ? " are" : " is")
                                + " made of. Give them another material first.");
            }
            edit.name("Take the material “" + name + "” away");
            edit.remove(row);
            return null;
        });
    }

    /** Codes of pieces, and names of patterns and mouldings, that are made of it. */
    private List<String> users(Edit edit, Swatch swatch) {
        var state = edit.before();
        var kit = state.kit();
        var atHand = Sets.atHand(state, stores.kits().kept(state.siteId()));
        var pieces = kit.pieces().entrySet().stream()
                .filter(e -> atHand.contains(e.getKey())
                        && e.getValue().parts().stream().anyMatch(p -> p.swatch() == swatch))
                .map(e -> e.getValue().code())
                .sorted();
        var patterns = stores.kits().patterns(state.siteId()).stream()
                .filter(p -> p.mentions(swatch))
                .map(p -> "the pattern “" + p.name() + "”")
                .sorted();
        var mouldings = stores.massing().mouldings(state.siteId()).stream()
                .map(MouldingRow::toMoulding)
                .filter(m -> m.make().swatch() == swatch)
                .map(m -> "the moulding “" + m.name() + "”")
                .distinct()
                .sorted();
        return Stream.of(pieces, patterns, mouldings).flatMap(s -> s).toList();
    }

    /** Puts it at another place in the site's lists. @param place from 0; what is beyond the last is the last */
    public void order(long siteId, Swatch swatch, Seen seen, int place) {
        journal.edit(siteId, seen, edit -> {
            var rows = new ArrayList<>(stores.kits().materials(siteId).stream()
                    .filter(r -> r.swatch().isCoated())
                    .toList());
            var row = row(siteId, swatch);
            rows.remove(row);
            rows.add(Math.max(0, Math.min(place, rows.size())), row);
            IntStream.range(0, rows.size()).forEach(i -> edit.change(rows.get(i), r -> r.put(i)));
            edit.name("Put the material “" + stores.kits().materialNames(siteId).of(swatch) + "” elsewhere");
            return null;
        });
    }

    private MaterialRow row(long siteId, Swatch swatch) {
        return stores.kits().materials(siteId).stream()
                .filter(r -> r.swatch() == swatch && swatch.isCoated())
                .findFirst()
                .orElseThrow(() ->
                        new NotFound("The site has no material “" + swatch.label() + "” with a sheet to itself."));
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
            edit.name(
                    pixels == null
                            ? "Call " + before.of(swatch) + " “"
                                    + before.with(swatch, name == null ? "" : name)
                                            .of(swatch) + "”"
                            : "A sheet of " + pixels + " pixels for " + before.of(swatch));
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
    public static void setPixels(Edit edit, Stores stores, Swatch material, int pixels) {
        set(edit, stores, material, row -> row.setPixels(pixels));
    }

    /** @throws Refused if another is called so */
    static void call(Edit edit, Stores stores, Swatch material, String name) {
        var told = stores.kits()
                .materialNames(edit.site().getId())
                .with(material, name)
                .told()
                .getOrDefault(material, "");
        set(edit, stores, material, row -> row.call(told));
    }

    private static void set(Edit edit, Stores stores, Swatch material, Consumer<MaterialRow> how) {
        var siteId = edit.site().getId();
        stores.kits().materials(siteId).stream()
                .filter(row -> row.swatch() == material)
                .findFirst()
                .ifPresentOrElse(row -> edit.change(row, how), () -> {
                    if (!material.isSharedSheet()) {
                        throw new NotFound("The site has no material “" + material.label() + "”.");
                    }
                    var row = new MaterialRow(stores.nextId(), siteId, material, 0);
                    how.accept(row);
                    edit.add(row);
                });
    }
}
