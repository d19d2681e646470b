package org.zealousladder.server.monitoring.trends;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.decisions.Proposer;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.core.goals.GoalChance;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.LeastSquares;
import org.zealousladder.core.growth.Population;
import org.zealousladder.core.growth.Trend;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.monitoring.decisions.Decision;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.monitoring.trends.TrendCard.GoalView;
import org.zealousladder.server.monitoring.trends.TrendCard.PhaseTrend;
import org.zealousladder.server.monitoring.trends.TrendCard.ProposalView;
import org.zealousladder.server.monitoring.trends.TrendCard.RuleSays;
import org.zealousladder.server.monitoring.trends.TrendCard.Swing;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.scores.scores.Score;

/** Makes a card from records: asks the core for trend, chance and proposal, phase by phase. */
final class CardMaker {
    /** A small chart's ribbon needs few steps; one opened large is looked at. */
    private static final int FEW_STOPS = 5;
    private static final int MANY_STOPS = 12;

    private final LocalDate origin;
    private final LocalDate asOf;

    /** @param origin the day weeks are counted from: the first of the school year */
    CardMaker(LocalDate origin, LocalDate asOf) {
        this.origin = origin;
        this.asOf = asOf;
    }

    /**
     * What a card is made from.
     *
     * @param scores of the year, in order
     * @param taken decisions, the oldest first
     * @param plans on the measure, the newest first
     * @param population what the trend is shrunk to; null where it is fitted by itself
     */
    record Records(StudentRef student, Measure measure, List<Score> scores, @Nullable Goal goal, List<Decision> taken, List<Plan> plans,
            @Nullable Population population) {

        Records with(Goal aim) {
            return new Records(student, measure, scores, aim, taken, plans, population);
        }

        Records with(Measure other) {
            return new Records(student, other, scores, goal, taken, plans, population);
        }
    }

    /** For a small chart among many: without what the other rules say, and whether one score turns it. */
    TrendCard card(Records records) {
        return card(records, false);
    }

    /** For a chart that is opened large. */
    TrendCard whole(Records records) {
        return card(records, true);
    }

    private TrendCard card(Records records, boolean whole) {
        Measure measure = records.measure();
        Goal goal = records.goal();
        Phases phases = Phases.of(records, origin, asOf);
        ChartLines lines = new ChartLines(origin, whole ? MANY_STOPS : FEW_STOPS);
        Trend.Fitter single = s -> LeastSquares.fit(s, measure.semOrZero());
        // A plan is changed so that growth changes: from then on the others' growth under their plans is no guide to this one's.
        Population population = goal == null || phases.parted() ? null : records.population();
        Proposer proposer = new Proposer(measure.settings(), population == null ? single : population);
        Trend newest = proposer.fit(phases.newest());
        GoalView goalView = null;
        ProposalView proposal = null;
        if (goal != null) {
            GoalLine line = goal.line(origin, measure.direction());
            goalView = goalView(goal, line, newest, lines);
            proposal = new Proposing(proposer, phases.newest(), newest, line, lines).view(whole);
        }
        List<PhaseTrend> trends = new ArrayList<>();
        for (int i = 0; i < phases.parts().size(); i++) {
            ScoreSeries phase = phases.parts().get(i);
            boolean last = i == phases.parts().size() - 1;
            // Few points lie: while it is too soon to tell, the line is not drawn on beyond them.
            boolean goesOn = last && proposal != null && proposal.kind() != Proposal.Kind.TOO_SOON;
            PhaseTrend trend = lines.line(last ? newest : single.fit(phase), phase, goesOn && goal != null ? goal.goalDate() : null, last ? population : null);
            if (trend != null) {
                trends.add(trend);
            }
        }
        Decision latest = records.taken().isEmpty() ? null : records.taken().get(records.taken().size() - 1);
        LocalDate settledUntil = latest == null || proposal == null || !latest.settles(proposal.kind(), asOf) ? null : latest.lookAgainOn();
        return new TrendCard(records.student(), measure.ref(), ChartLines.points(records.scores(), phases), trends, phases.changes(), goalView, proposal,
                settledUntil, latest == null ? null : latest.due(asOf), records.plans().stream().filter(Plan::open).findFirst().map(this::brief).orElse(null));
    }

    private TrendCard.PlanBrief brief(Plan plan) {
        return new TrendCard.PlanBrief(plan.id(), plan.phaseOn(asOf).strategy(), plan.groupName(), plan.given(), plan.planned(), plan.tooLittle());
    }

    private static GoalView goalView(Goal goal, GoalLine line, Trend trend, ChartLines lines) {
        Trend.Fitted f = trend instanceof Trend.Fitted fitted ? fitted : null;
        return new GoalView(goal.id(), goal.startDate(), goal.startScore(), goal.goalDate(), goal.goalScore(), line.neededPerWeek(),
                f == null ? null : (Double) GoalChance.of(f, line), f == null ? null : lines.stop(f, goal.goalDate()));
    }

    /** What is proposed for the newest phase. */
    private final class Proposing {
        private final Proposer proposer;
        private final ScoreSeries phase;
        private final Trend trend;
        private final GoalLine line;
        private final ChartLines lines;
        private final double now = ScoreSeries.weeks(origin, asOf);

        Proposing(Proposer proposer, ScoreSeries phase, Trend trend, GoalLine line, ChartLines lines) {
            this.proposer = proposer;
            this.phase = phase;
            this.trend = trend;
            this.line = line;
            this.lines = lines;
        }

        ProposalView view(boolean whole) {
            Proposal p = proposer.propose(phase, trend, line, now);
            LocalDate since = p.kind() == Proposal.Kind.CHANGE || p.kind() == Proposal.Kind.RAISE
                    ? lines.day(phase.week(proposer.since(phase, line, p.kind()))) : null;
            return new ProposalView(p.kind(), p.kind().label(), p.reason(), ProposalWords.evidence(p, since), p.kind().wantsAction(), p.priority(),
                    since,
                    whole ? swing(p) : null, whole ? rules(p) : List.of());
        }

        private List<RuleSays> rules(Proposal p) {
            RuleSettings s = p.rule();
            return Arrays.stream(Rule.values()).map(rule -> {
                RuleSettings other = new RuleSettings(rule, s.lastPoints(), s.changeAtMost(), s.raiseAtLeast(), s.minimumScores(), s.minimumWeeks());
                Proposal says = rule == s.rule() ? p : proposer.with(other).propose(phase, trend, line, now);
                return new RuleSays(rule.label(), says.kind(), says.kind().label(), says.evidence(), rule == s.rule());
            }).toList();
        }

        private @Nullable Swing swing(Proposal p) {
            return proposer.swing(phase, line, now, p)
                    .map(s -> new Swing(lines.day(phase.week(s.index())), phase.score(s.index()), s.without().kind().label())).orElse(null);
        }
    }
}
