package hausbau.core.exchange;

import static hausbau.core.TestSets.mm;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import hausbau.core.exchange.PieceListCsv.Line;
import hausbau.core.exchange.PieceListCsv.Source;
import hausbau.core.kit.PieceState;
import hausbau.core.kit.Role;
import hausbau.core.measure.Refused;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PieceListCsvTest {

    private static final Line BENCH = new Line(
            "PRP-BENCH",
            "bench, \"long\"",
            Role.PROP,
            mm(1600),
            mm(450),
            mm(450),
            8,
            Source.MAKE,
            PieceState.STAND_IN,
            2,
            1.5,
            true,
            "=slats\nof oak");

    @Test
    void whatIsWrittenReadsBackTheSame() {
        var plain = new Line(
                "WAL-2000",
                "",
                Role.WALL,
                mm(2000),
                mm(200),
                mm(0),
                0,
                Source.STOCK,
                PieceState.WANTED,
                3,
                0,
                false,
                "");
        var text = PieceListCsv.write(List.of(BENCH, plain));
        assertThat(text).startsWith("code,name,role,width_mm,").contains("'=slats");
        assertThat(PieceListCsv.read(text)).containsExactly(BENCH, plain);
    }

    @Test
    void columnsMayMissOrStandInAnyOrder() {
        assertThat(PieceListCsv.read("\uFEFFWidth_mm,colour,CODE\r\n12.5,red,A1\r\n\r\n"))
                .singleElement()
                .satisfies(line -> {
                    assertThat(line.code()).isEqualTo("A1");
                    assertThat(line.width().um()).isEqualTo(12_500);
                    assertThat(line.role()).isEqualTo(Role.PROP);
                });
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            textBlock =
                    """
            name\\nbench                       | one of them must be “code”
            code,width_mm\\nA1,wide            | In line 2: “wide” is no length
            code,role\\nA1,roof                | “roof” is no role
            code,count\\nA1,1.5                | “1.5” is no whole number
            code\\nA1\\nA1                     | stands a second time
            code\\nA 1                         | A code has
            code,priority\\nA1,9               | from 1 (first) to 5
            code,hours\\nA1,NaN                | Hours are from 0
            code,name\\n"A1,bench              | cannot be read
            """)
    void whatIsWrongIsToldWithItsLine(String text, String word) {
        assertThatThrownBy(() -> PieceListCsv.read(text.replace("\\n", "\n")))
                .isInstanceOf(Refused.class)
                .hasMessageContaining(word);
    }
}
