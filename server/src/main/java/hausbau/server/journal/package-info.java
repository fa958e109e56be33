/**
 * Edits. One edit is one transaction: it changes rows, appends itself with what the rows were before to the site's
 * journal, and raises the site's revision. Undo and redo walk the journal, so they outlive a restart.
 */
package hausbau.server.journal;
