package hausbau.server.http.kit;

import hausbau.core.measure.Length;
import hausbau.core.standing.KitRules;
import jakarta.validation.constraints.NotNull;
import java.util.List;

/**
 * What a site's kit may be made of. What is left out is as usual.
 *
 * @param maxKinds           how many lengths the pieces of one height may have; 1 to 8
 * @param onlyLengthsMm      if there are any, no others
 * @param minTierMm          0.4 m if left out; a wall that is not cut may be lower
 * @param onlyHeightsMm      if there are any, no tiers of others
 * @param jointsAtFloors     whether walls may be cut at floors and ceilings; true if left out
 * @param jointsAtOpenings   whether they may be cut under sills and over heads
 * @param jointsAboveFloorMm heights above every floor at which they may be cut
 * @param besideOpeningMm    least piece beside an opening; the least piece if left out
 * @param jambMm             wall on either side of an opening that its panel takes in
 * @param alike              whether both sides of a wall's middle are laid alike
 * @param kindWorth          how many placements a further kind must save to be recommended; 0 for a tenth of them
 * @param keepStanding       whether kinds that stand already are not counted
 */
public record KitRulesBody(
        @NotNull Length minPieceMm,
        @NotNull Length maxPieceMm,
        @NotNull Integer maxKinds,
        List<@NotNull Length> onlyLengthsMm,
        List<@NotNull Length> neverLengthsMm,
        Length minTierMm,
        Length maxTierMm,
        List<@NotNull Length> onlyHeightsMm,
        List<@NotNull Length> neverHeightsMm,
        Boolean jointsAtFloors,
        Boolean jointsAtOpenings,
        List<@NotNull Length> jointsAboveFloorMm,
        Length besideOpeningMm,
        Length jambMm,
        Boolean alike,
        Long kindWorth,
        Boolean keepStanding) {

    public static KitRulesBody of(KitRules r) {
        return new KitRulesBody(
                r.minPiece(),
                r.maxPiece(),
                r.maxLengths(),
                r.lengths().only(),
                r.lengths().never(),
                r.heights().least(),
                r.heights().greatest(),
                r.heights().only(),
                r.heights().never(),
                r.joints().floors(),
                r.joints().openings(),
                r.joints().above(),
                r.openings().beside(),
                r.openings().jamb(),
                r.openings().alike(),
                r.worth(),
                r.keeps());
    }

    KitRules toRules() {
        var usual = KitRules.between(minPieceMm, maxPieceMm);
        return new KitRules(
                new KitRules.Sizes(minPieceMm, maxPieceMm, or(onlyLengthsMm, List.of()), or(neverLengthsMm, List.of())),
                new KitRules.Sizes(
                        or(minTierMm, usual.heights().least()),
                        or(maxTierMm, usual.heights().greatest()),
                        or(onlyHeightsMm, List.of()),
                        or(neverHeightsMm, List.of())),
                new KitRules.Joints(
                        or(jointsAtFloors, usual.joints().floors()),
                        or(jointsAtOpenings, usual.joints().openings()),
                        or(jointsAboveFloorMm, List.of())),
                new KitRules.Openings(
                        or(besideOpeningMm, usual.openings().beside()),
                        or(jambMm, usual.openings().jamb()),
                        or(alike, usual.openings().alike())),
                maxKinds,
                or(kindWorth, usual.worth()),
                or(keepStanding, usual.keeps()));
    }

    private static <T> T or(T told, T usual) {
        return told == null ? usual : told;
    }
}
