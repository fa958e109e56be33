package hausbau.server.http;

import hausbau.core.measure.Refused;
import java.util.OptionalLong;

/** The revision that an edit was made against, from {@code If-Match} (RFC 9110): {@code "12"}, or absent. */
final class Seen {

    private Seen() {
    }

    static OptionalLong revision(String ifMatch) {
        if (ifMatch == null || ifMatch.equals("*")) {
            return OptionalLong.empty();
        }
        if (!ifMatch.matches("\"\\d{1,18}\"")) {
            throw new Refused("If-Match", "If-Match takes the site's revision in quotes, such as \"12\".");
        }
        return OptionalLong.of(Long.parseLong(ifMatch.substring(1, ifMatch.length() - 1)));
    }
}
