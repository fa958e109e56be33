package hausbau.server.work.kit;

import com.github.benmanes.caffeine.cache.Cache;
import hausbau.core.bring.Choices;
import hausbau.core.bring.Fitting;
import hausbau.core.bring.ImportedObject;
import hausbau.core.bring.ImportedObject.Surface;
import hausbau.core.bring.MeshRepair;
import hausbau.core.bring.RepairedMesh;
import hausbau.core.budget.Budget;
import hausbau.core.exchange.GltfScene;
import hausbau.core.exchange.in.Bundle;
import hausbau.core.exchange.in.Incoming;
import hausbau.core.exchange.in.Incoming.CalledOff;
import hausbau.core.exchange.in.Tone;
import hausbau.core.finish.Coat;
import hausbau.core.kit.Form;
import hausbau.core.kit.Part;
import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.shape.MaterialNames;
import hausbau.core.shape.Shell;
import hausbau.core.shape.Swatch;
import hausbau.server.jobs.Job;
import hausbau.server.jobs.Jobs;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.standing.Sets;
import hausbau.server.standing.SiteState;
import hausbau.server.store.Millimetres;
import hausbau.server.store.Stores;
import hausbau.server.store.kit.DeliveryStore;
import hausbau.server.work.Weighed;
import hausbau.server.work.board.BroughtPictures;
import hausbau.server.work.board.PictureFile;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Meshes that were made elsewhere: files are handed over, looked at beside the Figure, corrected, and brought in as pieces or in
 * place of them. What was read of a file is kept at hand for a while, and read again from the database where it is not.
 */
@Service
public class DeliveryService {

    private static final int MOST_THINGS = 300;
    private static final int MOST_MODELS = 40;

    private final Stores stores;
    private final DeliveryStore deliveries;
    private final Journal journal;
    private final Sets sets;
    private final TransactionTemplate transaction;
    private final BroughtPictures pictures;
    private final Jobs jobs;
    private final KitService kit;
    /** Files that were read, up to 256 MiB of their surfaces; a miss reads the file again. */
    private final Cache<UUID, Incoming> read = Weighed.upTo(256, (id, file) -> file.things().stream()
            .flatMap(t -> t.surfaces().stream())
            .mapToLong(Surface::bytes)
            .sum());
    /** Things set right, up to 256 MiB; a miss works one out again. */
    private final Cache<Wanted, RepairedMesh> settled = Weighed.upTo(256, (wanted, it) -> it.shells().values().stream()
            .mapToLong(Shell::bytes)
            .sum());

    public DeliveryService(
            Stores stores,
            DeliveryStore deliveries,
            Journal journal,
            Sets sets,
            TransactionTemplate transaction,
            BroughtPictures pictures,
            Jobs jobs,
            KitService kit) {
        this.stores = stores;
        this.deliveries = deliveries;
        this.journal = journal;
        this.sets = sets;
        this.transaction = transaction;
        this.pictures = pictures;
        this.jobs = jobs;
        this.kit = kit;
    }

    /** One thing of a file under some choices, of a size or of none, on the site's step. */
    private record Wanted(UUID id, Choices choices, int number, Optional<Vec> size, Length step) {}

    /** @param piece it as the piece that it would be */
    public record Thing(int number, RepairedMesh settled, Piece piece) {

        /** What it takes up, in the piece's own frame; more or less than the piece where the massing says how large that is. */
        public Box box() {
            return piece.parts().stream()
                    .flatMap(p -> p.solids().stream())
                    .reduce(Box::union)
                    .orElseThrow()
                    .movedBy(piece.kind().natural());
        }
    }

    /**
     * @param unknown materials that would be new ones of the site's own, as the file has them
     * @param isSized whether the piece whose place it takes says how large it is to be
     * @param spent   what the set would spend on triangles with each of the things, of what its budget allows
     * @param thing   the number of the one that was taken when it was brought in before; 0 where it was not
     */
    public record Delivered(
            UUID id,
            Incoming file,
            Set<String> unknown,
            Choices choices,
            boolean isSized,
            List<Thing> things,
            List<Budget.Line> spent,
            int thing) {}

    /** What is asked about a delivery; what is null is as is usual for the file, or as it was when the piece was brought in last. */
    public record Question(@Nullable Choices choices, @Nullable Long pieceId) {}

    /** How a piece was brought in, as it is kept with it. */
    private record Brought(String file, int thing, Choices choices) {}

    /**
     * Takes files, reads every model among them, and keeps them to be looked at.
     *
     * @param token under which it can be asked how far it is, and called off; may be empty
     * @return a delivery for each model
     * @throws Refused if one of them cannot be read, or there are too many, or it was called off; nothing of it is kept then
     */
    public List<Delivered> deliver(long siteId, Map<String, byte[]> files, String token, @Nullable Long pieceId) {
        sets.current(siteId);
        try {
            return jobs.run(siteId, token, null, job -> read(siteId, files, job, pieceId));
        } catch (hausbau.server.jobs.CalledOff | CalledOff e) {
            throw new Refused("token", "It was called off; nothing was brought in.");
        }
    }

    private List<Delivered> read(long siteId, Map<String, byte[]> files, Job job, @Nullable Long pieceId) {
        var bundle = new Bundle(files);
        var models = bundle.models();
        if (models.size() > MOST_MODELS) {
            throw new Refused(
                    "file",
                    "There are " + models.size() + " models among them; at most " + MOST_MODELS
                            + " are taken at once. Bring them in by parts.");
        }
        var called = called(siteId);
        var all = new LinkedHashMap<UUID, Incoming>();
        var names = new LinkedHashMap<UUID, String>();
        for (var i = 0; i < models.size(); i++) {
            var done = (double) i / models.size();
            var id = UUID.randomUUID();
            names.put(id, models.get(i));
            all.put(
                    id,
                    Incoming.read(bundle, models.get(i), share -> job.reach(done + share / models.size()))
                            .recognising(called));
        }
        var looks = all.entrySet().stream()
                .map(e -> look(siteId, e.getKey(), e.getValue(), new Question(null, pieceId)))
                .toList();
        job.reachOrStop(1);
        transaction.executeWithoutResult(status -> deliveries.keep(siteId, names, files));
        read.putAll(all);
        return looks;
    }

    private Incoming file(long siteId, UUID id) {
        var model = deliveries.model(siteId, id);
        var known = read.getIfPresent(id);
        if (known != null) {
            return known;
        }
        var file = Incoming.read(new Bundle(deliveries.files(id)), model, share -> true)
                .recognising(called(siteId));
        read.put(id, file);
        return file;
    }

    private MaterialNames called(long siteId) {
        return Objects.requireNonNull(
                transaction.execute(status -> stores.kits().materialNames(siteId)));
    }

    /** What would come of it. */
    public Delivered look(long siteId, UUID id, Question question) {
        return look(siteId, id, file(siteId, id), question);
    }

    private Delivered look(long siteId, UUID id, Incoming file, Question question) {
        var state = sets.current(siteId);
        var of = Optional.ofNullable(question.pieceId()).map(state::piece);
        var before = before(siteId, question.pieceId()).filter(b -> b.file().equals(file.name()));
        var choices = question.choices() != null
                ? question.choices()
                : before.map(Brought::choices).orElseGet(() -> usual(file, of.isPresent()));
        var loose = things(file, choices);
        var things = IntStream.range(0, loose.size())
                .mapToObj(n -> thing(id, file, choices, loose, n, of, state))
                .toList();
        var triangles = kit.triangles(siteId, question.pieceId());
        return new Delivered(
                id,
                file,
                file.unknown(called(siteId)),
                choices,
                Fitting.size(of).isPresent(),
                things,
                things.stream()
                        .map(t -> triangles.apply(t.settled().left().triangles()))
                        .toList(),
                before.map(Brought::thing).filter(n -> n < things.size()).orElse(0));
    }

    /** In place of one piece, it is one. */
    private static Choices usual(Incoming file, boolean isOne) {
        var usual = file.usual();
        return new Choices(
                usual.millimetres(), usual.up(), isOne || file.things().size() > MOST_THINGS, usual.fixes());
    }

    private Optional<Brought> before(long siteId, @Nullable Long pieceId) {
        return Optional.ofNullable(pieceId)
                .map(id -> stores.kits().row(siteId, id).brought())
                .filter(b -> !b.isEmpty())
                .map(b -> Millimetres.JSON.readValue(b, Brought.class));
    }

    private static List<ImportedObject> things(Incoming file, Choices choices) {
        var things = MeshRepair.things(file.name(), file.things(), choices.isWhole());
        if (things.size() > MOST_THINGS) {
            throw new Refused(
                    "whole",
                    "It is of " + things.size() + " things, more than " + MOST_THINGS
                            + ": take all of it as one piece.");
        }
        return things;
    }

    private Thing thing(
            UUID id,
            Incoming file,
            Choices choices,
            List<ImportedObject> things,
            int number,
            Optional<Piece> of,
            SiteState state) {
        requireThing(things, number);
        var result = settled(
                new Wanted(
                        id, choices, number, Fitting.size(of), state.settings().step()),
                things.get(number));
        var parts = Fitting.parts(result, file.materials(), true, Set.of(), of);
        return new Thing(
                number,
                result,
                of.orElseGet(() -> new Piece(
                                result.name(), result.name(), Role.PROP, new Recipe.Made(0, parts), Pivot.BASE_CENTRE))
                        .madeOf(0, parts));
    }

    private static void requireThing(List<ImportedObject> things, int number) {
        if (number < 0 || number >= things.size()) {
            throw new Refused("things", "The file has no thing " + number + ".");
        }
    }

    private RepairedMesh settled(Wanted wanted, ImportedObject thing) {
        return Objects.requireNonNull(
                settled.get(wanted, w -> new MeshRepair(w.choices(), w.step()).repair(thing, w.size())));
    }

    /** It as it would be brought in, for a look. */
    public byte[] glb(long siteId, Thing thing) {
        return GltfScene.ofPiece(thing.piece(), KitService.finish(sets.current(siteId)));
    }

    /**
     * One thing that is brought in.
     *
     * @param pieceId of the piece whose place it takes; null for a new one
     */
    public record Taken(int number, @Nullable Long pieceId, @Nullable String name, @Nullable Role role) {}

    /** @param swatches of materials where they are not those that were guessed, @param laidOut whether it keeps its own UVs, @param pictures whether the file's are taken onto sheets of their own */
    public record Order(
            Choices choices, Map<String, Swatch> swatches, boolean laidOut, boolean pictures, List<Taken> things) {}

    /**
     * Brings things in, in one edit.
     *
     * @return the ids of their pieces
     */
    public List<Long> bring(long siteId, UUID id, Seen seen, Order order) {
        var file = file(siteId, id);
        var loose = things(file, order.choices());
        order.things().forEach(t -> requireThing(loose, t.number()));
        var swatches = new LinkedHashMap<>(file.materials());
        swatches.putAll(order.swatches());
        var used = order.things().stream()
                .flatMap(t -> loose.get(t.number()).surfaces().stream())
                .map(Surface::material)
                .collect(Collectors.toSet());
        var pictured = order.pictures() ? pictures.read(file, used) : Map.<String, Map<Coat.Layer, PictureFile>>of();
        return journal.edit(siteId, seen, edit -> {
            var before = order.things().stream()
                    .map(Taken::pieceId)
                    .filter(Objects::nonNull)
                    .flatMap(p -> edit.before().piece(p).parts().stream())
                    .toList();
            swatches.putAll(pictures.lay(edit, pictured, tones(edit, file, order, used), before));
            var ids = new ArrayList<Long>();
            for (var taken : order.things()) {
                ids.add(bring(edit, id, file, loose, swatches, pictured.keySet(), order, taken));
            }
            edit.name(
                    order.things().size() == 1
                            ? "Bring in " + file.name()
                            : "Bring in " + order.things().size() + " of " + file.name());
            return ids;
        });
    }

    /** The looks of materials that nobody has chosen another for, and that the site knows by no name. */
    private Map<String, Tone> tones(Edit edit, Incoming file, Order order, Set<String> used) {
        var tones = new LinkedHashMap<String, Tone>();
        file.unknown(stores.kits().materialNames(edit.site().getId())).stream()
                .filter(m -> used.contains(m) && !order.swatches().containsKey(m))
                .forEach(m -> tones.put(m, Objects.requireNonNull(file.tones().get(m))));
        return tones;
    }

    private long bring(
            Edit edit,
            UUID id,
            Incoming file,
            List<ImportedObject> loose,
            Map<String, Swatch> swatches,
            Set<String> pictured,
            Order order,
            Taken taken) {
        var siteId = edit.site().getId();
        var of = Optional.ofNullable(taken.pieceId()).map(edit.before()::piece);
        var thing = thing(id, file, order.choices(), loose, taken.number(), of, edit.before());
        var parts = Fitting.parts(thing.settled(), swatches, order.laidOut(), pictured, of);
        var name = taken.name() == null || taken.name().isBlank()
                ? thing.settled().name()
                : taken.name().strip();
        parts.stream().map(Part::form).filter(Form.Brought.class::isInstance).forEach(f -> stores.kits()
                .keep(siteId, ((Form.Brought) f).shell()));
        var how = Millimetres.JSON.writeValueAsString(new Brought(file.name(), taken.number(), order.choices()));
        var pieceId = taken.pieceId();
        if (pieceId != null) {
            edit.change(stores.kits().row(siteId, pieceId), r -> {
                r.set(parts);
                r.bring(how);
            });
            return pieceId;
        }
        var role = taken.role() == null ? Role.PROP : taken.role();
        WorkshopService.requireOwn(role);
        var called = WorkshopService.requireName(name.length() > 80 ? name.substring(0, 80) : name);
        var row = edit.enter(WorkshopService.suggested(role, called), called, role, Pivot.of(role), parts);
        edit.change(row, r -> {
            r.keep(true);
            r.bring(how);
        });
        return row.getId();
    }

    /** Lets go of files that are not wanted, or are brought in. */
    public void remove(long siteId, UUID id) {
        transaction.executeWithoutResult(status -> deliveries.remove(siteId, id));
        read.invalidate(id);
    }
}
