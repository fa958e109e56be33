package hausbau.core.standing;

import hausbau.core.place.Stance;

/** One use of an assembly. */
public record Use(long id, long assembly, Stance stance) {}
