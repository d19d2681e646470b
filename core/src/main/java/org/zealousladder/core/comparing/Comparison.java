package org.zealousladder.core.comparing;

import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Interval;
import org.zealousladder.core.summary.Means;
import org.zealousladder.core.summary.Shares;

/**
 * One figure on two sides. Where the same people stand on both, those who have both values are told of, on either side; else everybody on their side.
 *
 * <ul>
 * <li>Means of two or more people: Welch's interval, or Student's of the pairs ({@link Means}).
 * <li>One score of one person on each side: the normal interval of a difference of two scores with the measure's standard error of measurement,
 * {@code 1.96 * sqrt(2) * SEM}; none where the measure states no SEM.
 * <li>Shares of people or of counts: Newcombe's intervals ({@link Shares}).
 * </ul>
 *
 * @param first null where nothing is on record there
 * @param firstN people for {@link FigureKind#MEAN} and {@link FigureKind#PEOPLE}, answers or pieces for {@link FigureKind#COUNTS}
 * @param difference second minus first, with its 95 % interval; empty where the counts give none
 * @param paired whether the same people stand on both sides
 */
public record Comparison(@Nullable Double first, int firstN, @Nullable Double second, int secondN, Optional<Interval> difference, boolean paired) {
    /** 97.5 % point of the normal distribution. */
    private static final double Z = 1.959963984540054;

    /** Whether the counts settle that there is a difference. */
    public boolean settles() {
        return difference.filter(d -> d.low() > 0 || d.high() < 0).isPresent();
    }

    /**
     * @param first what each person, by number, brings to the first side, @param second to the second
     * @param same whether the same people stand on both sides
     * @param sem standard error of measurement of a person's value, in its unit; null where none is stated
     */
    public static Comparison of(FigureKind kind, Map<Integer, Tally> first, Map<Integer, Tally> second, boolean same, @Nullable Double sem) {
        if (kind == FigureKind.COUNTS) {
            return counts(first.values(), second.values(), same);
        }
        TreeSet<Integer> one = new TreeSet<>(first.keySet());
        TreeSet<Integer> other = new TreeSet<>(second.keySet());
        if (same) {
            one.retainAll(second.keySet());
            other.retainAll(first.keySet());
        }
        double[] a = values(one, first);
        double[] b = values(other, second);
        if (a.length == 0 || b.length == 0) {
            return new Comparison(a.length == 0 ? null : (Double) Means.mean(a), a.length, b.length == 0 ? null : (Double) Means.mean(b), b.length,
                    Optional.empty(), same);
        }
        Optional<Interval> difference = kind == FigureKind.PEOPLE ? people(a, b, same) : means(a, b, same, sem);
        return new Comparison(Means.mean(a), a.length, Means.mean(b), b.length, difference, same);
    }

    private static double[] values(Collection<Integer> people, Map<Integer, Tally> of) {
        return people.stream().map(of::get).filter(t -> t != null).mapToDouble(Tally::mean).toArray();
    }

    private static Optional<Interval> means(double[] a, double[] b, boolean same, @Nullable Double sem) {
        if (a.length == 1 && b.length == 1) {
            double d = b[0] - a[0];
            return sem == null ? Optional.empty() : Optional.of(new Interval(d, d - Z * Math.sqrt(2) * sem, d + Z * Math.sqrt(2) * sem));
        }
        return same ? Means.pairedDifference(b, a) : Means.difference(b, a);
    }

    /** Of a single person a share says nothing. */
    private static Optional<Interval> people(double[] a, double[] b, boolean same) {
        if (a.length == 1 || b.length == 1) {
            return Optional.empty();
        }
        if (!same) {
            return Optional.of(Shares.difference(sum(b), b.length, sum(a), a.length));
        }
        int[] n = new int[4];
        for (int i = 0; i < a.length; i++) {
            n[(b[i] > 0 ? 0 : 2) + (a[i] > 0 ? 0 : 1)]++;
        }
        return Optional.of(Shares.pairedDifference(n[0], n[1], n[2], n[3]));
    }

    private static double sum(double[] values) {
        double sum = 0;
        for (double v : values) {
            sum += v;
        }
        return sum;
    }

    private static Comparison counts(Collection<Tally> first, Collection<Tally> second, boolean same) {
        int n = (int) Math.round(total(first, Tally::n));
        int m = (int) Math.round(total(second, Tally::n));
        double k = Math.min(n, total(first, Tally::sum));
        double l = Math.min(m, total(second, Tally::sum));
        return new Comparison(n == 0 ? null : (Double) (k / n), n, m == 0 ? null : (Double) (l / m), m,
                n == 0 || m == 0 ? Optional.empty() : Optional.of(Shares.difference(l, m, k, n)), same);
    }

    private static double total(Collection<Tally> all, ToDoubleFunction<Tally> of) {
        return all.stream().mapToDouble(of).sum();
    }
}
