/** What the application does: each service opens a transaction, asks {@code hausbau.core} for the rule, and keeps the result. */
package hausbau.server.work;
