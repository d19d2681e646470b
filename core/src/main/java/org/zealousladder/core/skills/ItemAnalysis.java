package org.zealousladder.core.skills;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * How the items of a check do, by classical test theory, on those who were given all of them.
 *
 * <p>L. J. Cronbach (1951), Coefficient alpha and the internal structure of tests, Psychometrika 16, 297-334; S. Henrysson (1963), Correction of item-total
 * correlations in item analysis, Psychometrika 28, 211-218 (an item against the rest); T. L. Kelley (1939), The selection of upper and lower groups for the
 * validation of test items, J. Educ. Psychol. 30, 17-24 (27 %).
 */
public final class ItemAnalysis {
    /** Under so many students there are counts only. */
    public static final int FEWEST = 20;
    private static final double GROUP = 0.27;
    private static final double THIRD = 1.0 / 3;
    private static final double LOW_REST = 0.15;
    private static final double HARD = 0.20;
    private static final double EASY = 0.95;

    /**
     * An item.
     *
     * @param n how many were given it
     * @param shareRight points earned of those possible
     * @param itemRest correlation of its points with the points of all others; empty for few students, or where one of the two does not vary
     * @param upper share right among the upper 27 % by total, @param lower among the lower; empty for few students
     * @param reasons why it is worth a look; empty for a good item, and for few students
     */
    public record Item(int n, double shareRight, OptionalDouble itemRest, OptionalDouble upper, OptionalDouble lower, List<ItemReason> reasons) {}

    private final double[][] points;
    private final double[] possible;
    private final @Nullable String[][] answers;
    private final int[] whole;
    private final double[] totals;

    /**
     * @param points students by items; NaN where a student was not given the item
     * @param possible of each item, above 0
     * @param answers students by items, as they were given; null where none is told
     */
    public ItemAnalysis(double[][] points, double[] possible, @Nullable String[][] answers) {
        this.points = points;
        this.possible = possible;
        this.answers = answers;
        whole = IntStream.range(0, points.length).filter(s -> Arrays.stream(points[s]).noneMatch(Double::isNaN)).toArray();
        totals = Arrays.stream(whole).mapToDouble(s -> Arrays.stream(points[s]).sum()).toArray();
    }

    /** Those who were given every item. */
    public int students() {
        return whole.length;
    }

    /** Cronbach's alpha; empty for few students, one item, or totals that do not vary. */
    public OptionalDouble alpha() {
        int k = possible.length;
        double all = variance(totals);
        if (whole.length < FEWEST || k < 2 || all <= 0) {
            return OptionalDouble.empty();
        }
        double parts = IntStream.range(0, k).mapToDouble(i -> variance(column(i))).sum();
        return OptionalDouble.of(k / (k - 1.0) * (1 - parts / all));
    }

    /** Standard error of measurement of the total, in points; empty where there is no alpha. */
    public OptionalDouble sem() {
        OptionalDouble alpha = alpha();
        return alpha.isEmpty() ? alpha : OptionalDouble.of(Math.sqrt(variance(totals) * (1 - Math.min(1, alpha.getAsDouble()))));
    }

    /** By place. */
    public Item item(int i) {
        double[] given = IntStream.range(0, points.length).mapToDouble(s -> points[s][i]).filter(p -> !Double.isNaN(p)).toArray();
        double share = given.length == 0 ? 0 : Arrays.stream(given).average().orElse(0) / possible[i];
        if (whole.length < FEWEST) {
            return new Item(given.length, share, OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty(), List.of());
        }
        double[] own = column(i);
        double[] rest = IntStream.range(0, whole.length).mapToDouble(s -> totals[s] - own[s]).toArray();
        OptionalDouble itemRest = correlation(own, rest);
        int group = (int) Math.round(GROUP * whole.length);
        int[] order = byTotal();
        return new Item(given.length, share, itemRest, OptionalDouble.of(mean(own, order, 0, group) / possible[i]),
                OptionalDouble.of(mean(own, order, order.length - group, order.length) / possible[i]), reasons(i, share, itemRest, order));
    }

    private List<ItemReason> reasons(int i, double share, OptionalDouble itemRest, int[] order) {
        List<ItemReason> reasons = new ArrayList<>();
        if (itemRest.isPresent() && itemRest.getAsDouble() < LOW_REST) {
            reasons.add(ItemReason.LOW_ITEM_REST);
        }
        if (share < HARD) {
            reasons.add(ItemReason.TOO_HARD);
        } else if (share > EASY) {
            reasons.add(ItemReason.TOO_EASY);
        }
        if (upperPrefersWrong(i, order)) {
            reasons.add(ItemReason.UPPER_PREFERS_WRONG);
        }
        return reasons;
    }

    /**
     * One answer to an item, by how its givers did on the whole check.
     *
     * @param answer null: left out
     * @param right whether it earned all points
     * @param n how many gave it
     * @param upper of the upper third by total, @param middle of the middle, @param lower of the lower; all 0 for few students
     */
    public record Given(@Nullable String answer, boolean right, int n, int upper, int middle, int lower) {}

    /** The answers to an item, right ones first, then the most frequent. */
    public List<Given> given(int i) {
        Map<String, int[]> counts = new LinkedHashMap<>();
        int[] order = byTotal();
        int third = (int) Math.round(THIRD * order.length);
        int[] place = new int[points.length];
        Arrays.fill(place, -1);
        for (int k = 0; k < order.length && whole.length >= FEWEST; k++) {
            place[whole[order[k]]] = k < third ? 1 : k >= order.length - third ? 3 : 2;
        }
        for (int s = 0; s < points.length; s++) {
            if (!Double.isNaN(points[s][i])) {
                boolean right = points[s][i] >= possible[i];
                int[] c = counts.computeIfAbsent((right ? "+" : "-") + (answers[s][i] == null ? "" : "=" + answers[s][i]), a -> new int[4]);
                c[0]++;
                if (place[s] > 0) {
                    c[place[s]]++;
                }
            }
        }
        return counts.entrySet().stream()
                .map(e -> new Given(e.getKey().length() < 2 ? null : e.getKey().substring(2), e.getKey().startsWith("+"), e.getValue()[0],
                        e.getValue()[1], e.getValue()[2], e.getValue()[3]))
                .sorted(Comparator.comparing((Given g) -> !g.right()).thenComparing(g -> -g.n())).toList();
    }

    /** Whether more of the upper third gave one wrong answer than the right ones together. */
    private boolean upperPrefersWrong(int i, int[] order) {
        Map<String, Integer> wrong = new HashMap<>();
        int right = 0;
        for (int s : Arrays.copyOf(order, (int) Math.round(THIRD * order.length))) {
            String answer = answers[whole[s]][i];
            if (points[whole[s]][i] >= possible[i]) {
                right++;
            } else if (answer != null) {
                wrong.merge(answer, 1, Integer::sum);
            }
        }
        int most = wrong.values().stream().mapToInt(n -> n).max().orElse(0);
        return most > right;
    }

    /** Places among those who were given every item, the highest total first; equals stay in the order of coming. */
    private int[] byTotal() {
        return IntStream.range(0, whole.length).boxed().sorted(Comparator.comparingDouble((Integer s) -> -totals[s])).mapToInt(s -> s).toArray();
    }

    private double[] column(int i) {
        return Arrays.stream(whole).mapToDouble(s -> points[s][i]).toArray();
    }

    private static double mean(double[] of, int[] order, int from, int to) {
        return IntStream.range(from, to).mapToDouble(k -> of[order[k]]).average().orElse(0);
    }

    private static double variance(double[] x) {
        if (x.length < 2) {
            return 0;
        }
        double mean = Arrays.stream(x).average().orElse(0);
        return Arrays.stream(x).map(v -> (v - mean) * (v - mean)).sum() / (x.length - 1);
    }

    private static OptionalDouble correlation(double[] x, double[] y) {
        double vx = variance(x);
        double vy = variance(y);
        if (vx <= 0 || vy <= 0) {
            return OptionalDouble.empty();
        }
        double mx = Arrays.stream(x).average().orElse(0);
        double my = Arrays.stream(y).average().orElse(0);
        double cov = IntStream.range(0, x.length).mapToDouble(s -> (x[s] - mx) * (y[s] - my)).sum() / (x.length - 1);
        return OptionalDouble.of(cov / Math.sqrt(vx * vy));
    }
}
