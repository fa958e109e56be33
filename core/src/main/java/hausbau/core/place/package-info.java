/**
 * Where single things stand. A {@link hausbau.core.place.Stance} says where a piece stands and how it is turned, a
 * {@link hausbau.core.place.Place} is a standing piece's lasting identity, a {@link hausbau.core.place.Source} what it came
 * from, a {@link hausbau.core.place.Departure} what a hand changed there, and a {@link hausbau.core.place.HandPlacement} what a
 * hand set down. Lengths are whole micrometres in the site's frame: X east, Y north, Z up.
 */
package hausbau.core.place;
