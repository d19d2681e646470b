package org.zealousladder.server.monitoring.trends;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.SteadyPopulation;
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
     * @param pool of the grade on the measure; null where too few are monitored
     */
    record Records(StudentRef student, Measure measure, List<Score> scores, @Nullable Goal goal, List<Decision> taken, List<Plan> plans,
            @Nullable SteadyPopulation pool) {

        Records with(Goal aim) {
            return new Records(student, measure, scores, aim, taken, plans, pool);
        }

        Records with(Measure other) {
            return new Records(student, other, scores, goal, taken, plans, pool);
        }
    }

    Progress progress(Records records) {
        return Progress.of(records, origin, asOf);
    }

    /** For a small chart among many: without what the other rules say, and whether one score turns it. */
    TrendCard card(Records records) {
        return card(progress(records));
    }

    /** As {@link #card(Records)}. */
    static TrendCard card(Progress progress) {
        return card(progress, false);
    }

    /** For a chart that is opened large. */
    TrendCard whole(Records records) {
        return card(progress(records), true);
    }

    private static TrendCard card(Progress p, boolean whole) {
        Records records = p.records();
        ChartLines lines = new ChartLines(p.origin(), whole ? MANY_STOPS : FEW_STOPS);
        return new TrendCard(records.student(), records.measure().ref(), ChartLines.points(records.scores(), p.phases()), trends(p, lines),
                p.phases().changes(),
                goalView(p, lines), new InWords(p, lines).view(whole), p.settledUntil(), p.lookAgain(),
                records.plans().stream().filter(Plan::open).findFirst().map(plan -> brief(plan, p.asOf())).orElse(null));
    }

    private static List<PhaseTrend> trends(Progress p, ChartLines lines) {
        List<PhaseTrend> trends = new ArrayList<>();
        List<ScoreSeries> parts = p.phases().parts();
        for (int i = 0; i < parts.size(); i++) {
            boolean last = i == parts.size() - 1;
            // Few points lie: while it is too soon to tell, the line is not drawn on beyond them.
            Goal goal = last && p.proposal() != null && p.proposal().kind() != Proposal.Kind.TOO_SOON ? p.goal() : null;
            PhaseTrend trend = lines.line(last ? p.fitter() : p.alone(), parts.get(i), goal == null ? null : goal.goalDate(), p.records().pool(),
                    last && p.leaning() != null);
            if (trend != null) {
                trends.add(trend);
            }
        }
        return trends;
    }

    private static TrendCard.PlanBrief brief(Plan plan, LocalDate asOf) {
        return new TrendCard.PlanBrief(plan.id(), plan.phaseOn(asOf).strategy(), plan.groupName(), plan.given(), plan.planned(), plan.tooLittle());
    }

    private static @Nullable GoalView goalView(Progress p, ChartLines lines) {
        Goal goal = p.goal();
        GoalLine line = p.line();
        if (goal == null || line == null) {
            return null;
        }
        Trend.Fitted f = p.trend() instanceof Trend.Fitted fitted ? fitted : null;
        return new GoalView(goal.id(), goal.startDate(), goal.startScore(), goal.goalDate(), goal.goalScore(), line.neededPerWeek(),
                requireNonNull(p.proposal()).figures().chance(), f == null ? null : lines.stop(f, goal.goalDate()));
    }

    /** The proposal in words. */
    private record InWords(Progress of, ChartLines lines) {

        @Nullable
        ProposalView view(boolean whole) {
            Proposal p = of.proposal();
            if (p == null) {
                return null;
            }
            LocalDate since = p.kind() == Proposal.Kind.CHANGE || p.kind() == Proposal.Kind.RAISE
                    ? lines.day(phase().week(of.proposer().since(phase(), line(), p.kind()))) : null;
            return new ProposalView(p.kind(), p.kind().label(), p.reason(), ProposalWords.evidence(p, since), p.kind().wantsAction(), p.priority(), since,
                    whole ? swing(p) : null, whole ? toHalve() : null, p.figures().planned() - p.figures().scores(), whole ? rules(p) : List.of());
        }

        private ScoreSeries phase() {
            return of.phases().newest();
        }

        private GoalLine line() {
            return requireNonNull(of.line());
        }

        private List<RuleSays> rules(Proposal p) {
            RuleSettings s = p.rule();
            return Arrays.stream(Rule.values()).map(rule -> {
                RuleSettings other = new RuleSettings(rule, s.lastPoints(), s.changeAtMost(), s.raiseAtLeast(), s.minimumScores(), s.minimumWeeks());
                Proposal says = rule == s.rule() ? p : of.proposer().with(other).propose(phase(), of.trend(), line(), of.now());
                return new RuleSays(rule.label(), says.kind(), says.kind().label(), says.evidence(), rule == s.rule());
            }).toList();
        }

        private @Nullable Integer toHalve() {
            OptionalInt more = of.proposer().toHalve(phase(), of.trend(), line(), of.now());
            return more.isPresent() ? more.getAsInt() : null;
        }

        private @Nullable Swing swing(Proposal p) {
            return of.proposer().swing(phase(), line(), of.now(), p)
                    .map(s -> new Swing(lines.day(phase().week(s.index())), phase().score(s.index()), s.without().kind().label())).orElse(null);
        }
    }
}
