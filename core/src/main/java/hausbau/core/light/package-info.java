/** The light that a set is seen in: sky, sun, air and exposure. X is the plan's east, Y its north, Z up; luminance in cd/m², illuminance in lux. */
package hausbau.core.light;
