package hausbau.server.journal;

import java.util.OptionalLong;

/**
 * What the maker of an edit tells about it.
 *
 * @param revision the revision of the site that they saw; the edit is refused where what it touches has been changed since by another
 * @param token    a word of theirs by which the edit is known if it comes twice; empty for none
 * @param isTrial  whether they only ask what it would do
 * @param maker    who they are: a browser's window says so by a word of its own; all who say nothing are one
 */
public record Seen(OptionalLong revision, String token, boolean isTrial, String maker) {

    public static final Seen NOT_TOLD = new Seen(OptionalLong.empty(), "", false, "");
}
