/**
 * Moving things that stand: by an offset, by quarter turns, mirrored, in line with one another, snapped to the step and to what
 * stands beside them. Everything is a function from stances to stances; nothing here knows the standing set.
 */
package hausbau.core.arrange;
