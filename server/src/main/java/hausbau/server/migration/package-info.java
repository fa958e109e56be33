/** Migrations that need more than SQL. */
package hausbau.server.migration;
