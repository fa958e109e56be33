package hausbau.core.exchange;

import static hausbau.core.TestSets.BENCH;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.kit.Piece;
import hausbau.core.kit.Pivot;
import hausbau.core.kit.Recipe;
import hausbau.core.kit.Role;
import java.util.List;
import org.junit.jupiter.api.Test;

class BillTest {

    @Test
    void aLineTellsCodeRoleSizeAndCount() {
        assertThat(Bill.csv(List.of(new Bill.Line(BENCH, 12))))
                .isEqualTo(
                        "code,role,name,width_mm,depth_mm,height_mm,count\r\nPRP-BENCH,prop,bench,1600,450,450,12\r\n");
    }

    /** RFC 4180, section 2: fields with commas, quotes or breaks are quoted, and quotes doubled. */
    @Test
    void oddNamesAreQuotedAndFormulasDisarmed() {
        assertThat(line("a, b")).contains(",\"a, b\",");
        assertThat(line("the \"old\" one")).contains(",\"the \"\"old\"\" one\",");
        assertThat(line("two\nlines")).contains(",\"two\nlines\",");
        assertThat(line("=SUM(A1)")).contains(",'=SUM(A1),");
    }

    private static String line(String name) {
        return Bill.csv(
                List.of(new Bill.Line(new Piece("X", name, Role.PROP, new Recipe.Bench(), Pivot.BASE_CENTRE), 1)));
    }
}
