package hausbau.server.store.kit;

import hausbau.core.kit.Part;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Role;
import hausbau.core.reduce.Detail;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;

/** A piece of a site's kit. Rows are entered when a kind is first needed, outside the journal; what persons change about them is kept in it. */
@Entity
@Table(name = "piece")
public class PieceRow implements Row {

    private static final String NO_DETAILS = "none";

    @Id
    Long id;

    long siteId;
    String code;
    String name;

    @Enumerated(EnumType.STRING)
    Role role;

    @Enumerated(EnumType.STRING)
    Pivot pivot;

    String recipe;
    String model;
    /** Empty where nobody told one. */
    String toldPivot;

    boolean kept;
    /** How its mesh was brought in, as JSON; empty where none was. */
    String brought = "";
    /** Whole percentages with commas between them; empty where it has the usual ones. */
    String details = "";

    protected PieceRow() {}

    /** @param parts empty: it is as its recipe has it */
    public void set(List<Part> parts) {
        model = parts.isEmpty() ? "" : RecipeJson.writeParts(parts);
    }

    /** Whether a person told what it is made of. */
    public boolean isTold() {
        return !model.isEmpty();
    }

    public void call(String newCode, String newName) {
        code = newCode;
        name = newName;
    }

    public void set(Pivot newPivot) {
        toldPivot = newPivot == pivot ? "" : newPivot.name();
    }

    public void bring(String how) {
        brought = how;
    }

    /** How its mesh was brought in last, as JSON; empty where none was. */
    public String brought() {
        return brought;
    }

    /** @param percents of the triangles that each level of detail has */
    public void detail(Collection<Integer> percents) {
        details = percents.isEmpty()
                ? NO_DETAILS
                : String.join(",", percents.stream().map(String::valueOf).toList());
    }

    public List<Integer> details() {
        return details.isEmpty()
                ? Detail.USUAL
                : details.equals(NO_DETAILS)
                        ? List.of()
                        : Arrays.stream(details.split(","))
                                .map(Integer::valueOf)
                                .toList();
    }

    /** @param isKept whether it stays at hand though nothing of it stands */
    public void keep(boolean isKept) {
        kept = isKept;
    }

    @Override
    public Long getId() {
        return id;
    }
}
