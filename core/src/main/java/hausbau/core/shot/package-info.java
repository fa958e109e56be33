/**
 * Viewpoints, and what is seen from them. Places are millimetres in double precision, X east, Y north, Z up. A picture is
 * drawn by a depth buffer (E. Catmull, A Subdivision Algorithm for Computer Display of Curved Surfaces, 1974): exact to the
 * pixel's middle, the same on every machine.
 */
package hausbau.core.shot;
