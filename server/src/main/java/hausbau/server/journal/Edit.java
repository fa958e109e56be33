package hausbau.server.journal;

import hausbau.server.store.Row;
import hausbau.server.store.SiteRow;
import hausbau.server.store.SiteStore;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** An edit in the making: every row it adds, changes or removes goes through it, so that the journal can keep it. */
public final class Edit {

    private final SiteRow site;
    private final SiteStore store;
    private final EntityManager rows;
    private final Snapshots snapshots;
    private final List<Change> changes = new ArrayList<>();
    private String label = "";

    Edit(SiteRow site, SiteStore store, EntityManager rows, Snapshots snapshots) {
        this.site = site;
        this.store = store;
        this.rows = rows;
        this.snapshots = snapshots;
    }

    public SiteRow site() {
        return site;
    }

    public SiteStore store() {
        return store;
    }

    /** Names what the edit does, as the undo button will show it. */
    public void name(String newLabel) {
        label = newLabel;
    }

    String label() {
        return label;
    }

    List<Change> changes() {
        return changes;
    }

    private static JsonNode nothing() {
        return JsonNodeFactory.instance.nullNode();
    }

    public void add(Row row) {
        rows.persist(row);
        changes.add(new Change(Change.Table.of(row), row.getId(), nothing(), snapshots.of(row)));
    }

    /** Applies the change; a row that comes out the same is not recorded. */
    public <R extends Row> void change(R row, Consumer<R> change) {
        var before = snapshots.of(row);
        change.accept(row);
        var after = snapshots.of(row);
        if (!after.equals(before)) {
            changes.add(new Change(Change.Table.of(row), row.getId(), before, after));
        }
    }

    public void remove(Row row) {
        changes.add(new Change(Change.Table.of(row), row.getId(), snapshots.of(row), nothing()));
        rows.remove(row);
    }
}
