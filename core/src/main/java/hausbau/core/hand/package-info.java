/**
 * What a hand does against the set that stands: letting a thing drop onto what is below it, holding it against a wall or under a
 * ceiling, disturbing what stands from a seed, and setting a strut between two points.
 */
package hausbau.core.hand;
