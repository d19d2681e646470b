package org.zealousladder.core.calibration;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.growth.PooledGrowth;
import org.zealousladder.core.growth.SteadyGrowth;
import org.zealousladder.core.growth.Trend;

/** What the steady model states comes true in made-up worlds. The long run, with all worlds and what does not hold yet, is ./ladder bench calibration. */
class CalibrationTest {
    private static Function<List<ScoreSeries>, Trend.Fitter> steady(World world) {
        return series -> {
            Trend.Bounds bounds = new Trend.Bounds(world.low(), world.high());
            SteadyGrowth growth = new SteadyGrowth(0, bounds);
            series.forEach(growth::add);
            return growth.fit().orElseThrow().within(bounds);
        };
    }

    private static final Function<List<ScoreSeries>, Trend.Fitter> POOLED = series -> {
        PooledGrowth growth = new PooledGrowth();
        series.forEach(growth::add);
        return growth.fit().orElseThrow();
    };

    private static World world(String name) {
        return World.all().stream().filter(w -> w.name().equals(name)).findFirst().orElseThrow();
    }

    /** Shares in percent between which intervals must hold; how much the slopes' squared error may be of the pooled model's. */
    @ParameterizedTest
    @CsvSource({"independent, 40, 8, 92, 98.5, 1.05", "independent, 40, 12, 92, 98, 1.05", "independent, 12, 20, 92, 98, 1.05",
            "autocorrelation 0.3, 40, 12, 92, 98, 0.95", "autocorrelation 0.3, 12, 12, 92, 98, 0.95", "autocorrelation 0.5, 40, 20, 89, 99, 0.9",
            "autocorrelation 0.5, 12, 12, 89, 99, 0.9", "t with 3 df, 40, 12, 92, 98, 0.95", "t with 3 df, 12, 20, 92, 98.5, 0.9",
            "shared weeks, 40, 12, 92, 98.5, 1",
            "shared weeks, 12, 20, 92, 98, 1", "flattening, 40, 20, 89, 99, 0.8", "spread grows, 40, 12, 92, 98, 1.05", "whole numbers, 40, 12, 92, 98, 1.05",
            "floor, 40, 8, 92, 98, 1.1", "floor, 12, 20, 92, 98, 0.9", "ceiling, 40, 12, 92, 98.5, 0.7", "ceiling, 12, 20, 92, 98.5, 0.4"})
    void intervalsHoldAndSlopesAreNoWorse(String name, int students, int weeks, double least, double most, double error) {
        Tally steady = Tally.of(world(name), students, weeks, 1200 / students, 20261128, steady(world(name)));
        Tally pooled = Tally.of(world(name), students, weeks, 1200 / students, 20261128, POOLED);
        String said = name + ": slopes " + steady.slopesHeld() + ", levels " + steady.levelsHeld() + ", error " + steady.slopeError() / pooled.slopeError();
        assertTrue(100 * steady.slopesHeld() >= least && 100 * steady.slopesHeld() <= most, said);
        assertTrue(100 * steady.levelsHeld() >= least && 100 * steady.levelsHeld() <= most, said);
        assertTrue(steady.slopeError() <= error * pooled.slopeError(), said);
    }

    @Test
    void whatIsGivenAChanceComesTrueAsOften() {
        for (World world : List.of(World.INDEPENDENT, World.AUTOCORRELATED, World.SHARED, World.WILD)) {
            Tally steady = Tally.of(world, 40, 20, 60, 5, steady(world));
            assertTrue(steady.worst(60) <= 0.09, world.name() + " " + steady.fifths());
        }
    }
}
