/** What a ray meets among many triangles. Metres, single precision. */
package hausbau.core.ray;
