package hausbau.core.fit;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.LinearArgument;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The plan in tiers as a general constraint model (OR-Tools CP-SAT), written from the contract's words and apart from the planner:
 * which kinds are used, how each wall is cut, and how many of each kind lie in each stretch. All in steps.
 */
final class TierModel {

    record Opening(int at, int length, int sill, int height) {}

    record Wall(int length, int height, List<Opening> openings) {}

    private final CpModel model = new CpModel();
    private final Map<List<Integer>, BoolVar> used =
            new TreeMap<>((a, b) -> a.toString().compareTo(b.toString()));
    private final LinearExprBuilder all = LinearExpr.newBuilder();
    private final int leastPiece;
    private final int greatestPiece;
    private int panels;

    private TierModel(int leastPiece, int greatestPiece) {
        this.leastPiece = leastPiece;
        this.greatestPiece = greatestPiece;
    }

    /** The fewest placements with at most so many kinds; −1 if there are too few. */
    static long fewest(
            List<Wall> walls, int leastPiece, int greatestPiece, int leastTier, int greatestTier, int kinds) {
        Loader.loadNativeLibraries();
        var of = new TierModel(leastPiece, greatestPiece);
        for (var wall : walls) {
            of.panels += wall.openings().size();
            var ways = new ArrayList<List<Integer>>();
            ways(wall.height(), leastTier, greatestTier, List.of(0), ways);
            var chosen = new ArrayList<LinearArgument>();
            for (var joints : ways) {
                if (of.isAllowed(wall, joints)) {
                    chosen.add(of.build(wall, joints));
                }
            }
            of.model.addEquality(LinearExpr.sum(chosen.toArray(new LinearArgument[0])), 1);
        }
        of.model.addLessOrEqual(LinearExpr.sum(of.used.values().toArray(new LinearArgument[0])), kinds);
        of.model.minimize(of.all);
        var solver = new CpSolver();
        solver.getParameters().setNumWorkers(1);
        return solver.solve(of.model) == CpSolverStatus.OPTIMAL ? Math.round(solver.objectiveValue()) + of.panels : -1;
    }

    private static void ways(int height, int least, int greatest, List<Integer> joints, List<List<Integer>> found) {
        var top = joints.get(joints.size() - 1);
        if (top == height) {
            found.add(joints);
            return;
        }
        for (var tier = least; tier <= greatest && top + tier <= height; tier++) {
            var with = new ArrayList<>(joints);
            with.add(top + tier);
            ways(height, least, greatest, with, found);
        }
    }

    private static boolean crosses(Opening o, int foot, int top) {
        return Math.max(o.sill(), foot) < Math.min(o.sill() + o.height(), top);
    }

    /** Whether no tier has two panels that lie over one another. */
    private boolean isAllowed(Wall wall, List<Integer> joints) {
        for (var i = 1; i < joints.size(); i++) {
            var taken = new boolean[wall.length()];
            for (var o : wall.openings()) {
                if (crosses(o, joints.get(i - 1), joints.get(i))) {
                    for (var x = o.at(); x < o.at() + o.length(); x++) {
                        if (taken[x]) {
                            return false;
                        }
                        taken[x] = true;
                    }
                }
            }
        }
        return true;
    }

    private BoolVar used(List<Integer> kind) {
        return used.computeIfAbsent(kind, k -> model.newBoolVar(k.toString()));
    }

    private BoolVar build(Wall wall, List<Integer> joints) {
        var chosen = model.newBoolVar("cut");
        for (var o : wall.openings()) {
            var foot = joints.stream()
                    .filter(j -> j <= o.sill())
                    .mapToInt(j -> j)
                    .max()
                    .orElseThrow();
            var top = joints.stream()
                    .filter(j -> j >= o.sill() + o.height())
                    .mapToInt(j -> j)
                    .min()
                    .orElseThrow();
            model.addImplication(chosen, used(List.of(-1, o.length(), o.height(), o.sill() - foot, top - foot)));
        }
        for (var i = 1; i < joints.size(); i++) {
            var run = 0;
            for (var x = 0; x <= wall.length(); x++) {
                if (x < wall.length() && !isTaken(wall, x, joints.get(i - 1), joints.get(i))) {
                    run++;
                } else if (run > 0) {
                    fill(chosen, run, joints.get(i) - joints.get(i - 1));
                    run = 0;
                }
            }
        }
        return chosen;
    }

    private static boolean isTaken(Wall wall, int x, int foot, int top) {
        return wall.openings().stream().anyMatch(o -> crosses(o, foot, top) && x >= o.at() && x < o.at() + o.length());
    }

    private void fill(BoolVar chosen, int span, int height) {
        var sum = LinearExpr.newBuilder();
        for (var length = leastPiece; length <= Math.min(greatestPiece, span); length++) {
            var count = model.newIntVar(0, span / length, "count");
            sum.addTerm(count, length);
            all.add(count);
            model.addLessOrEqual(count, LinearExpr.term(used(List.of(length, height)), span / length));
        }
        sum.addTerm(chosen, -span);
        model.addEquality(sum, 0);
    }
}
