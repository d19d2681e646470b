package org.zealousladder.server.monitoring.trends;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Interval;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.decisions.Proposer;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.core.goals.GoalChance;
import org.zealousladder.core.goals.GoalLine;
import org.zealousladder.core.growth.LeastSquares;
import org.zealousladder.core.growth.Outliers;
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
import org.zealousladder.server.monitoring.trends.TrendCard.TrendPoint;
import org.zealousladder.server.monitoring.trends.TrendCard.TrendStop;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.scores.scores.Score;

/** Makes a card from records: splits phases, asks the core for trend, chance and decision, and lays out the line. */
final class CardMaker {
    private static final int STOPS = 12;

    /**
     * Scores up to this many days before a goal's start belong to its first phase: the baseline was taken from them. A plan that begins up to as many days
     * after it belongs to that phase, too: baseline and plan make a beginning together.
     */
    static final int BASELINE_DAYS = 21;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

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
     * @param population what the trend leans on; null where it is fitted by itself
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

    TrendCard card(Records records) {
        Measure measure = records.measure();
        List<Score> scores = records.scores();
        Goal goal = records.goal();
        List<Decision> taken = records.taken();
        List<Score> scored = scores.stream().filter(Score::scored).toList();
        ScoreSeries series = ScoreSeries.of(
                scored.stream().mapToDouble(s -> week(s.takenOn())).toArray(),
                scored.stream().mapToDouble(Score::value).toArray());
        LocalDate since = goal == null ? origin : goal.startDate().minusDays(BASELINE_DAYS);
        List<LocalDate> changes = changes(records);
        List<LocalDate> splits = changes.stream().filter(d -> d.isAfter(since)).toList();
        Trend.Fitter single = s -> LeastSquares.fit(s, measure.semOrZero());
        // A plan is changed so that growth changes: from then on the others' growth under their plans is no guide to this one's.
        Population population = goal == null || !splits.isEmpty() ? null : records.population();
        Proposer proposer = new Proposer(measure.settings(), population == null ? single : population);
        ScoreSeries monitored = goal == null ? series : series.from(week(since));
        List<ScoreSeries> phases = split(monitored, splits);
        ScoreSeries newest = phases.get(phases.size() - 1);
        GoalView goalView = null;
        ProposalView proposal = null;
        LocalDate settledUntil = null;
        Decision latest = taken.isEmpty() ? null : taken.get(taken.size() - 1);
        if (goal != null) {
            GoalLine line = goal.line(origin, measure.direction());
            Trend trend = proposer.fit(newest);
            Proposal decision = proposer.propose(newest, trend, line, week(asOf));
            goalView = goalView(goal, line, trend);
            proposal = proposal(decision, proposer, newest, trend, line);
            settledUntil = latest == null || !latest.settles(proposal.kind(), asOf) ? null : latest.lookAgainOn();
        }
        List<PhaseTrend> trends = new ArrayList<>();
        for (int i = 0; i < phases.size(); i++) {
            // Few points lie: while it is too soon to tell, the line is not drawn on beyond them.
            boolean goesOn = i == phases.size() - 1 && proposal != null && !proposal.kind().equals(Proposal.Kind.TOO_SOON.code());
            boolean last = i == phases.size() - 1;
            PhaseTrend trend = phaseTrend(last ? proposer.fit(phases.get(i)) : single.fit(phases.get(i)), phases.get(i), goesOn ? goal : null,
                    last ? population : null);
            if (trend != null) {
                trends.add(trend);
            }
        }
        return new TrendCard(records.student(), measure.ref(), points(scores, phases, series.size() - monitored.size()), trends, changes, goalView, proposal,
                settledUntil, latest == null ? null : latest.due(asOf),
                records.plans().stream().filter(Plan::open).findFirst().map(p -> brief(p, asOf)).orElse(null));
    }

    /** Days of the year on which the plan changed: by a decision, by a later phase, or by a plan that began when monitoring had been under way. */
    private List<LocalDate> changes(Records records) {
        Goal goal = records.goal();
        Stream<LocalDate> decided = records.taken().stream().filter(t -> t.kind().equals(Decision.PLAN_CHANGED)).map(Decision::decidedOn);
        Stream<LocalDate> phases = records.plans().stream().flatMap(p -> p.phases().stream().skip(1)).map(Plan.PlanPhase::starts)
                .filter(d -> goal == null || d.isAfter(goal.startDate()));
        Stream<LocalDate> begun = records.plans().stream().map(p -> p.phases().get(0).starts())
                .filter(d -> goal != null && d.isAfter(goal.startDate().plusDays(BASELINE_DAYS)));
        return Stream.of(decided, phases, begun).flatMap(d -> d).filter(d -> !d.isBefore(origin) && !d.isAfter(asOf)).distinct().sorted().toList();
    }

    private static TrendCard.PlanBrief brief(Plan plan, LocalDate asOf) {
        return new TrendCard.PlanBrief(plan.id(), plan.phaseOn(asOf).strategy(), plan.groupName(), plan.given(), plan.planned(),
                plan.tooLittle());
    }

    private double week(LocalDate day) {
        return ScoreSeries.weeks(origin, day);
    }

    private LocalDate day(double week) {
        return origin.plusDays(Math.round(week * 7));
    }

    private List<ScoreSeries> split(ScoreSeries series, List<LocalDate> changes) {
        List<ScoreSeries> phases = new ArrayList<>();
        ScoreSeries rest = series;
        for (LocalDate change : changes) {
            ScoreSeries after = rest.from(week(change));
            phases.add(rest.first(rest.size() - after.size()));
            rest = after;
        }
        phases.add(rest);
        return phases;
    }

    private @Nullable PhaseTrend phaseTrend(Trend trend, ScoreSeries phase, @Nullable Goal goal, @Nullable Population population) {
        if (!(trend instanceof Trend.Fitted f)) {
            return null;
        }
        double from = phase.week(0);
        double lastScore = phase.week(phase.size() - 1);
        double to = goal == null ? lastScore : Math.max(lastScore, week(goal.goalDate()));
        Set<LocalDate> days = new java.util.TreeSet<>();
        for (int i = 0; i <= STOPS; i++) {
            days.add(day(from + i * (to - from) / STOPS));
        }
        days.add(day(lastScore));
        Population group = f.method() == Trend.Method.POOLED ? population : null;
        return new PhaseTrend(f.n(), f.slope(), f.slopeLow(), f.slopeHigh(), day(lastScore), days.stream().map(d -> stop(f, d)).toList(),
                group == null ? null : f.leaning(), group == null ? null : group.series() - 1, group == null ? null : group.slopePerWeek());
    }

    private TrendStop stop(Trend.Fitted f, LocalDate day) {
        Interval level = f.level(week(day));
        return new TrendStop(day, level.value(), level.low(), level.high());
    }

    private GoalView goalView(Goal goal, GoalLine line, Trend trend) {
        Double chance = trend instanceof Trend.Fitted f ? GoalChance.of(f, line) : null;
        TrendStop projected = trend instanceof Trend.Fitted f ? stop(f, goal.goalDate()) : null;
        return new GoalView(goal.id(), goal.startDate(), goal.startScore(), goal.goalDate(), goal.goalScore(), line.neededPerWeek(),
                chance, projected);
    }

    private ProposalView proposal(Proposal proposal, Proposer proposer, ScoreSeries phase, Trend trend, GoalLine line) {
        LocalDate since = proposal.kind() == Proposal.Kind.CHANGE || proposal.kind() == Proposal.Kind.RAISE
                ? day(phase.week(proposer.since(phase, line, proposal.kind()))) : null;
        List<RuleSays> rules = Arrays.stream(Rule.values()).map(rule -> {
            RuleSettings s = proposal.rule();
            RuleSettings other = new RuleSettings(rule, s.lastPoints(), s.changeAtMost(), s.raiseAtLeast(), s.minimumScores(), s.minimumWeeks());
            Proposal says = rule == s.rule() ? proposal : proposer.with(other).propose(phase, trend, line, week(asOf));
            return new RuleSays(rule.label(), says.kind().code(), says.kind().label(), says.evidence(), rule == s.rule());
        }).toList();
        Swing swing = proposer.swing(phase, line, week(asOf), proposal).map(s -> new Swing(day(phase.week(s.index())), phase.score(s.index()),
                s.without().kind().label())).orElse(null);
        return new ProposalView(proposal.kind().code(), proposal.kind().label(), proposal.reason(), evidence(proposal, since),
                proposal.kind().wantsAction(), proposal.priority(), since, swing, rules);
    }

    private static String evidence(Proposal d, @Nullable LocalDate since) {
        RuleSettings s = d.rule();
        String threshold = switch (d.kind()) {
            case CHANGE -> switch (s.rule()) {
                case CHANCE -> "at most " + Math.round(100 * s.changeAtMost()) + " %";
                case TREND -> "slower than needed";
                case LAST_POINTS -> s.lastPoints() + " short of the line";
            };
            case RAISE -> switch (s.rule()) {
                case CHANCE -> "at least " + Math.round(100 * s.raiseAtLeast()) + " %";
                case TREND -> "faster than needed";
                case LAST_POINTS -> s.lastPoints() + " past the line";
            };
            default -> "";
        };
        if (threshold.isEmpty()) {
            return d.kind() == Proposal.Kind.HOLD || d.kind() == Proposal.Kind.TOO_SOON ? s.rule().label() + "." : "Goal date passed.";
        }
        return s.rule().label() + ", " + threshold + (since == null ? "." : " since " + DAY.format(since) + ".");
    }

    /** Outliers are marked within each phase: a jump at a plan change is not a wild score. The first {@code before} are in none. */
    private static List<TrendPoint> points(List<Score> scores, List<ScoreSeries> phases, int before) {
        Set<Integer> wild = new HashSet<>();
        int unfitted = before;
        for (ScoreSeries phase : phases) {
            for (int i : Outliers.mark(phase)) {
                wild.add(before + i);
            }
            before += phase.size();
        }
        List<TrendPoint> points = new ArrayList<>(scores.size());
        int k = 0;
        for (Score s : scores) {
            boolean outlier = s.scored() && wild.contains(k);
            boolean fitted = s.scored() && k >= unfitted;
            k += s.scored() ? 1 : 0;
            points.add(new TrendPoint(s.id(), s.takenOn(), s.value(), s.status(), outlier, fitted));
        }
        return points;
    }
}
