package hausbau.server.store;

/** A row that edits change and the journal keeps. */
public interface Row {

    Long getId();
}
