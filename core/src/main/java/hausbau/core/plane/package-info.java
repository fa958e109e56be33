/**
 * Right-angled regions of the plan, exactly, in whole micrometres: what massing reckons with.
 *
 * <p>A {@link hausbau.core.plane.Region} is kept as bands from south to north, each with its stretches from west to east.
 * That form is unique, so that two regions are equal exactly when they cover the same ground, and every operation is one
 * sweep over the bands of both. Points on an edge belong to no side: only area counts.
 */
package hausbau.core.plane;
