package org.zealousladder.core.bands;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.Direction;

class BandLadderTest {
    private static final List<Band> BANDS = List.of(new Band("Needs a lift", 3), new Band("Within reach", 2), new Band("Secure", 1));
    private static final BandLadder LADDER = BandLadder.of(BANDS, new double[] {68, 89}, Direction.HIGHER_IS_BETTER);

    @Test
    void aScoreOnACutIsInTheUpperBand() {
        assertEquals("Needs a lift", LADDER.band(67.9).name());
        assertEquals("Within reach", LADDER.band(68).name());
        assertEquals("Secure", LADDER.band(89).name());
        assertEquals(89, LADDER.nextCut(68).orElseThrow());
        assertTrue(LADDER.nextCut(89).isEmpty());
    }

    @Test
    void whereLowerIsBetterCutsDescend() {
        BandLadder down = BandLadder.of(BANDS, new double[] {40, 20}, Direction.LOWER_IS_BETTER);
        assertEquals(3, down.band(41).tier());
        assertEquals(2, down.band(40).tier());
        assertEquals(1, down.band(20).tier());
        assertEquals(0.5, down.standing(40, 3).certainty().orElseThrow(), 1e-9);
    }

    /** By hand with SEM 6: 71 is half an SEM over the cut of 68 and three under 89. Phi(-0.5) = 0.30854, Phi(-3) = 0.00135. */
    @Test
    void certaintyIsTheNormalMassBetweenTheCuts() {
        Standing s = LADDER.standing(71, 6);
        assertEquals(1 - 0.308538 - 0.001350, s.certainty().orElseThrow(), 1e-6);
        assertTrue(s.closeCall());
        assertFalse(LADDER.standing(74, 6).closeCall(), "Phi(-1) = 0.159 is under 0.2");
        assertTrue(LADDER.standing(73, 6).closeCall(), "Phi(-0.833) = 0.202 is over 0.2");
        assertTrue(LADDER.standing(71).certainty().isEmpty());
    }

    @Test
    void bandsPartitionEveryScoreAndMovingACutNeverReorders() {
        Random random = new Random(2);
        for (int round = 0; round < 500; round++) {
            double low = 40 + 40 * random.nextDouble();
            BandLadder moved = BandLadder.of(BANDS, new double[] {low, low + 1 + 30 * random.nextDouble()}, Direction.HIGHER_IS_BETTER);
            double a = 150 * random.nextDouble();
            double b = 150 * random.nextDouble();
            assertTrue(a <= b == moved.index(a) <= moved.index(b) || moved.index(a) == moved.index(b));
            double mass = 0;
            double sem = 7;
            for (double at = -50; at < 250; at += 50) {
                mass = moved.standing(at, sem).certainty().orElseThrow();
                assertTrue(mass > 0 && mass <= 1);
            }
        }
    }

    /** The bands part everyone: the chances of one score over all bands sum to 1, and that of its own band is its certainty. */
    @Test
    void theChancesOfAllBandsSumToOne() {
        Random random = new Random(31);
        BandLadder down = BandLadder.of(BANDS, new double[] {40, 20}, Direction.LOWER_IS_BETTER);
        for (int round = 0; round < 500; round++) {
            double score = -20 + 160 * random.nextDouble();
            for (BandLadder ladder : List.of(LADDER, down)) {
                double[] chances = ladder.chances(score, 5);
                assertEquals(1, chances[0] + chances[1] + chances[2], 1e-12);
                assertEquals(ladder.standing(score, 5).certainty().orElseThrow(), chances[ladder.index(score)], 1e-12);
                assertEquals(1, ladder.chances(score, 0)[ladder.index(score)]);
            }
        }
    }

    @Test
    void movingACutChangesOnlyThoseBetweenItsPlaces() {
        BandLadder moved = BandLadder.of(BANDS, new double[] {68, 95}, Direction.HIGHER_IS_BETTER);
        for (double score = 0; score <= 150; score += 0.5) {
            assertEquals(score >= 89 && score < 95, LADDER.index(score) != moved.index(score), "at " + score);
        }
    }

    @Test
    void aWrongLadderIsRefusedWithASentence() {
        var order = assertThrows(IllegalArgumentException.class,
                () -> BandLadder.of(BANDS, new double[] {89, 68}, Direction.HIGHER_IS_BETTER));
        assertTrue(order.getMessage().contains("out of order"));
        assertThrows(IllegalArgumentException.class, () -> BandLadder.of(BANDS, new double[] {68}, Direction.HIGHER_IS_BETTER));
        assertThrows(IllegalArgumentException.class, () -> BandLadder.of(BANDS.subList(0, 1), new double[0], Direction.HIGHER_IS_BETTER));
        assertThrows(IllegalArgumentException.class, () -> new Band(" ", 1));
        assertThrows(IllegalArgumentException.class, () -> new Band("Low", 0));
    }
}
