package org.zealousladder.core.calibration;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.decisions.Proposer;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.SteadyAlone;
import org.zealousladder.core.growth.SteadyGrowth;
import org.zealousladder.core.growth.SteadyPopulation;
import org.zealousladder.core.growth.Trend;

/**
 * What comes of looking again and again: classes are followed over a whole period, after each score everybody is proposed something, and in the end it is seen
 * who meets the goal.
 *
 * @param students in a class
 * @param weeks of the period; there is a score at its beginning and then every {@code every} weeks
 * @param every weeks from one score to the next, at least 1
 */
public record Looks(World world, int students, int weeks, int every, RuleSettings settings) {
    /** @throws IllegalArgumentException where there would be nobody, or nothing to look at */
    public Looks {
        if (students < 1 || every < 1 || weeks < every) {
            throw new IllegalArgumentException("there must be a student, and a score after the first");
        }
    }

    /**
     * One look.
     *
     * @param scores that are in @param week of the newest @param share of the planned ones
     * @param changeAtMost chance at or under which the plan is to change @param raiseAtLeast chance at or over which the goal is to be raised
     */
    public record Look(int scores, int week, double share, double changeAtMost, double raiseAtLeast) {}

    /**
     * Who was told what at some time.
     *
     * @param n students who would meet the goal, or who would miss it
     * @param change how many of them were told at some time to change the plan @param raise to raise the goal
     * @param after scores that were in when they were first told to change the plan, the mean; NaN: nobody was
     */
    public record Told(int n, int change, int raise, double after) {}

    /** Of a number of classes. */
    public record Outcome(int classes, Told wouldMeet, Told wouldMiss) {}

    /** All scores of a student over the period. */
    public int planned() {
        return 1 + weeks / every;
    }

    /** The looks at which something can be proposed, the first first. */
    public List<Look> all() {
        List<Look> all = new ArrayList<>();
        for (int n = settings.scoresNeeded(); n <= planned(); n++) {
            int week = (n - 1) * every;
            if (week >= settings.minimumWeeks()) {
                double share = (double) n / planned();
                all.add(new Look(n, week, share, settings.changeAtMost(share), settings.raiseAtLeast(share)));
            }
        }
        return all;
    }

    /** @param seed the same gives the same classes */
    public Outcome simulate(int classes, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int[] n = new int[2];
        int[] change = new int[2];
        int[] raise = new int[2];
        double[] after = new double[2];
        for (int c = 0; c < classes; c++) {
            List<World.Student> room = world.classroom(random, students, weeks + 1);
            int[] changed = new int[students];
            boolean[] raised = new boolean[students];
            for (Look look : all()) {
                look(room, look, changed, raised);
            }
            for (int k = 0; k < students; k++) {
                int who = room.get(k).meets() ? 1 : 0;
                n[who]++;
                change[who] += changed[k] > 0 ? 1 : 0;
                after[who] += changed[k];
                raise[who] += raised[k] ? 1 : 0;
            }
        }
        return new Outcome(classes, new Told(n[1], change[1], raise[1], after[1] / change[1]), new Told(n[0], change[0], raise[0], after[0] / change[0]));
    }

    private void look(List<World.Student> room, Look look, int[] changed, boolean[] raised) {
        List<ScoreSeries> series = room.stream().map(s -> every(s.series()).first(look.scores())).toList();
        SteadyGrowth growth = new SteadyGrowth();
        series.forEach(growth::add);
        Optional<SteadyPopulation> pool = growth.fit();
        Trend.Fitter fitter = pool.<Trend.Fitter>map(p -> p).orElse(new SteadyAlone(0));
        Proposer proposer = new Proposer(settings, fitter);
        for (int k = 0; k < room.size(); k++) {
            // The line's beginning only makes it one: the chance does not ask it.
            GoalLine goal = new GoalLine(0, series.get(k).score(0), weeks, room.get(k).goal(), Direction.HIGHER_IS_BETTER);
            Proposal.Kind kind = proposer.propose(series.get(k), proposer.fit(series.get(k)), goal, look.week()).kind();
            changed[k] = kind == Proposal.Kind.CHANGE && changed[k] == 0 ? look.scores() : changed[k];
            raised[k] |= kind == Proposal.Kind.RAISE;
        }
    }

    private ScoreSeries every(ScoreSeries all) {
        double[] weeksOf = new double[planned()];
        double[] scores = new double[planned()];
        for (int i = 0; i < weeksOf.length; i++) {
            weeksOf[i] = all.week(i * every);
            scores[i] = all.score(i * every);
        }
        return ScoreSeries.of(weeksOf, scores);
    }
}
