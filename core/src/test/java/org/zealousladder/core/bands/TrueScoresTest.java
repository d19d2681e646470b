package org.zealousladder.core.bands;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.zealousladder.core.Direction;
import org.zealousladder.core.bands.TrueScores.Measured;
import org.zealousladder.core.tiers.Evidence;
import org.zealousladder.core.tiers.TierProposal;
import org.zealousladder.core.tiers.TierProposer;
import org.zealousladder.core.tiers.TierRule;

/** True scores given the observed ones: by formula, and held to what they state in made-up groups. */
class TrueScoresTest {
    private static final BandLadder LADDER = BandLadder.of(List.of(new Band("low", 3), new Band("middle", 2), new Band("high", 1)), new double[] {85, 95},
            Direction.HIGHER_IS_BETTER);

    @Test
    void oneScoreIsDrawnToTheMeanByWhatIsNotReliable() {
        Measured m = new Measured(100, 15, 15 * Math.sqrt(0.2));
        assertEquals(0.8, m.reliability(), 1e-12);
        TrueScores t = TrueScores.of(70, m);
        assertEquals(76, t.mean(0), 1e-9);
        assertEquals(15 * Math.sqrt(0.8 * 0.2), t.sd(0), 1e-9);
        Measured silent = new Measured(100, 15, 0);
        assertTrue(silent.assumed());
        assertEquals(100 - 30 * TrueScores.ASSUMED_RELIABILITY, TrueScores.of(70, silent).mean(0), 1e-9);
        assertThrows(IllegalArgumentException.class, () -> new Measured(100, 0, 3));
        assertThrows(IllegalArgumentException.class, () -> TrueScores.of(new double[] {1, 2}, new Measured[] {m}, new double[][] {{1}}));
    }

    @Test
    void twoScoresLendToEachOtherByHand() {
        // Σ = [1 0.6; 0.6 1], errors 0.25: E(t) = (Σ - 0.25 I)Σ⁻¹x for x = (-2, 0), worked out on paper.
        Measured m = new Measured(0, 1, 0.5);
        TrueScores t = TrueScores.of(new double[] {-2, 0}, new Measured[] {m, m}, new double[][] {{1, 0.6}, {0.6, 1}});
        assertArrayEquals(new double[] {-2 + 0.25 * 2 / 0.64, 0.25 * -1.2 / 0.64}, new double[] {t.mean(0), t.mean(1)}, 1e-9);
        assertEquals(t.mean(0) - t.mean(1), t.mean(new double[] {1, -1}), 1e-12);
        assertTrue(t.sd(0) < TrueScores.of(-2, m).sd(0));
    }

    @Test
    void correlationsThatTheErrorsDoNotAllowAreLowered() {
        Measured m = new Measured(0, 1, 0.7);
        TrueScores t = TrueScores.of(new double[] {-2, 2}, new Measured[] {m, m}, new double[][] {{1, 0.9}, {0.9, 1}});
        assertTrue(t.sd(0) > 0 && Double.isFinite(t.mean(0)));
    }

    @Test
    void pointsAreRightToHalfAPercent() {
        TrueScores t = TrueScores.of(new double[] {88, 92}, new Measured[] {new Measured(100, 15, 6), new Measured(100, 15, 5)},
                new double[][] {{1, 0.7}, {0.7, 1}});
        double[] chances = t.chances(3, x -> LADDER.index(x[0]));
        assertArrayEquals(LADDER.chances(t.mean(0), t.sd(0)), chances, 0.005);
        assertEquals(1, Arrays.stream(chances).sum(), 1e-9);
    }

    /** Grades as they come: any spreads, errors from hardly any to more than there can be, correlations that do not suit each other. */
    @Test
    void whateverAGradeLooksLikeThereAreChances() {
        SplittableRandom random = new SplittableRandom(5);
        for (int k = 0; k < 2000; k++) {
            int d = 2 + k % 4;
            Measured[] measures = new Measured[d];
            double[] scores = new double[d];
            double[][] correlation = new double[d][d];
            for (int i = 0; i < d; i++) {
                double sd = Math.pow(10, random.nextDouble(-1, 3));
                measures[i] = new Measured(random.nextDouble(-100, 300), sd, k % 7 == 0 ? 0 : sd * random.nextDouble(1e-6, 1.4));
                scores[i] = measures[i].mean() + sd * random.nextDouble(-4, 4);
                for (int j = 0; j < i; j++) {
                    correlation[i][j] = k % 5 == 0 ? 0 : random.nextDouble(-1, 1);
                    correlation[j][i] = correlation[i][j];
                }
                correlation[i][i] = 1;
            }
            TrueScores t = TrueScores.of(scores, measures, correlation);
            double[] chances = t.chances(2, x -> x[0] > measures[0].mean() ? 1 : 0);
            assertEquals(1, chances[0] + chances[1], 1e-9);
            assertTrue(t.sd(0) >= 0 && Double.isFinite(t.mean(d - 1)));
        }
    }

    /** Stated certainty of bands and of each rule's tier against how often it is true, over all and in the lowest and highest tenth. */
    @ParameterizedTest
    @CsvSource({"0.7", "0.8", "0.9", "0.95"})
    void whatIsStatedComesTrue(double reliability) {
        SplittableRandom random = new SplittableRandom(17);
        double sem = 15 * Math.sqrt(1 - reliability);
        Measured m = new Measured(100, 15, sem);
        double r = 0.6 * reliability;
        double[][] correlation = {{1, r}, {r, 1}};
        double[][] stated = new double[4][3];
        int[][] came = new int[4][3];
        int[] n = new int[3];
        for (int k = 0; k < 6_000; k++) {
            double a = normal(random);
            double[] truth = {100 + 15 * Math.sqrt(reliability) * a, 100 + 15 * Math.sqrt(reliability) * (0.6 * a + 0.8 * normal(random))};
            double[] x = {truth[0] + sem * normal(random), truth[1] + sem * normal(random)};
            int part = x[0] < 100 - 15 * 1.2816 ? 0 : x[0] > 100 + 15 * 1.2816 ? 2 : 1;
            if (part == 1 && k % 3 != 0) {
                continue;
            }
            n[part]++;
            TrueScores one = TrueScores.of(x[0], m);
            count(stated, came, 0, part, LADDER.chances(one.mean(0), one.sd(0))[LADDER.index(x[0])], LADDER.index(x[0]) == LADDER.index(truth[0]));
            TrueScores both = TrueScores.of(x, new Measured[] {m, m}, correlation);
            TierRule[] rules = TierRule.values();
            for (int i = 0; i < rules.length; i++) {
                TierProposal.Proposed p = (TierProposal.Proposed) TierProposer.propose(rules[i], evidence(x, sem), both);
                TierProposal.Proposed of = (TierProposal.Proposed) TierProposer.propose(rules[i], evidence(truth, sem));
                count(stated, came, 1 + i, part, p.certainty().orElseThrow(), p.tier() == of.tier());
            }
        }
        for (int what = 0; what < 4; what++) {
            for (int part = 0; part < 3; part++) {
                assertEquals((double) came[what][part] / n[part], stated[what][part] / n[part], 0.03, what + " in part " + part + " of " + n[part]);
            }
        }
    }

    private static void count(double[][] stated, int[][] came, int what, int part, double chance, boolean happened) {
        stated[what][part] += chance;
        came[what][part] += happened ? 1 : 0;
    }

    private static List<Evidence> evidence(double[] x, double sem) {
        return List.of(new Evidence("reading", x[0], LADDER, sem, 2, 15), new Evidence("maze", x[1], LADDER, sem, 1, 15));
    }

    private static double normal(SplittableRandom random) {
        return Math.sqrt(-2 * Math.log(1 - random.nextDouble())) * Math.cos(2 * Math.PI * random.nextDouble());
    }
}
