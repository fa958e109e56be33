package hausbau.core.exchange;

import static hausbau.core.TestSets.BENCH;
import static hausbau.core.TestSets.byHand;
import static hausbau.core.TestSets.door;
import static hausbau.core.TestSets.kit;
import static hausbau.core.TestSets.massing;
import static hausbau.core.TestSets.room;
import static hausbau.core.TestSets.set;
import static org.assertj.core.api.Assertions.assertThat;

import hausbau.core.massing.Side;
import hausbau.core.place.Hands;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.StandingSet;
import java.io.StringReader;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Element;
import org.xml.sax.InputSource;

/** The picture read back by the JDK's own XML parser. */
class PlanPictureTest {

    private static List<Element> rectangles(String svg) throws Exception {
        var list = DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new InputSource(new StringReader(svg)))
                .getElementsByTagName("rect");
        return IntStream.range(0, list.getLength())
                .mapToObj(i -> (Element) list.item(i))
                .toList();
    }

    private static double number(Element e, String name) {
        return Double.parseDouble(e.getAttribute(name));
    }

    /** A room of 4.6 × 2.6 m within walls of 0.2 m is 5 × 3 m outside: fitted to 116 × 76 within 100 × 60 it is 20 pixels a metre. */
    @Test
    void itIsFittedToItsSize() throws Exception {
        var rooms = massing(List.of(room(1, 0, 0, 4600, 2600)), door(1, Side.SOUTH, 1000, 900));
        var all =
                rectangles(PlanPicture.of(set(rooms, kit(rooms, 1000, 100), byHand(1, BENCH, 2000, 1000, 0)), 116, 76));
        var clear = all.get(0);
        assertThat(number(clear, "width")).isEqualTo(92);
        assertThat(number(clear, "height")).isEqualTo(52);
        assertThat(number(clear, "x")).isEqualTo(4);
        // A bench of 1.6 × 0.45 m, its middle 2.2 m from the outer west wall and 1.2 m from the outer south wall.
        var bench = all.get(all.size() - 1);
        assertThat(number(bench, "width")).isEqualTo(32);
        assertThat(number(bench, "height")).isEqualTo(9);
        assertThat(number(bench, "x")).isEqualTo(28);
        assertThat(number(bench, "y")).isEqualTo(-28.5);
    }

    @Test
    void aSiteWithoutARoomIsAnEmptyPicture() throws Exception {
        assertThat(rectangles(PlanPicture.of(
                        StandingSet.of(new Decisions(massing(List.of()), Optional.empty(), Hands.EMPTY, Map.of())),
                        116,
                        76)))
                .isEmpty();
    }
}
