package org.zealousladder.core.comparing;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.Interval;
import org.zealousladder.core.summary.Means;
import org.zealousladder.core.summary.Shares;

class ComparisonTest {
    private static Map<Integer, Tally> values(int from, double... values) {
        Map<Integer, Tally> all = new HashMap<>();
        for (int i = 0; i < values.length; i++) {
            all.put(from + i, Tally.of(values[i]));
        }
        return all;
    }

    @Test
    void ofTheSamePeopleThoseWithBothAreToldOf() {
        Map<Integer, Tally> first = values(1, 10, 12, 14, 99);
        Map<Integer, Tally> second = new HashMap<>(values(1, 13, 14, 19));
        second.put(9, Tally.of(1));
        Comparison c = Comparison.of(FigureKind.MEAN, first, second, true, 3.0);
        assertEquals(12, c.first());
        assertEquals(46.0 / 3, c.second(), 1e-12);
        assertEquals(3, c.firstN());
        assertEquals(3, c.secondN());
        assertEquals(Means.pairedDifference(new double[] {13, 14, 19}, new double[] {10, 12, 14}).orElseThrow(), c.difference().orElseThrow());
        assertEquals(c.second() - c.first(), c.difference().orElseThrow().value(), 1e-12, "what is said of the difference is that of what is shown");
        assertTrue(c.paired());
    }

    @Test
    void ofOthersEachStandsOnTheirSide() {
        Comparison c = Comparison.of(FigureKind.MEAN, values(1, 10, 12, 14), values(1, 20, 25), false, null);
        assertEquals(3, c.firstN());
        assertEquals(2, c.secondN());
        assertEquals(10.5, c.difference().orElseThrow().value(), 1e-12);
        assertEquals(Means.difference(new double[] {20, 25}, new double[] {10, 12, 14}).orElseThrow(), c.difference().orElseThrow());
    }

    /** 1.96 * sqrt(2) * 5 = 13.86: twelve points between two scores settle nothing where a score is off by five, fifteen do. */
    @Test
    void twoScoresAreDoubtedByTheMeasuresError() {
        Comparison twelve = Comparison.of(FigureKind.MEAN, values(1, 50), values(2, 62), false, 5.0);
        assertEquals(12 - 13.859, twelve.difference().orElseThrow().low(), 1e-3);
        assertFalse(twelve.settles());
        assertTrue(Comparison.of(FigureKind.MEAN, values(1, 65), values(1, 50), true, 5.0).settles());
        assertTrue(Comparison.of(FigureKind.MEAN, values(1, 50), values(2, 62), false, null).difference().isEmpty());
    }

    @Test
    void sharesOfPeople() {
        Map<Integer, Tally> first = new HashMap<>();
        Map<Integer, Tally> second = new HashMap<>();
        for (int i = 0; i < 50; i++) {
            // 36 both, 12 only the second time, 2 only the first.
            first.put(i, Tally.of(i < 36 || i >= 48));
            second.put(i, Tally.of(i < 48));
        }
        assertEquals(Shares.pairedDifference(36, 12, 2, 0), Comparison.of(FigureKind.PEOPLE, first, second, true, null).difference().orElseThrow());
        assertEquals(Shares.difference(48, 50, 38, 50), Comparison.of(FigureKind.PEOPLE, first, second, false, null).difference().orElseThrow());
        assertTrue(Comparison.of(FigureKind.PEOPLE, Map.of(1, Tally.of(true)), second, false, null).difference().isEmpty());
    }

    @Test
    void countsAreTakenTogether() {
        Comparison c = Comparison.of(FigureKind.COUNTS, Map.of(1, new Tally(3, 10), 2, new Tally(4, 5)), Map.of(3, new Tally(9.5, 10)), false, null);
        assertEquals(7 / 15.0, c.first(), 1e-12);
        assertEquals(15, c.firstN());
        assertEquals(Shares.difference(9.5, 10, 7, 15), c.difference().orElseThrow());
        assertTrue(c.settles());
    }

    @Test
    void ofNothingNothingIsSaid() {
        for (FigureKind kind : FigureKind.values()) {
            Comparison c = Comparison.of(kind, Map.of(), Map.of(1, new Tally(2, 4)), false, 1.0);
            assertNull(c.first());
            assertEquals(0.5, c.second());
            assertFalse(c.settles());
            Comparison strangers = Comparison.of(kind, Map.of(1, Tally.of(1)), Map.of(2, Tally.of(1)), true, 1.0);
            assertEquals(kind == FigureKind.COUNTS ? 1 : 0, strangers.firstN());
        }
        assertThrows(IllegalArgumentException.class, () -> new Tally(0, 0));
    }

    /** Turned round, every difference is the same with the other sign; and a range holds its value. */
    @Test
    void turnedRound() {
        Random random = new Random(5);
        for (int n = 0; n < 400; n++) {
            FigureKind kind = FigureKind.values()[n % 3];
            Map<Integer, Tally> a = some(random, kind);
            Map<Integer, Tally> b = some(random, kind);
            boolean same = random.nextBoolean();
            Comparison there = Comparison.of(kind, a, b, same, 2.0);
            Comparison back = Comparison.of(kind, b, a, same, 2.0);
            assertEquals(there.difference().isPresent(), back.difference().isPresent());
            if (there.difference().isPresent()) {
                Interval d = there.difference().get();
                Interval e = back.difference().orElseThrow();
                assertEquals(-d.value(), e.value(), 1e-9);
                assertEquals(-d.low(), e.high(), 1e-9);
                assertTrue(d.low() <= d.value() + 1e-12 && d.value() <= d.high() + 1e-12);
                assertEquals(there.second() - there.first(), d.value(), 1e-9);
                assertEquals(there.settles(), back.settles());
            }
        }
    }

    private static Map<Integer, Tally> some(Random random, FigureKind kind) {
        Map<Integer, Tally> all = new HashMap<>();
        for (int i = 0; i < 12; i++) {
            if (random.nextInt(4) > 0) {
                int n = 1 + random.nextInt(9);
                all.put(i, switch (kind) {
                    case MEAN -> Tally.of(random.nextGaussian() * 10);
                    case PEOPLE -> Tally.of(random.nextBoolean());
                    case COUNTS -> new Tally(random.nextInt(n + 1), n);
                });
            }
        }
        return all;
    }
}
