package hausbau.server.store.light;

import hausbau.core.light.Mood;
import hausbau.server.store.Millimetres;
import hausbau.server.store.NamedRow;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;

/** A setting of light under a name. */
@Entity
@Table(name = "mood")
public class MoodRow extends NamedRow {

    private static final int VERSION = 1;

    /** Which of those it is that every site comes with, from 1; 0 for one that was made. */
    int given;

    protected MoodRow() {}

    public MoodRow(long id, long siteId, String name, Mood mood, int given) {
        super(id, siteId, name, write(mood));
        this.given = given;
    }

    public int given() {
        return given;
    }

    public void set(Mood mood) {
        words = write(mood);
    }

    private static String write(Mood mood) {
        return Millimetres.JSON.writeValueAsString(Millimetres.JSON
                .createObjectNode()
                .put("version", VERSION)
                .set("mood", Millimetres.JSON.valueToTree(MoodWords.of(mood))));
    }

    public Mood toMood() {
        var json = Millimetres.JSON.readTree(words);
        var version = json.get("version").asInt();
        if (version != VERSION) {
            throw new IllegalArgumentException("a mood of version " + version + " cannot be read");
        }
        var even = Mood.usual().values().iterator().next();
        return Millimetres.JSON.treeToValue(json.get("mood"), MoodWords.class).over(even);
    }
}
