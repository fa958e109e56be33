package hausbau.server.work;

import java.util.Collection;

/** Names that are not taken yet. */
public final class FreshName {

    private FreshName() {}

    /** @return the name wanted, or with the first number behind it that is free */
    public static String of(String wanted, Collection<String> taken) {
        if (!taken.contains(wanted)) {
            return wanted;
        }
        var base = wanted.replaceAll(" \\d+$", "");
        var name = base;
        for (var n = 2; taken.contains(name); n++) {
            name = base + " " + n;
        }
        return name;
    }
}
