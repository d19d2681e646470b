package org.zealousladder.server.monitoring.trends;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.scores.scores.Score;

/**
 * One student on one measure: everything a chart and its sentence need.
 *
 * @param phases trends of the phases between plan changes, the oldest first; a phase with too few scores has none
 * @param planChanges days on which the plan changed
 * @param proposal what is proposed; null without a goal
 * @param plan the one that runs; null where there is none
 * @param lookAgain day on which somebody wanted to look again, once it has come and nothing was decided since
 * @param settledUntil day until which a person has settled the proposal; null when it is open
 */
public record TrendCard(StudentRef student, MeasureRef measure, List<TrendPoint> points, List<PhaseTrend> phases,
        List<LocalDate> planChanges, @Nullable GoalView goal, @Nullable ProposalView proposal, @Nullable LocalDate settledUntil, @Nullable LocalDate lookAgain,
        @Nullable PlanBrief plan) {

    /** The plan that runs, in short. */
    public record PlanBrief(long id, String strategy, @Nullable String group, int given, int planned, boolean tooLittle) {}

    /**
     * One entry. What is usual is left out: charts carry thousands of points.
     *
     * @param value there exactly when it was scored
     * @param status of one without a value
     * @param outlier true where it lies far off the others
     * @param unfitted true of a score from before the monitoring, which no trend is fitted to
     */
    public record TrendPoint(long id, LocalDate date, @Nullable Double value, @Nullable ScoreStatus status, @Nullable Boolean outlier,
            @Nullable Boolean unfitted) {
        static TrendPoint of(Score s, boolean outlier, boolean fitted) {
            return new TrendPoint(s.id(), s.takenOn(), s.value(), s.scored() ? null : s.status(), outlier ? true : null, fitted || !s.scored() ? null : true);
        }

        /** One of a year before. */
        public static TrendPoint earlier(Score s) {
            return of(s, false, false);
        }
    }

    /**
     * The fitted trend of one phase, with its line and ribbon at some days.
     *
     * @param level where the trend stands at the last score
     * @param bound the least score there is, or the most, where the trend may well stand there; null where it does not
     * @param shrinkage share of the slope's doubt that was left to the group, 0 to 1; null when level and slope are of the own scores alone
     * @param others series besides this one that told what scores vary by; null when that is assumed
     * @param groupSlope the group's change per week
     */
    public record PhaseTrend(int n, double slope, double slopeLow, double slopeHigh, LocalDate lastScore, double level, @Nullable Double bound,
            List<TrendStop> stops,
            @Nullable Double shrinkage, @Nullable Integer others, @Nullable Double groupSlope) {}

    /** Level of the trend on a day with its 95 % interval. */
    public record TrendStop(LocalDate date, double level, double low, double high) {}

    /** The goal, with what the trend makes of it. */
    public record GoalView(long id, LocalDate startDate, double startScore, LocalDate goalDate, double goalScore, double neededPerWeek,
            @Nullable Double chance, @Nullable TrendStop projected) {}

    /**
     * A proposed next step.
     *
     * @param reason the figures in a sentence
     * @param evidence rule, threshold and since when
     * @param swing a single wild score without which something else would be proposed; null when none turns it alone, and on small charts
     * @param toHalve how many more scores make the range of growth half as wide; null where there will not be so many, and on small charts
     * @param toCome scores still to come by the goal date, at the pace so far
     * @param rules what each rule says; on small charts none
     */
    public record ProposalView(Proposal.Kind kind, String label, String reason, String evidence, boolean wantsAction, double priority,
            @Nullable LocalDate since, @Nullable Swing swing, @Nullable Integer toHalve, int toCome, List<RuleSays> rules) {}

    /** A score far off the trend that alone turns the proposal, and what would be proposed without it. */
    public record Swing(LocalDate date, double value, String without) {}

    /** What one of the three rules says. */
    public record RuleSays(String rule, Proposal.Kind kind, String label, String why, boolean inUse) {}
}
