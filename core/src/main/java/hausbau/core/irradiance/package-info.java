/** The light that bounces about a standing set: worked out by rays, kept as a coarse volume. Metres, lux, candela a square metre. */
package hausbau.core.irradiance;
