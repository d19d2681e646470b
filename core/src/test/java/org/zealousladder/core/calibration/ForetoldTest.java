package org.zealousladder.core.calibration;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class ForetoldTest {
    private static Foretold of(int came, double... chances) {
        Foretold f = new Foretold();
        for (int i = 0; i < chances.length; i++) {
            f.add(chances[i], i < came);
        }
        return f;
    }

    @Test
    void countsAreThoseOfABinomialWhereAllChancesAreOne() {
        double[] ten = new double[10];
        java.util.Arrays.fill(ten, 0.5);
        Foretold f = of(3, ten);
        assertEquals(5, f.expected(), 1e-12);
        assertEquals(3, f.came());
        // Of ten tosses 0, 1, 9 or 10 heads come in 2.1 % of cases, with 2 and 8 it would be 10.9 %.
        assertEquals(new Foretold.Usual(2, 8), f.usual(0.95));
        assertEquals(new Foretold.Usual(1, 9), f.usual(0.99));
        assertTrue(f.usual(0.95).holds(8));
        assertFalse(f.usual(0.95).holds(9));
    }

    @Test
    void whatIsCertainComesAndWhatIsNotDoesNot() {
        assertEquals(new Foretold.Usual(2, 2), of(2, 1, 1, 0, 0).usual(0.95));
        assertEquals(new Foretold.Usual(0, 0), new Foretold().usual(0.95));
        assertEquals(0, new Foretold().stated());
        assertThrows(IllegalArgumentException.class, () -> new Foretold().add(1.2, true));
        assertThrows(IllegalArgumentException.class, () -> new Foretold().add(Double.NaN, true));
    }

    @Test
    void fifthsKeepWhatCame() {
        List<Foretold> fifths = of(3, 0, 0.2, 0.39, 0.5, 1, 0.99).fifths();
        assertEquals(List.of(1, 2, 1, 0, 2), fifths.stream().map(Foretold::n).toList());
        assertEquals(List.of(1, 2, 0, 0, 0), fifths.stream().map(Foretold::came).toList());
        assertEquals(0.295, fifths.get(1).stated(), 1e-12);
        Foretold apart = new Foretold();
        apart.add(0.1, false);
        apart.add(0.3, true);
        apart.add(0.3, false);
        apart.add(1, false);
        assertEquals(0.2, apart.worst(2), 1e-12, "of the two at 0.3 one came; the one at 1 is too few");
        assertEquals(1, apart.worst(1), 1e-12);
        assertEquals(0, apart.worst(3));
    }

    @Test
    void rightChancesLieWithinAsOftenAsIsSaid() {
        SplittableRandom random = new SplittableRandom(5);
        int within = 0;
        for (int school = 0; school < 2000; school++) {
            Foretold f = new Foretold();
            for (int i = 0; i < 40; i++) {
                double chance = random.nextDouble();
                f.add(chance, random.nextDouble() < chance);
            }
            within += f.usual(0.95).holds(f.came()) ? 1 : 0;
        }
        assertTrue(within >= 1900 && within < 1985, "in at least 95 of a hundred, and little more: " + within);
    }
}
