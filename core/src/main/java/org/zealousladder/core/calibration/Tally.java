package org.zealousladder.core.calibration;

import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Function;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.goals.GoalChance;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.Trend;

/** What was said of students against what came: how often intervals held, and how often what was given a chance happened. */
public final class Tally {
    private int n;
    private int slopes;
    private int levels;
    private double squares;
    private final Foretold foretold = new Foretold();

    /** Counts one student with the trend that was drawn for them. */
    public void add(World.Student student, Trend.Fitted trend, double goalWeek) {
        n++;
        slopes += trend.slopeLow() <= student.slope() && student.slope() <= trend.slopeHigh() ? 1 : 0;
        var level = trend.level(goalWeek);
        levels += level.low() <= student.level() && student.level() <= level.high() ? 1 : 0;
        squares += (trend.slope() - student.slope()) * (trend.slope() - student.slope());
        foretold.add(GoalChance.of(trend, new GoalLine(0, 0, goalWeek, student.goal(), Direction.HIGHER_IS_BETTER)), student.meets());
    }

    /** Share of students whose true slope lay in the 95 % interval. */
    public double slopesHeld() {
        return (double) slopes / n;
    }

    /** Share of students whose true level at the goal's date lay in the 95 % interval. */
    public double levelsHeld() {
        return (double) levels / n;
    }

    /** Mean squared error of the slopes. */
    public double slopeError() {
        return squares / n;
    }

    /** What was given chances, from the lowest fifth to the highest. */
    public List<Foretold> fifths() {
        return foretold.fifths();
    }

    /** As {@link Foretold#worst}. */
    public double worst(int least) {
        return foretold.worst(least);
    }

    /**
     * Grades of a world, each fitted together.
     *
     * @param method makes of a grade's series how each is fitted
     */
    public static Tally of(World world, int students, int weeks, int grades, long seed, Function<List<ScoreSeries>, Trend.Fitter> method) {
        SplittableRandom random = new SplittableRandom(seed);
        Tally tally = new Tally();
        for (int g = 0; g < grades; g++) {
            List<World.Student> grade = world.grade(random, students, weeks);
            Trend.Fitter fitter = method.apply(grade.stream().map(World.Student::series).toList());
            for (World.Student s : grade) {
                if (fitter.fit(s.series()) instanceof Trend.Fitted trend) {
                    tally.add(s, trend, weeks - 1.0 + World.AHEAD);
                }
            }
        }
        return tally;
    }
}
