/**
 * Pieces. A {@link hausbau.core.kit.Recipe} says what a piece is made of, in its natural frame: least corner at the
 * origin, X along the piece, Y into its depth, Z up; for walls the face toward the room lies at Y = 0. A
 * {@link hausbau.core.kit.Piece} adds a code, a role and a {@link hausbau.core.kit.Pivot}; its own frame has the pivot
 * at the origin.
 */
package hausbau.core.kit;
