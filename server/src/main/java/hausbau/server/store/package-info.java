/** Rows of the database, and the one place per aggregate where a row becomes a value of {@code hausbau.core}. */
package hausbau.server.store;
