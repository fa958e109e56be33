/**
 * Picture geometry: from points picked on a picture to measured sizes.
 *
 * <p>A picture's pixels run right (x) and down (y) from its upper left corner. A flat thing in it, a wall or a floor, is a
 * {@link hausbau.core.takeoff.PlaneMap plane} with axes of its own in millimetres, x right and y up. A plane seen square
 * on is a scaled copy of the picture ({@link hausbau.core.takeoff.Flat}); one seen in perspective is its image under a
 * homography ({@link hausbau.core.takeoff.Perspective}).
 *
 * <p>Every pick is off by an independent error with the same deviation along both axes of the picture. What is measured
 * carries the deviation that follows from it to first order (JCGM 100:2008, 5.1.2), the picks of the calibration
 * included.
 */
package hausbau.core.takeoff;
