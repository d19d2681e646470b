package org.zealousladder.core.tiers;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.zealousladder.core.Direction;
import org.zealousladder.core.bands.Band;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.tiers.TierProposal.Proposed;

class TierProposerTest {
    private static final List<Band> BANDS = List.of(new Band("Needs a lift", 3), new Band("Within reach", 2), new Band("Secure", 1));
    private static final BandLadder WORDS = BandLadder.of(BANDS, new double[] {50, 70}, Direction.HIGHER_IS_BETTER);
    private static final BandLadder SECONDS = BandLadder.of(BANDS, new double[] {90, 60}, Direction.LOWER_IS_BETTER);

    private static Evidence words(double score, double sem) {
        return new Evidence("Reading", score, WORDS, sem, 1, 10);
    }

    private static Proposed propose(TierRule rule, Evidence... evidence) {
        return assertInstanceOf(Proposed.class, TierProposer.propose(rule, List.of(evidence)));
    }

    @Test
    void nothingTestedIsNoTier() {
        assertInstanceOf(TierProposal.NotTested.class, TierProposer.propose(TierRule.LOWEST, List.of()));
    }

    /** Worked by hand: three measures with tiers as given. */
    @ParameterizedTest
    @CsvSource({"80 80 80, 1, 1", "80 60 80, 2, 1", "80 60 40, 3, 3", "60 60 40, 3, 2", "80 80 40, 3, 1", "80 40 40, 3, 3"})
    void theRulesCombineAsWorkedByHand(String scores, int lowest, int most) {
        Evidence[] all = java.util.Arrays.stream(scores.split(" ")).map(s -> words(Double.parseDouble(s), 0)).toArray(Evidence[]::new);
        assertEquals(lowest, propose(TierRule.LOWEST, all).tier());
        assertEquals(most, propose(TierRule.MOST, all).tier());
        assertTrue(propose(TierRule.MOST, all).certainty().isEmpty(), "no error stated, no certainty claimed");
    }

    @Test
    void withOneMeasureTheCertaintyIsTheBands() {
        Proposed p = propose(TierRule.LOWEST, words(73, 4));
        assertEquals(WORDS.standing(73, 4).certainty().getAsDouble(), p.certainty().getAsDouble(), 1e-12);
        assertEquals("Reading 73 is in Secure.", p.reason());
        assertTrue(p.closeCall());
        assertFalse(propose(TierRule.LOWEST, words(85, 4)).closeCall());
    }

    /** Simulated true scores fall where the enumeration says, for every rule. */
    @Test
    void certaintyAgreesWithSimulation() {
        Random random = new Random(7);
        Evidence a = words(66, 5);
        Evidence b = new Evidence("Time", 62, SECONDS, 8, 2, 15);
        for (TierRule rule : TierRule.values()) {
            Proposed p = propose(rule, a, b);
            int same = 0;
            int runs = 40_000;
            for (int i = 0; i < runs; i++) {
                Evidence x = new Evidence("a", 66 + 5 * random.nextGaussian(), WORDS, 0, 1, 10);
                Evidence y = new Evidence("b", 62 + 8 * random.nextGaussian(), SECONDS, 0, 2, 15);
                same += propose(rule, x, y).tier() == p.tier() ? 1 : 0;
            }
            assertEquals((double) same / runs, p.certainty().getAsDouble(), 0.01, rule.code());
        }
    }

    /** By hand: (66 - 70)/10 = -0.4 with weight 1, -(62 - 60)/15 = -0.133 with weight 2: mean -0.222, below tier 1; far above tier 3. */
    @Test
    void weighingIsInSpreadsFromTheCuts() {
        Proposed p = propose(TierRule.WEIGHTED, words(66, 0), new Evidence("Time", 62, SECONDS, 0, 2, 15));
        assertEquals(2, p.tier());
        assertEquals("Weighing Reading, Time, the student stands 1.8 spreads above tier 3.", p.reason());
        assertEquals(1, propose(TierRule.WEIGHTED, words(66, 0), new Evidence("Time", 48, SECONDS, 0, 2, 15)).tier());
    }

    @Test
    void withoutAnySpreadTheTierThatMostGive() {
        Proposed p = propose(TierRule.WEIGHTED, new Evidence("Reading", 40, WORDS, 3, 1, 0));
        assertEquals(3, p.tier());
        assertTrue(p.reason().contains("Too few scores to weigh"), p.reason());
    }

    @Test
    void reasonsSayWhoSaysWhat() {
        Evidence maze = new Evidence("Maze", 40, WORDS, 0, 1, 10);
        assertEquals("Maze says tier 3; Reading tier 1. The tier with most support counts.", propose(TierRule.LOWEST, words(80, 0), maze).reason());
        assertEquals("Maze says tier 3; Reading tier 1. No tier has most, so the one with more support.", propose(TierRule.MOST, words(80, 0), maze).reason());
        assertEquals("Both measures say tier 1.", propose(TierRule.MOST, words(80, 0), words(90, 0)).reason());
    }

    @Test
    void betterScoresNeverGiveMoreSupport() {
        Random random = new Random(11);
        for (int i = 0; i < 2000; i++) {
            double first = 30 + 60 * random.nextDouble();
            double second = 40 + 80 * random.nextDouble();
            for (TierRule rule : TierRule.values()) {
                int before = propose(rule, words(first, 0), new Evidence("Time", second, SECONDS, 0, 1, 12)).tier();
                int after = propose(rule, words(first + 5, 0), new Evidence("Time", second - 5, SECONDS, 0, 1, 12)).tier();
                assertTrue(after <= before, rule + " " + first + " " + second);
            }
        }
    }

    /** The lower measure's ladder has no tier 3, so it has no say in whether somebody needs it. */
    @Test
    void aMeasureHasNoSayInATierThatItNeverGives() {
        BandLadder three = BandLadder.of(BANDS, new double[] {40, 60}, Direction.HIGHER_IS_BETTER);
        BandLadder two = BandLadder.of(BANDS.subList(1, 3), new double[] {60}, Direction.HIGHER_IS_BETTER);
        Proposed p = propose(TierRule.WEIGHTED, new Evidence("Reading", 45, three, 4, 1, 10), new Evidence("Maze", 30, two, 4, 1, 10));
        assertEquals(2, p.tier());
        assertEquals("Weighing Reading, Maze, the student stands 0.5 spreads above tier 3.", p.reason());
        BandLadder low = BandLadder.of(BANDS.subList(0, 2), new double[] {40}, Direction.HIGHER_IS_BETTER);
        assertEquals(2, propose(TierRule.WEIGHTED, new Evidence("Reading", 59, three, 4, 1, 10), new Evidence("Maze", 90, low, 4, 1, 10)).tier(),
                "tier 1 is given by neither");
    }

    /** Ladders of two to four bands with tiers and cuts as it comes. */
    private static BandLadder ladder(Random random) {
        int bands = 2 + random.nextInt(3);
        List<Integer> tiers = random.ints(bands, 1, 5).boxed().sorted(java.util.Comparator.reverseOrder()).toList();
        double[] cuts = random.doubles(bands - 1, 20, 80).sorted().toArray();
        return BandLadder.of(java.util.stream.IntStream.range(0, bands).mapToObj(i -> new Band("band " + i, tiers.get(i))).toList(), cuts,
                Direction.HIGHER_IS_BETTER);
    }

    @Test
    void noRuleGivesATierBeyondThoseThatTheMeasuresGive() {
        Random random = new Random(5);
        for (int i = 0; i < 5000; i++) {
            List<Evidence> all = new java.util.ArrayList<>();
            for (int k = 0; k <= random.nextInt(3); k++) {
                all.add(new Evidence("m" + k, 100 * random.nextDouble(), ladder(random), 6 * random.nextDouble(), 0.5 + random.nextDouble(),
                        5 + 10 * random.nextDouble()));
            }
            for (TierRule rule : TierRule.values()) {
                Proposed p = propose(rule, all.toArray(Evidence[]::new));
                assertTrue(
                        p.tier() >= all.stream().mapToInt(Evidence::tier).min().orElseThrow()
                                && p.tier() <= all.stream().mapToInt(Evidence::tier).max().orElseThrow(),
                        rule + " " + all);
                assertEquals(1, p.chances().stream().mapToDouble(TierProposal.TierChance::chance).sum(), 1e-6, rule + " " + all);
                double most = p.chances().stream().mapToDouble(TierProposal.TierChance::chance).max().orElseThrow();
                assertTrue(p.certainty().getAsDouble() > most - 0.0051 || p.reason().contains("is more likely"), "a likelier tier is told: " + p);
            }
        }
    }

    @Test
    void aTierThatIsLikelierThanTheOneGivenIsTold() {
        Proposed p = propose(TierRule.LOWEST, words(71, 5), words(71, 5), words(71, 5));
        assertEquals(1, p.tier());
        assertTrue(p.reason().matches(
                "All 3 measures say tier 1\\. Counting the error of the scores, tier 2 is more likely \\(8\\d % against 19 %\\)\\."),
                p.reason());
        assertTrue(p.closeCall());
    }

    /** One meaning on the Ladder and for a tier: with one measure and a tier a band, both say the same. */
    @Test
    void aCloseCallIsTheSameOnTheLadderAndForATier() {
        for (double score = 30; score < 95; score += 0.25) {
            for (double sem : new double[] {2, 5, 9}) {
                assertEquals(WORDS.standing(score, sem).closeCall(), propose(TierRule.LOWEST, words(score, sem)).closeCall(), score + " ± " + sem);
            }
        }
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThrows(IllegalArgumentException.class, () -> words(Double.NaN, 1));
        assertThrows(IllegalArgumentException.class, () -> TierRule.of("best"));
    }
}
