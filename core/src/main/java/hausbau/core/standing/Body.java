package hausbau.core.standing;

import hausbau.core.arrange.Arrangement;
import hausbau.core.kit.Kind;
import hausbau.core.measure.Box;
import hausbau.core.measure.Lean;
import hausbau.core.measure.Turn;
import hausbau.core.measure.Vec;
import hausbau.core.place.Stance;
import hausbau.core.place.Standing;
import java.util.List;

/**
 * What a repeat sets down at one spot: a piece, several that keep their stances to one another, or an assembly as it is now.
 *
 * @param members  one or more, about the spot at the origin; none of an assembly until it is looked up
 * @param assembly 0 where it is none
 */
public record Body(List<Member> members, long assembly) {

    public Body(List<Member> members) {
        this(members, 0);
    }

    /** An assembly, its pivot at the spot. */
    public static Body ofAssembly(long assembly) {
        return new Body(List.of(), assembly);
    }

    /** With the pieces that its assembly has now; nothing where that is gone. */
    Body resolved(Assemblies all) {
        return assembly == 0 || all.find(assembly).isEmpty()
                ? this
                : new Body(
                        all.whole(assembly).pieces().stream()
                                .map(Assemblies.Piece::member)
                                .toList(),
                        assembly);
    }

    /** @param stance about the spot */
    public record Member(Kind kind, Stance stance) {}

    public Body {
        members = List.copyOf(members);
    }

    public static Body of(Kind kind) {
        return new Body(List.of(new Member(kind, Stance.at(Vec.ZERO, Turn.NONE))));
    }

    /** Some standing pieces, about where the first of them stands. */
    public static Body of(List<Standing> standing) {
        var about = standing.get(0).stance().at();
        return new Body(standing.stream()
                .map(s -> new Member(s.kind(), s.stance().movedBy(Vec.ZERO.minus(about))))
                .toList());
    }

    /** What it takes about its spot. */
    public Box box() {
        return members.stream()
                .map(m -> m.stance().box(m.kind()))
                .reduce(Box::union)
                .orElseGet(() -> new Box(Vec.ZERO, Vec.ZERO));
    }

    boolean isOnePlainPiece() {
        return members.size() == 1 && members.get(0).stance().equals(Stance.at(Vec.ZERO, Turn.NONE));
    }

    /** A member as it stands at a spot: mirrored with the body across its middle, tipped and turned about the spot, moved there. */
    static Stance stance(Member member, Box whole, Vec at, int quarters, double degrees, boolean mirrored, Lean lean) {
        var pose = new Stance(at, Turn.of(quarters), mirrored, degrees % 360, lean);
        return stance(member.stance(), member.kind().box(), whole, pose);
    }

    /** @param own what the member takes about its own pivot, @param whole what the body takes about its spot, @param body how that stands */
    static Stance stance(Stance member, Box own, Box whole, Stance body) {
        var s = body.mirrored()
                ? Arrangement.mirrored(
                        member, own, whole.min().x() + whole.max().x())
                : member;
        return body.lean().upright()
                ? new Arrangement(body.at(), body.turn().quarters(), body.freeDegrees(), false).about(s, Vec.ZERO)
                : s.carriedBy(body);
    }
}
