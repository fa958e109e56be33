package hausbau.bench;

import hausbau.core.measure.Length;
import hausbau.core.takeoff.Measured;
import hausbau.core.takeoff.Measuring;
import hausbau.core.takeoff.Perspective;
import hausbau.core.takeoff.Pixel;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.apache.commons.math3.linear.Array2DRowRealMatrix;
import org.apache.commons.math3.linear.ArrayRealVector;
import org.apache.commons.math3.linear.LUDecomposition;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * A plane calibrated by four corners, with its condition, and one length measured on it with its deviation, against a
 * general solve (LU) of the same 8 × 8 system, which gives the homography alone. On one core.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.NANOSECONDS)
@Fork(1)
@Warmup(iterations = 5, time = 1)
@Measurement(iterations = 5, time = 1)
public class TakeoffBench {

    private static final Length WIDTH = Length.ofMillimetres(4000);
    private static final Length HEIGHT = Length.ofMillimetres(2500);
    private static final double[][] RECTANGLE = {{0, 0}, {4000, 0}, {4000, 2500}, {0, 2500}};

    public List<Pixel> corners =
            List.of(new Pixel(210, 860), new Pixel(1330, 980), new Pixel(1250, 190), new Pixel(260, 280));
    public Pixel from = new Pixel(500, 700);
    public Pixel to = new Pixel(1000, 400);

    /** What keeps a result from being thrown away unread. */
    public record Answer(double condition, Measured length) {}

    @Benchmark
    public Answer calibrateAndMeasure() {
        var plane = new Perspective(corners, WIDTH, HEIGHT);
        return new Answer(plane.condition(), new Measuring(plane, 1).length(from, to));
    }

    @Benchmark
    public double[] generalSolve() {
        var a = new double[8][];
        var b = new double[8];
        for (var i = 0; i < 4; i++) {
            var x = corners.get(i).x();
            var y = corners.get(i).y();
            var u = RECTANGLE[i][0];
            var v = RECTANGLE[i][1];
            a[2 * i] = new double[] {x, y, 1, 0, 0, 0, -u * x, -u * y};
            a[2 * i + 1] = new double[] {0, 0, 0, x, y, 1, -v * x, -v * y};
            b[2 * i] = u;
            b[2 * i + 1] = v;
        }
        return new LUDecomposition(new Array2DRowRealMatrix(a, false))
                .getSolver()
                .solve(new ArrayRealVector(b, false))
                .toArray();
    }
}
