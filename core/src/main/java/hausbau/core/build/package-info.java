/**
 * The set: placements, how they come about and how they are set down. A {@link hausbau.core.build.Stance} says where
 * and how a piece stands; {@link hausbau.core.build.Derivation} builds the rooms from the kit;
 * {@link hausbau.core.build.Snapping} sets down what a hand places; {@link hausbau.core.build.Tally} counts the cost.
 */
package hausbau.core.build;
