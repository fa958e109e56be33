package hausbau.server.journal;

import java.util.OptionalLong;

/**
 * What the maker of an edit tells about it.
 *
 * @param revision the revision of the site that they saw; the edit is refused where what it touches has changed since
 * @param token    a word of theirs by which the edit is known if it comes twice; empty for none
 * @param isTrial  whether they only ask what it would do
 */
public record Seen(OptionalLong revision, String token, boolean isTrial) {

    public static final Seen NOT_TOLD = new Seen(OptionalLong.empty(), "", false);
}
