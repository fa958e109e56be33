package hausbau.server.store.brief;

import hausbau.core.budget.Brief;
import hausbau.core.budget.Budget;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;

/** What a site is for, what it may cost, and how long each stage may take. */
@Entity
@Table(name = "brief")
public class BriefRow implements Row {

    @Id
    Long id;

    long siteId;
    String intent;
    String focal;

    @Enumerated(EnumType.STRING)
    Budget.Target target;

    long triangles;
    long drawCalls;
    long textureBytes;
    long materials;
    long sheets;
    long lamps;
    long lampsAtOnce;
    long[] plannedMinutes;
    long[] correctedSeconds;

    protected BriefRow() {}

    public BriefRow(long id, long siteId, Brief brief) {
        this.id = id;
        this.siteId = siteId;
        set(brief);
    }

    public final void set(Brief brief) {
        intent = brief.intent();
        focal = brief.focal();
        target = brief.target();
        triangles = brief.budget().triangles();
        drawCalls = brief.budget().drawCalls();
        textureBytes = brief.budget().textureBytes();
        materials = brief.budget().materials();
        sheets = brief.budget().sheets();
        lamps = brief.budget().lamps();
        lampsAtOnce = brief.budget().lampsAtOnce();
        plannedMinutes =
                brief.plannedMinutes().stream().mapToLong(Long::longValue).toArray();
        correctedSeconds =
                brief.correctedSeconds().stream().mapToLong(Long::longValue).toArray();
    }

    public Brief toBrief() {
        return new Brief(
                intent,
                focal,
                target,
                new Budget(triangles, drawCalls, textureBytes, materials, sheets, lamps, lampsAtOnce),
                Arrays.stream(plannedMinutes).boxed().toList(),
                Arrays.stream(correctedSeconds).boxed().toList());
    }

    @Override
    public Long getId() {
        return id;
    }
}
