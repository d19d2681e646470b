package org.zealousladder.bench;

import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.apache.commons.math3.stat.regression.SimpleRegression;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.decisions.Proposer;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.LeastSquares;

/**
 * Trend, goal and decision of one series of 12 points, against Commons Math's regression with its slope interval alone on
 * the same data.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class FitBenchmark {
    private static final int POINTS = 12;

    private final double[] weeks = new double[POINTS];
    private final double[] scores = new double[POINTS];
    private final GoalLine goal = new GoalLine(0, 50, 30, 90, Direction.HIGHER_IS_BETTER);
    private final Proposer proposer = new Proposer(RuleSettings.standard(Rule.CHANCE), LeastSquares::fit);

    public FitBenchmark() {
        Random random = new Random(1);
        for (int i = 0; i < POINTS; i++) {
            weeks[i] = i;
            scores[i] = 50 + 1.2 * i + 4 * random.nextGaussian();
        }
    }

    @Benchmark
    public void trendGoalAndDecision(Blackhole sink) {
        ScoreSeries series = ScoreSeries.of(weeks, scores);
        sink.consume(proposer.propose(series, proposer.fit(series), goal, 12));
    }

    @Benchmark
    public void commonsMathRegression(Blackhole sink) {
        SimpleRegression regression = new SimpleRegression();
        for (int i = 0; i < POINTS; i++) {
            regression.addData(weeks[i], scores[i]);
        }
        sink.consume(regression.getSlope());
        sink.consume(regression.getIntercept());
        sink.consume(regression.getSlopeStdErr());
        sink.consume(regression.getSlopeConfidenceInterval());
    }

    /** Runs both and prints the ratio. */
    public static void main(String[] args) throws Exception {
        double ours = 0;
        double theirs = 0;
        for (RunResult r : new Runner(new OptionsBuilder().include(FitBenchmark.class.getSimpleName())
                .verbosity(org.openjdk.jmh.runner.options.VerboseMode.SILENT).build()).run()) {
            double score = r.getPrimaryResult().getScore();
            if (r.getPrimaryResult().getLabel().startsWith("trend")) {
                ours = score;
            } else {
                theirs = score;
            }
        }
        System.out.printf(java.util.Locale.ROOT, "fit: %.0f series a second, Commons Math %.0f: ratio %.1f (budget: at least 10)%n", ours, theirs,
                ours / theirs);
    }
}
