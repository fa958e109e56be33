package hausbau.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.TestSets;
import hausbau.core.measure.Vec;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class PieceStateTest {

    private static final Piece STAND_IN = new Piece(
            "PRP-CHAIR", "chair", Role.PROP, new Recipe.StandIn(Vec.ofMillimetres(500, 500, 900)), Pivot.of(Role.PROP));

    @ParameterizedTest
    @EnumSource
    void whatStandsInTheKitAsABlockStandsIn(PieceState told) {
        assertThat(PieceState.of(told, Optional.of(STAND_IN))).isEqualTo(PieceState.STAND_IN);
    }

    @Test
    void aModelledPieceIsModelledUntilAPersonCallsItFinished() {
        assertThat(PieceState.of(PieceState.WANTED, Optional.of(TestSets.BENCH)))
                .isEqualTo(PieceState.MODELLED);
        assertThat(PieceState.of(PieceState.FINISHED, Optional.of(TestSets.BENCH)))
                .isEqualTo(PieceState.FINISHED);
    }

    @Test
    void aPieceThatHasGoneFromTheKitNoLongerStandsIn() {
        assertThat(PieceState.of(PieceState.STAND_IN, Optional.empty())).isEqualTo(PieceState.WANTED);
        assertThat(PieceState.of(PieceState.MODELLED, Optional.empty())).isEqualTo(PieceState.MODELLED);
    }

    @Test
    void aStandInHasThePivotOfItsRole() {
        assertThat(Pivot.of(Role.WALL)).isEqualTo(Pivot.FACE_START);
        assertThat(Pivot.of(Role.PROP)).isEqualTo(Pivot.BASE_CENTRE);
    }
}
