package org.zealousladder.server.monitoring.trends;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.scores.FormName;
import org.zealousladder.server.monitoring.decisions.Decision;
import org.zealousladder.server.monitoring.decisions.DecisionKind;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.scores.scores.Score;

/**
 * A year's scores, parted where the plan changed.
 *
 * @param all every score of the year
 * @param parts the monitored ones, a series a phase, the oldest first; at least one, which may be empty
 * @param changes the days on which the plan changed
 * @param parted whether the monitored scores are parted at all
 */
record Phases(ScoreSeries all, List<ScoreSeries> parts, List<LocalDate> changes, boolean parted) {
    /**
     * Scores up to this many days before a goal's start belong to its first phase: the baseline was taken from them. A plan that begins up to as many days
     * after it belongs to that phase, too: baseline and plan make a beginning together.
     */
    static final int BASELINE_DAYS = 21;

    /** @param origin the day weeks are counted from */
    static Phases of(CardMaker.Records records, LocalDate origin, LocalDate asOf) {
        List<Score> scored = records.scores().stream().filter(Score::scored).toList();
        ScoreSeries all = ScoreSeries.of(scored.stream().mapToDouble(s -> ScoreSeries.weeks(origin, s.takenOn())).toArray(),
                scored.stream().mapToDouble(Score::value).toArray(), scored.stream().mapToInt(s -> FormName.number(s.form())).toArray());
        Goal goal = records.goal();
        LocalDate since = goal == null ? origin : goal.startDate().minusDays(BASELINE_DAYS);
        List<LocalDate> changes = changes(records).filter(d -> !d.isBefore(origin) && !d.isAfter(asOf)).distinct().sorted().toList();
        List<LocalDate> splits = changes.stream().filter(d -> d.isAfter(since)).toList();
        List<ScoreSeries> parts = new ArrayList<>();
        ScoreSeries rest = goal == null ? all : all.from(ScoreSeries.weeks(origin, since));
        for (LocalDate change : splits) {
            ScoreSeries after = rest.from(ScoreSeries.weeks(origin, change));
            parts.add(rest.first(rest.size() - after.size()));
            rest = after;
        }
        parts.add(rest);
        return new Phases(all, parts, changes, !splits.isEmpty());
    }

    /** By a decision, by a later phase, or by a plan that began when monitoring had been under way. */
    private static Stream<LocalDate> changes(CardMaker.Records records) {
        Goal goal = records.goal();
        Stream<LocalDate> decided = records.taken().stream().filter(t -> t.kind() == DecisionKind.PLAN_CHANGED).map(Decision::decidedOn);
        Stream<LocalDate> phases = records.plans().stream().flatMap(p -> p.phases().stream().skip(1)).map(Plan.PlanPhase::starts)
                .filter(d -> goal == null || d.isAfter(goal.startDate()));
        Stream<LocalDate> begun = records.plans().stream().map(p -> p.phases().get(0).starts())
                .filter(d -> goal != null && d.isAfter(goal.startDate().plusDays(BASELINE_DAYS)));
        return Stream.of(decided, phases, begun).flatMap(d -> d);
    }

    ScoreSeries newest() {
        return parts.get(parts.size() - 1);
    }

    /** How many scores of the year are from before the monitoring. */
    int before() {
        return all.size() - parts.stream().mapToInt(ScoreSeries::size).sum();
    }
}
