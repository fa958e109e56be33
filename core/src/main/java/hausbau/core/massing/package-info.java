/**
 * Rooms to walls, floors and runs. A room is a void over a right-angled {@link hausbau.core.massing.Outline}; walls are what
 * is left between and around the voids ({@link hausbau.core.massing.RoomWalls}). Each stretch of wall between two posts is a
 * {@link hausbau.core.massing.WallRun}, measured from left to right as seen from inside the room, so that an elevation reads
 * as one stands before it. Posts close what lies between stretches, so runs of a lone room are exactly its clear lengths.
 */
package hausbau.core.massing;
