/**
 * Rooms to walls, floors and runs. A room is a void: its clear width (X), depth (Y) and height are typed, and walls
 * stand outside it. Each side is a {@link hausbau.core.massing.WallRun}, measured from left to right as seen from
 * inside the room, so that an elevation reads as one stands before it. Square posts of the wall's thickness close the
 * corners, so runs are exactly the clear lengths.
 */
package hausbau.core.massing;
