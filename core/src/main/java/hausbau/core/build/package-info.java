/**
 * The set that stands, computed. A {@link hausbau.core.build.Generator} turns decisions into standing pieces;
 * {@link hausbau.core.build.StandingSet} holds what all of them made, in {@link hausbau.core.build.Chunk}s of columns, and
 * follows an edit by running only those whose inputs it changed. A {@link hausbau.core.build.Place} is a standing piece's
 * lasting identity, a {@link hausbau.core.build.Departure} what a hand changed there. A
 * {@link hausbau.core.build.Stance} says where and how a piece stands; {@link hausbau.core.build.Snapping} sets down what
 * a hand places; {@link hausbau.core.build.Tally} counts the cost.
 */
package hausbau.core.build;
