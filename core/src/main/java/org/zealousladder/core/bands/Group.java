package org.zealousladder.core.bands;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

/** How the scores of a group lie on some measures, from the scores themselves. */
public final class Group {
    private final double[][] columns;

    /** @param scores students by measures; NaN: none */
    public Group(double[][] scores) {
        int measures = scores.length == 0 ? 0 : scores[0].length;
        columns = IntStream.range(0, measures).mapToObj(m -> Arrays.stream(scores).mapToDouble(s -> s[m]).toArray()).toArray(double[][]::new);
    }

    /** Scores on a measure. */
    public int n(int measure) {
        return (int) Arrays.stream(columns[measure]).filter(Double::isFinite).count();
    }

    /** NaN without any. */
    public double mean(int measure) {
        return Arrays.stream(columns[measure]).filter(Double::isFinite).average().orElse(Double.NaN);
    }

    /** With n - 1; NaN for fewer than two. */
    public double sd(int measure) {
        double mean = mean(measure);
        return Math.sqrt(Arrays.stream(columns[measure]).filter(Double::isFinite).map(x -> (x - mean) * (x - mean)).sum() / (n(measure) - 1));
    }

    /** Students with both. */
    public int n(int one, int other) {
        return (int) both(one, other).count();
    }

    /** Pearson's, over who has both; empty where one of them does not differ. */
    public OptionalDouble correlation(int one, int other) {
        double a = both(one, other).mapToDouble(i -> columns[one][i]).average().orElse(0);
        double b = both(one, other).mapToDouble(i -> columns[other][i]).average().orElse(0);
        double ab = both(one, other).mapToDouble(i -> (columns[one][i] - a) * (columns[other][i] - b)).sum();
        double aa = both(one, other).mapToDouble(i -> (columns[one][i] - a) * (columns[one][i] - a)).sum();
        double bb = both(one, other).mapToDouble(i -> (columns[other][i] - b) * (columns[other][i] - b)).sum();
        return aa > 0 && bb > 0 ? OptionalDouble.of(ab / Math.sqrt(aa * bb)) : OptionalDouble.empty();
    }

    private IntStream both(int one, int other) {
        return IntStream.range(0, columns[one].length).filter(i -> Double.isFinite(columns[one][i]) && Double.isFinite(columns[other][i]));
    }
}
