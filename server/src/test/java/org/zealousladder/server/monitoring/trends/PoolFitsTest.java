package org.zealousladder.server.monitoring.trends;

import static java.util.Objects.requireNonNull;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertSame;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.calibration.World;
import org.zealousladder.core.growth.SteadyGrowth;
import org.zealousladder.core.growth.SteadyPopulation;
import org.zealousladder.core.growth.Trend;

/** What is kept is kept by what it was fitted to, so that nothing old is ever told. */
class PoolFitsTest {
    private static final Trend.Bounds ANY = new Trend.Bounds(0, 250);

    private final PoolFits fits = new PoolFits();

    private static List<ScoreSeries> grade(int seed, int students) {
        return World.INDEPENDENT.grade(new SplittableRandom(seed), students, 10).stream().map(World.Student::series).toList();
    }

    private SteadyPopulation fit(double sem, List<ScoreSeries> series) {
        return requireNonNull(fits.of(Map.of("it", new PoolFits.Pooled(sem, ANY, series))).get("it"));
    }

    @Test
    void theSameScoresAreFittedOnceWhoeverAsks() {
        SteadyPopulation first = fit(4.5, grade(1, 8));
        assertSame(first, fit(4.5, grade(1, 8)));
        Map<Integer, SteadyPopulation> two = fits.of(Map.of(1, new PoolFits.Pooled(4.5, ANY, grade(1, 8)), 2, new PoolFits.Pooled(4.5, ANY, grade(2, 8))));
        assertSame(first, two.get(1));
        assertNotSame(first, two.get(2));
    }

    @Test
    void whatIsKeptIsWhatAFitGives() {
        SteadyGrowth growth = new SteadyGrowth(4.5, ANY);
        grade(3, 9).forEach(growth::add);
        assertEquals(growth.fit().orElseThrow().slopePerWeek(), fit(4.5, grade(3, 9)).slopePerWeek(), 1e-12);
    }

    @Test
    void aCorrectedScoreAnotherErrorOrOneMoreStudentIsAnotherPool() {
        List<ScoreSeries> series = grade(4, 8);
        SteadyPopulation first = fit(4.5, series);
        double[] corrected = series.get(0).scores();
        corrected[3] += 1;
        List<ScoreSeries> other = new ArrayList<>(series);
        other.set(0, ScoreSeries.of(java.util.stream.IntStream.range(0, 10).asDoubleStream().toArray(), corrected));
        assertNotEquals(first.slopePerWeek(), fit(4.5, other).slopePerWeek());
        assertNotSame(first, fit(0, series));
        assertNotSame(first, requireNonNull(fits.of(Map.of("it", new PoolFits.Pooled(4.5, new Trend.Bounds(0, 60), series))).get("it")), "other scores can be");
        assertEquals(9, fit(4.5, grade(4, 9)).series());
    }

    @Test
    void tooFewAreNoPoolAndThatIsKeptToo() {
        PoolFits.Pooled few = new PoolFits.Pooled(4.5, ANY, grade(6, 4));
        for (int time = 0; time < 2; time++) {
            Map<String, SteadyPopulation> found = fits.of(Map.of("few", few, "enough", new PoolFits.Pooled(4.5, ANY, grade(6, 8))));
            assertFalse(found.containsKey("few"));
            assertEquals(8, requireNonNull(found.get("enough")).series());
        }
    }
}
