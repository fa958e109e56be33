package hausbau.server.work.kit;

import hausbau.core.exchange.GltfScene;
import hausbau.core.exchange.SheetFiles;
import hausbau.core.finish.Coat;
import hausbau.core.finish.Colourway;
import hausbau.core.finish.SharedSheet;
import hausbau.core.measure.Fault;
import hausbau.core.measure.Refused;
import hausbau.core.shape.Finish;
import hausbau.core.shape.Swatch;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.store.NotFound;
import hausbau.server.store.Reading;
import hausbau.server.store.Stores;
import hausbau.server.store.board.MediaRow;
import hausbau.server.store.kit.CoatWords;
import hausbau.server.store.kit.ColourwayRow;
import hausbau.server.store.kit.MaterialRow;
import hausbau.server.work.FreshName;
import hausbau.server.work.board.PictureDesk;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.DoubleConsumer;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** The colourways of a site, and the sheets that they are made into. */
@Service
public class ColourwayService {

    /** What a site has before one is made; it is not changed but copied. */
    public static final long USUAL = 0;

    private static final String USUAL_NAME = "default finishes";

    private final Stores stores;
    private final Journal journal;
    private final Sets sets;
    private final SheetShelf sheets;
    private final PictureDesk desk;
    private final TransactionTemplate transaction;

    public ColourwayService(
            Stores stores,
            Journal journal,
            Sets sets,
            SheetShelf sheets,
            PictureDesk desk,
            TransactionTemplate transaction) {
        this.stores = stores;
        this.journal = journal;
        this.sets = sets;
        this.sheets = sheets;
        this.desk = desk;
        this.transaction = transaction;
    }

    public record Known(long id, String name, boolean isUsed, Colourway colourway) {}

    /** The usual one first, then in the order in which they were made. */
    @Reading
    public List<Known> all(long siteId) {
        var rows = stores.kits().colourways(siteId);
        var known = new ArrayList<Known>();
        known.add(new Known(USUAL, USUAL_NAME, rows.stream().noneMatch(ColourwayRow::isUsed), Colourway.usual()));
        rows.forEach(row -> known.add(new Known(row.getId(), row.name(), row.isUsed(), row.toColourway())));
        return known;
    }

    private Known one(long siteId, long id) {
        return all(siteId).stream()
                .filter(k -> k.id() == id)
                .findFirst()
                .orElseThrow(() -> new NotFound("The site has no colourway " + id + "."));
    }

    /** The one in use. */
    @Reading
    public Colourway used(long siteId) {
        return all(siteId).stream()
                .filter(Known::isUsed)
                .findFirst()
                .orElseThrow()
                .colourway();
    }

    /** The site's materials that have a coat each, in its order. */
    @Reading
    public List<Swatch> materials(long siteId) {
        return stores.kits().materials(siteId).stream()
                .map(MaterialRow::swatch)
                .filter(Swatch::isCoated)
                .toList();
    }

    /** What sheets lie on pieces as: how large each is there, and of how many pixels. */
    public Finish finish(long siteId) {
        return KitService.finish(sets.current(siteId));
    }

    /** @return the id of a copy of one, or of the one in use */
    public long create(long siteId, Seen seen, @Nullable Long copyOf) {
        return journal.edit(siteId, seen, edit -> {
            var from = copyOf == null
                    ? all(siteId).stream().filter(Known::isUsed).findFirst().orElseThrow()
                    : one(siteId, copyOf);
            var name = FreshName.of(
                    from.id() == USUAL ? "colourway" : from.name(),
                    all(siteId).stream().map(Known::name).toList());
            edit.name("Make the colourway “" + name + "”");
            var row = new ColourwayRow(stores.nextId(), siteId, name, from.colourway());
            edit.add(row);
            return row.getId();
        });
    }

    /** @param name null stays; @param coats what is told of each, the rest stays */
    public void change(long siteId, long id, Seen seen, @Nullable String name, Map<Swatch, CoatWords> coats) {
        if (id == USUAL) {
            throw new Refused(
                    "colourway", "What finishes come as is not changed. Make a colourway of your own from it.");
        }
        journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.kits().colourways(siteId), id, "colourway");
            if (name != null && (name.isBlank() || name.length() > 80)) {
                throw new Refused("name", "A colourway has a name of 1 to 80 characters.");
            }
            var changed = over(row.toColourway(), coats);
            requirePictures(siteId, coats);
            edit.name("Change the colourway “" + row.name() + "”");
            edit.change(row, r -> {
                if (name != null) {
                    r.call(name.strip());
                }
                r.set(changed);
            });
            return null;
        });
    }

    private void requirePictures(long siteId, Map<Swatch, CoatWords> told) {
        var known = stores.boards().mediaSizes(siteId);
        told.forEach((swatch, words) -> {
            if (words.pictures() != null
                    && words.pictures().values().stream().anyMatch(id -> id != 0 && !known.containsKey(id))) {
                throw new Refused(
                        "coats." + swatch + ".pictures", "The site has no such picture. Choose the file again.");
            }
        });
    }

    /** Keeps a picture for finishes, checked and written anew as those on the board are. @return its id */
    public long addPicture(long siteId, byte[] file) {
        transaction.executeWithoutResult(status -> stores.sites().site(siteId));
        var picture = desk.read(file);
        return transaction.execute(status -> {
            var media = new MediaRow(
                    stores.nextId(),
                    siteId,
                    picture.type(),
                    picture.width(),
                    picture.height(),
                    picture.original(),
                    picture.preview());
            stores.boards().keep(media);
            return media.id();
        });
    }

    private static Colourway over(Colourway standing, Map<Swatch, CoatWords> told) {
        var coats = new TreeMap<Swatch, Coat>(standing.coats());
        var faults = new ArrayList<Fault>();
        told.forEach((swatch, words) -> {
            try {
                coats.put(swatch, words.over(standing.coat(swatch)));
            } catch (Refused e) {
                e.faults().forEach(f -> faults.add(new Fault("coats." + swatch + "." + f.field(), f.message())));
            }
        });
        if (!faults.isEmpty()) {
            throw new Refused(faults);
        }
        return new Colourway(coats);
    }

    /** Puts one to use in place of another. No mesh changes by that. */
    public void use(long siteId, long id, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            edit.name("Use the colourway “" + one(siteId, id).name() + "”");
            stores.kits().colourways(siteId).forEach(row -> edit.change(row, r -> r.use(r.getId() == id)));
            return null;
        });
    }

    public void remove(long siteId, long id, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            var row = Stores.find(stores.kits().colourways(siteId), id, "colourway");
            edit.name("Take the colourway “" + row.name() + "” away");
            edit.remove(row);
            return null;
        });
    }

    /** A sheet's pictures, and what tells this state of them from another. */
    public record Made(String tag, Coat coat, int pixels, double sheet) {}

    public Made made(long siteId, long id, Swatch swatch) {
        var coat = one(siteId, id).colourway().coat(swatch);
        var finish = finish(siteId);
        var sheet = finish.sheetWidth(swatch);
        return new Made(SheetShelf.tag(coat, sheet), coat, finish.sheets().side(swatch), sheet);
    }

    public SheetFiles pictures(Made made, int side) {
        return sheets.png(made.coat(), side, made.sheet());
    }

    /** What has to be made of finishes for a handover: all that is read for it. */
    public record Wanted(Finish finish, List<Known> colourways, List<SharedSheet> shared, List<Swatch> coated) {}

    /** @param materials that are in use, @param others colourways that are looked at beside the site's own; what is not known any more is the site's */
    @Reading
    public Wanted wanted(long siteId, Set<Swatch> materials, Collection<Long> others) {
        return new Wanted(
                finish(siteId),
                all(siteId).stream()
                        .filter(k -> k.isUsed() || k.id() != USUAL && others.contains(k.id()))
                        .toList(),
                stores.kits().sharedSheets(siteId).stream()
                        .filter(s -> materials.contains(s.material()))
                        .toList(),
                materials.stream().filter(Swatch::isCoated).sorted().toList());
    }

    /** What swatches are handed over in, by colourway, each sheet of its own pixels. @param howFar told with each sheet, 0 to 1; what it throws ends it */
    public Map<Long, Finishes> make(Wanted wanted, DoubleConsumer howFar) {
        var finish = wanted.finish();
        var count = wanted.colourways().size() * wanted.coated().size()
                + wanted.shared().size();
        var made = 0;
        var together = new TreeMap<Swatch, SheetFiles>();
        for (var sheet : wanted.shared()) {
            together.put(sheet.material(), sheets.jpeg(sheet, sheet.side()));
            howFar.accept((double) ++made / count);
        }
        var finishes = new LinkedHashMap<Long, Finishes>();
        for (var known : wanted.colourways()) {
            var files = new TreeMap<Swatch, SheetFiles>(together);
            for (var swatch : wanted.coated()) {
                var coat = known.colourway().coat(swatch);
                files.put(
                        swatch,
                        sheets.jpeg(coat, finish.sheets().side(swatch), finish.sheetWidth(swatch))
                                .litAs(coat));
                howFar.accept((double) ++made / count);
            }
            var name = known.isUsed()
                    ? GltfScene.SITE
                    : FreshName.of(
                            known.name(),
                            finishes.values().stream().map(Finishes::name).toList());
            finishes.put(known.isUsed() ? 0L : known.id(), new Finishes(name, files));
        }
        return finishes;
    }

    /** @param name of the colourway */
    public record Finishes(String name, Map<Swatch, SheetFiles> sheets) {}
}
