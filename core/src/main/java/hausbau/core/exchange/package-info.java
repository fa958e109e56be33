/**
 * Open formats. Only here do axes and units change: glTF is in metres with Y up, so a place (x, y, z) in micrometres
 * becomes (x, z, −y) / 10⁶, and a turn about Z becomes the same turn about Y.
 */
package hausbau.core.exchange;
