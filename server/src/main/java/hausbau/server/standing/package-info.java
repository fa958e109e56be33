/** Computed sets, kept in memory by revision. */
package hausbau.server.standing;
