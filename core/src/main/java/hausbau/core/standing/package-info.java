/**
 * The standing set, computed. A {@link hausbau.core.standing.Generator} turns decisions into standing pieces, repeats and uses
 * of assemblies among them; {@link hausbau.core.standing.StandingSet} holds what all generators made, in
 * {@link hausbau.core.standing.Chunk}s of columns, and follows an edit by running only those whose inputs it changed.
 */
package hausbau.core.standing;
