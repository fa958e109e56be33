/**
 * Runs to pieces. A {@link hausbau.core.fit.Run} is cut into spans by what stands in it; every span must be a sum of
 * pieces, each a whole number of steps long. {@link hausbau.core.fit.KitPlanner} finds, for each number of kinds, the
 * set of kinds that builds all spans from the fewest pieces.
 *
 * <p>Filling one span from given kinds with the fewest pieces is the change-making problem, solved exactly by dynamic
 * programming over the span's steps (Wright 1975, "The change-making problem"). Choosing the kinds is a search over
 * sets, {@link hausbau.core.fit.KindSearch}, that cuts off what provably cannot beat the best set known.
 */
package hausbau.core.fit;
