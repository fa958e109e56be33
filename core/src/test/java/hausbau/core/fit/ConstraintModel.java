package hausbau.core.fit;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.LinearArgument;
import com.google.ortools.sat.LinearExpr;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/**
 * The kit plan as a general constraint model (OR-Tools CP-SAT): which lengths are used, and how many of each in each
 * span. The reference for the answers of the planner, and in the benchmarks for its speed.
 */
public final class ConstraintModel {

    private final CpModel model = new CpModel();

    /** @param fewest the least number of placements found, or -1 if none was */
    public record Answer(boolean proven, long fewest) {}

    /** @param spans and @param least and @param most in steps */
    public ConstraintModel(List<Integer> spans, int least, int most, int kinds) {
        Loader.loadNativeLibraries();
        var used = new ArrayList<BoolVar>();
        var all = LinearExpr.newBuilder();
        for (var length = least; length <= most; length++) {
            used.add(model.newBoolVar("used " + length));
        }
        model.addLessOrEqual(LinearExpr.sum(used.toArray(new LinearArgument[0])), kinds);
        for (var span : spans) {
            var sum = LinearExpr.newBuilder();
            for (var length = least; length <= most; length++) {
                var count = model.newIntVar(0, span / length, "count");
                sum.addTerm(count, length);
                all.add(count);
                model.addLessOrEqual(count, LinearExpr.term(used.get(length - least), span / length));
            }
            model.addEquality(sum, span);
        }
        model.minimize(all);
    }

    public Answer solve(Duration limit) {
        var solver = new CpSolver();
        solver.getParameters().setMaxTimeInSeconds(limit.toSeconds()).setNumWorkers(2);
        var status = solver.solve(model);
        var found = status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE;
        return new Answer(
                status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.INFEASIBLE,
                found ? Math.round(solver.objectiveValue()) : -1);
    }
}
