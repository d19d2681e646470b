package org.zealousladder.core.skills;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** Items by a classical example worked by hand, and against the covariance matrix. */
class ItemAnalysisTest {
    /** Each row so many times. */
    private static double[][] times(int n, double[]... rows) {
        return IntStream.range(0, n * rows.length).mapToObj(i -> rows[i % rows.length].clone()).toArray(double[][]::new);
    }

    private static ItemAnalysis of(double[][] points) {
        double[] possible = new double[points[0].length];
        Arrays.fill(possible, 1);
        return new ItemAnalysis(points, possible, new String[points.length][possible.length]);
    }

    private static double[] row(double... points) {
        return points;
    }

    @Test
    void aScaleOfThreeStepsByHand() {
        // Item variances 0.1875, 0.25, 0.1875, of the totals 3, 2, 1, 0: 1.25; 3/2 * (1 - 0.625/1.25) = 0.75.
        ItemAnalysis a = of(times(6, row(1, 1, 1), row(1, 1, 0), row(1, 0, 0), row(0, 0, 0)));
        assertEquals(24, a.students());
        assertEquals(0.75, a.alpha().orElseThrow(), 1e-12);
        // Totals vary by 1.25 * 24/23 as a sample; times the quarter that is error.
        assertEquals(Math.sqrt(1.25 * 24 / 23 * 0.25), a.sem().orElseThrow(), 1e-12);
        ItemAnalysis.Item first = a.item(0);
        assertEquals(0.1875 / Math.sqrt(0.1875 * 0.6875), first.itemRest().orElseThrow(), 1e-12);
        assertEquals(Math.sqrt(0.5), a.item(1).itemRest().orElseThrow(), 1e-12);
        assertEquals("24 0.75 1.0 0.0 []",
                first.n() + " " + first.shareRight() + " " + first.upper().orElseThrow() + " " + first.lower().orElseThrow() + " " + first.reasons());
    }

    @Test
    void alphaIsThatOfTheCovarianceMatrix() {
        Random random = new Random(5);
        double[][] points = new double[40][7];
        for (double[] r : points) {
            double able = random.nextGaussian();
            Arrays.setAll(r, i -> able + random.nextGaussian() > 0 ? 1 : 0);
        }
        double trace = 0;
        double all = 0;
        for (int i = 0; i < 7; i++) {
            for (int j = 0; j < 7; j++) {
                double c = covariance(points, i, j);
                all += c;
                trace += i == j ? c : 0;
            }
        }
        assertEquals(7 / 6.0 * (1 - trace / all), of(points).alpha().orElseThrow(), 1e-12);
    }

    private static double covariance(double[][] points, int i, int j) {
        double mi = Arrays.stream(points).mapToDouble(r -> r[i]).average().orElseThrow();
        double mj = Arrays.stream(points).mapToDouble(r -> r[j]).average().orElseThrow();
        return Arrays.stream(points).mapToDouble(r -> (r[i] - mi) * (r[j] - mj)).sum() / (points.length - 1);
    }

    @Test
    void theSameItemTwiceIsMeasuredWithoutError() {
        ItemAnalysis a = of(times(10, row(1, 1), row(0, 0)));
        assertEquals(1, a.alpha().orElseThrow(), 1e-12);
        assertEquals(0, a.sem().orElseThrow(), 1e-6);
    }

    @Test
    void anItemIsMarkedOnlyForAReason() {
        // The first goes against the rest, the second is right for all, the third for none.
        double[][] points = times(6, row(0, 1, 0, 1, 1), row(0, 1, 0, 1, 0), row(1, 1, 0, 0, 0), row(1, 1, 0, 0, 1));
        ItemAnalysis a = of(points);
        assertEquals(List.of(ItemReason.LOW_ITEM_REST), a.item(0).reasons());
        assertEquals(List.of(ItemReason.TOO_EASY), a.item(1).reasons());
        assertTrue(a.item(1).itemRest().isEmpty(), "what does not vary goes with nothing");
        assertEquals(List.of(ItemReason.TOO_HARD), a.item(2).reasons());
    }

    @Test
    void aWrongAnswerThatTheUpperThirdPrefersIsSaid() {
        double[][] points = times(6, row(1, 1, 0), row(1, 1, 0), row(1, 0, 1), row(0, 0, 1), row(0, 0, 0));
        @Nullable
        String[][] answers = new String[points.length][3];
        for (int s = 0; s < points.length; s++) {
            answers[s][2] = points[s][2] == 1 ? "A" : "B";
        }
        assertTrue(new ItemAnalysis(points, new double[] {1, 1, 1}, answers).item(2).reasons().contains(ItemReason.UPPER_PREFERS_WRONG));
        for (int s = 0; s < points.length; s++) {
            answers[s][2] = points[s][2] == 1 ? "A" : "wrong " + s;
        }
        assertEquals(List.of(), new ItemAnalysis(points, new double[] {1, 1, 1}, answers).item(0).reasons());
    }

    @Test
    void fewStudentsAreCountedOnlyAndWhoWasNotGivenAnItemIsNotInItsShare() {
        ItemAnalysis few = of(times(4, row(1, 0), row(0, 0)));
        assertTrue(few.alpha().isEmpty() && few.sem().isEmpty() && few.item(0).itemRest().isEmpty());
        assertEquals("8 0.5 []", few.item(0).n() + " " + few.item(0).shareRight() + " " + few.item(0).reasons());
        double[][] points = times(12, row(1, 1), row(0, 0), row(Double.NaN, 1));
        ItemAnalysis a = of(points);
        assertEquals("24 24 36", a.students() + " " + a.item(0).n() + " " + a.item(1).n());
        assertEquals(24 / 36.0, a.item(1).shareRight(), 1e-12);
    }

    @Test
    void answersAreCountedByThird() {
        int n = 21;
        double[][] points = new double[n][2];
        String[][] answers = new String[n][2];
        for (int s = 0; s < n; s++) {
            // The first item orders them; on the second the upper third is right, the middle says b, the lower c, and the last leaves it out.
            points[s] = new double[] {n - s, s < 7 ? 1 : 0};
            answers[s] = new String[] {"x" + s, s < 7 ? "a" : s < 14 ? "b" : s < 20 ? "c" : null};
        }
        assertEquals(java.util.List.of(new ItemAnalysis.Given("a", true, 7, 7, 0, 0), new ItemAnalysis.Given("b", false, 7, 0, 7, 0),
                new ItemAnalysis.Given("c", false, 6, 0, 0, 6), new ItemAnalysis.Given(null, false, 1, 0, 0, 1)),
                new ItemAnalysis(points, new double[] {30, 1}, answers).given(1));
    }
}
