package hausbau.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.LinearArgument;
import com.google.ortools.sat.LinearExpr;
import hausbau.core.measure.Length;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;

/** The kit plan against a general constraint solver (OR-Tools CP-SAT) given the same problem. */
class ConstraintModelTest {

    @BeforeAll
    static void load() {
        Loader.loadNativeLibraries();
    }

    @RepeatedTest(12)
    void agreesWithAConstraintSolver(RepetitionInfo repetition) {
        var random = new Random(100 + repetition.getCurrentRepetition());
        var spans = new ArrayList<Integer>();
        for (var i = 0; i < 3 + random.nextInt(4); i++) {
            spans.add(8 + random.nextInt(40));
        }
        var kinds = 1 + random.nextInt(3);
        var runs = spans.stream().map(s -> new Run("r", Length.ofMillimetres(s * 100L), List.of())).toList();
        var plan = new KitPlanner(Duration.ofMinutes(1)).plan(new KitQuestion(Length.ofMillimetres(100),
                Length.ofMillimetres(200), Length.ofMillimetres(1600), kinds, runs));
        var solved = solve(spans, 2, 16, kinds);
        if (solved < 0) {
            assertThat(plan.options()).isEmpty();
        } else {
            assertThat(plan.options().get(plan.options().size() - 1).placements()).isEqualTo(solved);
        }
    }

    /** The general model: which lengths are used, and how many of each in each span. */
    private static long solve(List<Integer> spans, int least, int most, int kinds) {
        var model = new CpModel();
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
        var solver = new CpSolver();
        solver.getParameters().setMaxTimeInSeconds(60).setNumWorkers(2);
        var status = solver.solve(model);
        assertThat(status).isIn(CpSolverStatus.OPTIMAL, CpSolverStatus.INFEASIBLE);
        return status == CpSolverStatus.OPTIMAL ? Math.round(solver.objectiveValue()) : -1;
    }
}
