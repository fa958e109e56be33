package hausbau.server.store.set;

import hausbau.core.kit.Kit;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Length;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import hausbau.core.standing.Body;
import hausbau.core.standing.Repeat;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** A living repeat: its rule, and what it repeats, as JSON. */
@Entity
@Table(name = "repeat")
public class RepeatRow implements Row {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Id
    Long id;

    long siteId;
    String name;
    String rule;
    String bodies;
    /** 0 where it follows no room. */
    long hostRoom;

    String hostHold = Repeat.Hold.ROOM.name();
    int hostEdge;
    long xAnchorUm;
    long yAnchorUm;
    long zAnchorUm;
    long hostOffUm;

    protected RepeatRow() {}

    public RepeatRow(long siteId, Repeat repeat, Kit kit) {
        this.id = repeat.id();
        this.siteId = siteId;
        set(repeat, kit);
    }

    /** A piece of a body, in whole micrometres from its spot; or, where an assembly is told, that in place of all. */
    record Member(
            long piece,
            long x,
            long y,
            long z,
            int quarters,
            boolean mirrored,
            double degrees,
            @Nullable Lean lean,
            @Nullable Long assembly) {

        static Member ofAssembly(long assembly) {
            return new Member(0, 0, 0, 0, 0, false, 0, null, assembly);
        }

        static Member of(Body.Member m, Kit kit) {
            var s = m.stance();
            return new Member(
                    kit.id(m.kind()).orElseThrow(),
                    s.at().x(),
                    s.at().y(),
                    s.at().z(),
                    s.turn().quarters(),
                    s.mirrored(),
                    s.freeDegrees(),
                    Leans.told(s.lean()),
                    null);
        }

        static List<Member> members(Body b, Kit kit) {
            return b.assembly() == 0
                    ? b.members().stream().map(m -> of(m, kit)).toList()
                    : List.of(ofAssembly(b.assembly()));
        }

        static Body body(List<Member> members, Kit kit) {
            var assembly = members.isEmpty() ? null : members.get(0).assembly();
            return assembly == null
                    ? new Body(members.stream().map(m -> m.toMember(kit)).toList())
                    : Body.ofAssembly(assembly);
        }

        Body.Member toMember(Kit kit) {
            return new Body.Member(
                    kit.piece(piece).orElseThrow().kind(),
                    new Stance(new Vec(x, y, z), new Turn(quarters), mirrored, degrees, Leans.read(lean)));
        }
    }

    @Override
    public Long getId() {
        return id;
    }

    public final void set(Repeat repeat, Kit kit) {
        name = repeat.name();
        rule = RuleWords.of(repeat.rule()).write();
        bodies = JSON.writeValueAsString(
                repeat.bodies().stream().map(b -> Member.members(b, kit)).toList());
        hostRoom = repeat.host().map(Repeat.Host::room).orElse(0L);
        hostHold = repeat.host().map(Repeat.Host::hold).orElse(Repeat.Hold.ROOM).name();
        hostEdge = repeat.host().map(Repeat.Host::edge).orElse(0);
        var anchor = repeat.host().map(Repeat.Host::anchor).orElse(Vec.ZERO);
        xAnchorUm = anchor.x();
        yAnchorUm = anchor.y();
        zAnchorUm = anchor.z();
        hostOffUm = repeat.host().map(Repeat.Host::off).orElse(Length.ZERO).um();
    }

    public Repeat toRepeat(Kit kit) {
        var all = JSON.readValue(bodies, new TypeReference<List<List<Member>>>() {});
        var host = hostRoom == 0
                ? Optional.<Repeat.Host>empty()
                : Optional.of(new Repeat.Host(
                        hostRoom,
                        Repeat.Hold.valueOf(hostHold),
                        hostEdge,
                        new Vec(xAnchorUm, yAnchorUm, zAnchorUm),
                        new Length(hostOffUm)));
        return new Repeat(
                id,
                name,
                all.stream().map(b -> Member.body(b, kit)).toList(),
                RuleWords.read(rule).toRule(),
                host);
    }
}
