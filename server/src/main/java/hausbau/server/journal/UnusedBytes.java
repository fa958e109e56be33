package hausbau.server.journal;

import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Pictures and meshes are kept beside the rows that name them, so that undo finds them again. Those that neither a row nor an entry
 * of the journal names are deleted a day after they came: until then they may be on their way into an edit.
 *
 * <p>JSON is searched as text for the number of a picture as a value. Another number that happens to be the same keeps the picture
 * longer; none is lost by it.
 */
@Component
class UnusedBytes {

    private static final String MEDIA =
            """
            delete from media m
            where m.site_id = ? and m.made_at < now() - interval '1 day'
              and not exists (select from board_item b where b.site_id = m.site_id and b.media_id = m.id)
              and not exists (
                select from (
                    select words from colourway where site_id = m.site_id
                    union all select words from shared_sheet where site_id = m.site_id
                    union all select changes from journal where site_id = m.site_id) named(by)
                where named.by ~ ('[:,[] *' || m.id || ' *[],}]'))
            """;

    private static final String SHELLS =
            """
            delete from shell s
            where s.site_id = ? and s.made_at < now() - interval '1 day'
              and not exists (
                select from (
                    select p::text from piece p where p.site_id = s.site_id
                    union all select changes from journal where site_id = s.site_id) named(by)
                where position(s.digest in named.by) > 0)
            """;

    private final JdbcTemplate jdbc;

    UnusedBytes(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    void forget(long siteId) {
        jdbc.update(MEDIA, siteId);
        jdbc.update(SHELLS, siteId);
    }
}
