/** Where the sun stands. X is the plan's east, Y its north, Z up. */
package hausbau.core.daylight;
