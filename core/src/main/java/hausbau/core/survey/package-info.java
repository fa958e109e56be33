/**
 * The checks. Each looks at the set as it stands and says what is wrong, where, why it matters, and what would mend it.
 * On the grid every check compares whole micrometres; only freely turned placements are tested in double precision, and
 * count as overlapping when they share more than a micrometre's depth.
 */
package hausbau.core.survey;
