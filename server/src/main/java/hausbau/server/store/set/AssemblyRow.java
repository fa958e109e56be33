package hausbau.server.store.set;

import hausbau.core.kit.Kit;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import hausbau.core.standing.Assembly;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** A named group of pieces, repeats and other assemblies: its parts as JSON. */
@Entity
@Table(name = "assembly")
public class AssemblyRow implements Row {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Id
    Long id;

    long siteId;
    String name;
    String parts;

    protected AssemblyRow() {}

    public AssemblyRow(long siteId, Assembly assembly, Kit kit) {
        this.id = assembly.id();
        this.siteId = siteId;
        set(assembly, kit);
    }

    /** @param piece 0 where it is an assembly, @param assembly 0 where it is a piece; whole micrometres from the pivot */
    record Part(
            int number,
            long piece,
            long assembly,
            long x,
            long y,
            long z,
            int quarters,
            boolean mirrored,
            double degrees,
            @Nullable Lean lean,
            @Nullable Repeated repeat) {

        static Part of(Assembly.Part p, Kit kit) {
            var s = p.stance();
            return new Part(
                    p.number(),
                    p.content() instanceof Assembly.OfPiece of
                            ? kit.id(of.kind()).orElseThrow()
                            : 0,
                    p.content() instanceof Assembly.OfAssembly of ? of.assembly() : 0,
                    s.at().x(),
                    s.at().y(),
                    s.at().z(),
                    s.turn().quarters(),
                    s.mirrored(),
                    s.freeDegrees(),
                    Leans.told(s.lean()),
                    p.content() instanceof Assembly.OfRepeat of ? Repeated.of(of, kit) : null);
        }

        Assembly.Part toPart(Kit kit) {
            return new Assembly.Part(
                    number,
                    repeat != null
                            ? repeat.toContent(kit)
                            : piece == 0
                                    ? new Assembly.OfAssembly(assembly)
                                    : new Assembly.OfPiece(
                                            kit.piece(piece).orElseThrow().kind()),
                    new Stance(new Vec(x, y, z), new Turn(quarters), mirrored, degrees, Leans.read(lean)));
        }
    }

    /** @param rule as JSON */
    record Repeated(String name, String rule, List<List<RepeatRow.Member>> bodies) {

        static Repeated of(Assembly.OfRepeat of, Kit kit) {
            return new Repeated(
                    of.name(),
                    RuleWords.of(of.rule()).write(),
                    of.bodies().stream()
                            .map(b -> RepeatRow.Member.members(b, kit))
                            .toList());
        }

        Assembly.OfRepeat toContent(Kit kit) {
            return new Assembly.OfRepeat(
                    name,
                    bodies.stream().map(b -> RepeatRow.Member.body(b, kit)).toList(),
                    RuleWords.read(rule).toRule());
        }
    }

    @Override
    public Long getId() {
        return id;
    }

    public final void set(Assembly assembly, Kit kit) {
        name = assembly.name();
        parts = JSON.writeValueAsString(
                assembly.parts().stream().map(p -> Part.of(p, kit)).toList());
    }

    public Assembly toAssembly(Kit kit) {
        return new Assembly(
                id,
                name,
                JSON.readValue(parts, new TypeReference<List<Part>>() {}).stream()
                        .map(p -> p.toPart(kit))
                        .toList());
    }
}
