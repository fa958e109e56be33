package hausbau.bench;

import java.util.Collection;
import java.util.Comparator;
import java.util.Locale;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.results.format.ResultFormatType;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** Runs the benchmarks, keeps their result as JSON, and prints each as a ratio to its reference from the same run. */
public final class Benchmarks {

    private Benchmarks() {}

    /** @param args the file for the result, then, if wanted, a pattern for the benchmarks to run */
    public static void main(String[] args) throws RunnerException {
        var options = new OptionsBuilder()
                .resultFormat(ResultFormatType.JSON)
                .result(args[0])
                .shouldFailOnError(true)
                .include(args.length > 1 ? args[1] : "hausbau.bench.*");
        var results = new Runner(options.build()).run();
        System.out.println();
        print(
                results,
                "Kit plan: how many times as fast as the constraint solver",
                "fortyRunsByConstraintSolver",
                "fortyRuns");
        print(results, "Survey: times the bare self-join", "survey", "selfJoin");
        print(results, "Takeoff: times a general solve of the same system", "calibrateAndMeasure", "generalSolve");
        print(results, "Board of 200 pictures: times the same bytes as plain files", "openBoard", "plainFiles");
        print(
                results,
                "Set from nothing, indexed and written: times a plain loop",
                "computedIndexedAndWritten",
                "plainLoop");
        print(results, "Walls of a building: times union and difference by JTS", "walls", "unionAndDifferenceByJts");
        print(
                results,
                "A field of 100 000 changed in pitch: times its stances into arrays",
                "pitchChanged",
                "stancesIntoArrays");
        print(results, "50 000 strewn: times darts into a grid", "strewn", "dartsIntoAGrid");
        print(
                results,
                "The mesh of a pattern wall of 40 parts: times that of 40 plain blocks",
                "patternWall",
                "plainBlocks");
        print(
                results,
                "An OBJ of a million triangles brought in: times the reading library alone",
                "broughtIn",
                "readByTheLibraryAlone");
        growth(results, "One edge dragged", "dragged");
        growth(results, "One piece more, followed", "followed");
        growth(results, "One piece more, surveyed and tallied", "followedSurveyedAndTallied");
        growth(results, "One placement, request to answer", "place");
        print(results, "One placement: times the same statements by plain JDBC", "place", "sameStatementsByPlainJdbc");
        print(results, "A thousand moved: times one moved", "moveAThousand", "moveOne");
        print(results, "A kit for some 20 000: times a COPY of as many rows", "chooseAKit", "copyTwentyThousandRows");
    }

    /** Pairs the two benchmarks by their parameters. */
    private static void print(Collection<RunResult> results, String title, String upper, String lower) {
        for (var over : results) {
            for (var under : results) {
                var sameCase = parameters(over).equals(parameters(under));
                if (sameCase
                        && over.getPrimaryResult().getLabel().equals(upper)
                        && under.getPrimaryResult().getLabel().equals(lower)) {
                    System.out.printf(
                            Locale.ROOT,
                            "%s %s: %.2f (%.3f over %.3f %s)%n",
                            title,
                            parameters(over),
                            score(over) / score(under),
                            score(over),
                            score(under),
                            over.getPrimaryResult().getScoreUnit());
                }
            }
        }
    }

    /** How many times what it takes with the fewest pieces it takes with the most. */
    private static void growth(Collection<RunResult> results, String title, String label) {
        var all = results.stream()
                .filter(r -> r.getPrimaryResult().getLabel().equals(label))
                .sorted(Comparator.comparingInt(
                        r -> Integer.parseInt(r.getParams().getParam("pieces"))))
                .toList();
        if (all.size() > 1) {
            var few = all.get(0);
            var many = all.get(all.size() - 1);
            System.out.printf(
                    Locale.ROOT,
                    "%s, at %s against %s: %.2f (%.3f over %.3f %s)%n",
                    title,
                    many.getParams().getParam("pieces"),
                    few.getParams().getParam("pieces"),
                    score(many) / score(few),
                    score(many),
                    score(few),
                    few.getPrimaryResult().getScoreUnit());
        }
    }

    private static double score(RunResult result) {
        return result.getPrimaryResult().getScore();
    }

    private static String parameters(RunResult result) {
        return result.getParams().getParamsKeys().stream()
                .map(k -> k + " " + result.getParams().getParam(k))
                .toList()
                .toString();
    }
}
