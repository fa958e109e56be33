package hausbau.core.build;

/** One use of an assembly. */
public record Use(long id, long assembly, Stance stance) {
}
