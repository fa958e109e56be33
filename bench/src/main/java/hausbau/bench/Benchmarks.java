package hausbau.bench;

import java.util.Collection;
import java.util.Locale;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.results.format.ResultFormatType;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** Runs the benchmarks, keeps their result as JSON, and prints each as a ratio to its reference from the same run. */
public final class Benchmarks {

    private Benchmarks() {
    }

    /** @param args the file for the result, then, if wanted, a pattern for the benchmarks to run */
    public static void main(String[] args) throws RunnerException {
        var options = new OptionsBuilder().resultFormat(ResultFormatType.JSON).result(args[0]).shouldFailOnError(true)
                .include(args.length > 1 ? args[1] : "hausbau.bench.*");
        var results = new Runner(options.build()).run();
        System.out.println();
        print(results, "Kit plan: how many times as fast as the constraint solver", "fortyRunsByConstraintSolver", "fortyRuns");
        print(results, "Survey: times the bare self-join", "survey", "selfJoin");
        print(results, "Takeoff: times a general solve of the same system", "calibrateAndMeasure", "generalSolve");
        print(results, "Board of 200 pictures: times the same bytes as plain files", "openBoard", "plainFiles");
        print(results, "Placement: times the bare INSERT", "place", "bareInsert");
    }

    /** Pairs the two benchmarks by their parameters. */
    private static void print(Collection<RunResult> results, String title, String upper, String lower) {
        for (var over : results) {
            for (var under : results) {
                var sameCase = parameters(over).equals(parameters(under));
                if (sameCase && over.getPrimaryResult().getLabel().equals(upper) && under.getPrimaryResult().getLabel().equals(lower)) {
                    System.out.printf(Locale.ROOT, "%s %s: %.2f (%.3f over %.3f %s)%n", title, parameters(over), score(over) / score(under),
                            score(over), score(under), over.getPrimaryResult().getScoreUnit());
                }
            }
        }
    }

    private static double score(RunResult result) {
        return result.getPrimaryResult().getScore();
    }

    private static String parameters(RunResult result) {
        return result.getParams().getParamsKeys().stream().map(k -> k + " " + result.getParams().getParam(k)).toList().toString();
    }
}
