package org.zealousladder.server.trends;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.goals.Baseline;
import org.zealousladder.core.summary.Quantiles;
import org.zealousladder.server.decisions.DecisionsService;
import org.zealousladder.server.decisions.Taken;
import org.zealousladder.server.goals.Goal;
import org.zealousladder.server.goals.GoalsService;
import org.zealousladder.server.measures.Measure;
import org.zealousladder.server.measures.MeasuresService;
import org.zealousladder.server.measures.Window;
import org.zealousladder.server.plans.Plan;
import org.zealousladder.server.plans.PlansService;
import org.zealousladder.server.plans.StrategiesService;
import org.zealousladder.server.plans.Strategy;
import org.zealousladder.server.roster.Enrolled;
import org.zealousladder.server.roster.RosterService;
import org.zealousladder.server.roster.SchoolYear;
import org.zealousladder.server.roster.Who;
import org.zealousladder.server.scores.Score;
import org.zealousladder.server.scores.ScoreVersion;
import org.zealousladder.server.scores.ScoresService;
import org.zealousladder.server.strip.StripService;

/** Cards of the students who are monitored, that is, who have a goal. Four reads whatever the number of students. */
@Service
@Transactional(readOnly = true)
public class TrendsService {
    private static final int FEWEST_PEERS = 5;

    private final RosterService roster;
    private final MeasuresService measures;
    private final ScoresService scores;
    private final GoalsService goals;
    private final DecisionsService decisions;
    private final PlansService plans;
    private final StrategiesService strategies;
    private final StripService strip;
    private final PoolsStore pools;

    TrendsService(RosterService roster, MeasuresService measures, ScoresService scores, GoalsService goals,
            DecisionsService decisions, PlansService plans, StrategiesService strategies, StripService strip, PoolsStore pools) {
        this.roster = roster;
        this.measures = measures;
        this.scores = scores;
        this.goals = goals;
        this.decisions = decisions;
        this.plans = plans;
        this.strategies = strategies;
        this.strip = strip;
        this.pools = pools;
    }

    record Key(int student, int measure) {}

    /** Median of the class in one screening window, {@code n} scores; or one that somebody gave, {@code n} 0. */
    public record PeerMedian(LocalDate date, double median, int n) {}

    /** What the Trends view shows. */
    public record TrendsView(List<TrendCard> cards, List<PeerMedian> peers, int students, String summary, List<StrategyResult> strategies) {}

    /**
     * How students do under one strategy.
     *
     * @param medianSlope of those with a trend, a week; null for fewer than three
     * @param medianNeeded growth a week that their goals ask for
     */
    public record StrategyResult(String strategy, int students, @Nullable Double medianSlope, double medianNeeded) {}

    public TrendsView view(Who who, int measureId, int yearId, LocalDate asked) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        Measure measure = measures.measure(measureId, asOf);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        List<Score> all = scores.of(ids, List.of(measureId), year.starts(), asOf);
        List<TrendCard> cards = cards(students, Map.of(measureId, measure), all, measureId, year, asOf);
        List<TrendCard> ordered = new ArrayList<>(cards);
        ordered.sort(BY_NEED);
        List<Window> windows = measures.seasons(asOf, 3).stream().filter(w -> w.yearId() == yearId).toList();
        List<PeerMedian> peers = peers(windows, all);
        if (who.kind() == Who.Kind.CLASS) {
            strip.medians(who.id(), measureId, asOf).stream().filter(m -> !m.day().isBefore(year.starts())).map(m -> new PeerMedian(m.day(), m.value(), 0)).forEach(peers::add);
            peers.sort(Comparator.comparing(PeerMedian::date));
        }
        return new TrendsView(ordered, peers, students.size(), TrendsSummary.of(ordered), results(ordered));
    }

    /** What wants deciding first, then what is open, then by name. */
    private static final Comparator<TrendCard> BY_NEED = Comparator
            .comparing((TrendCard c) -> c.settledUntil() != null)
            .thenComparing(c -> c.decision() == null ? 0 : -c.decision().priority())
            .thenComparing(c -> c.decision() == null || !c.decision().kind().equals("too-soon"))
            .thenComparing(c -> c.student().name());

    /**
     * Cards of all students with a goal.
     *
     * @param all their scores of the year, by student, measure and date
     * @param only a single measure, or null for all
     */
    public List<TrendCard> cards(List<Enrolled> students, Map<Integer, Measure> byId, List<Score> all, @Nullable Integer only,
            SchoolYear year, LocalDate asOf) {
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        List<Goal> known = goals.knownOn(ids, only, asOf);
        if (known.isEmpty()) {
            return List.of();
        }
        Map<Key, List<Score>> series = all.stream().collect(Collectors.groupingBy(s -> new Key(s.studentId(), s.measureId())));
        List<Integer> byGoal = known.stream().map(Goal::studentId).distinct().toList();
        Map<Key, List<Taken>> taken = decisions.knownOn(byGoal, only, asOf).stream().collect(Collectors.groupingBy(t -> new Key(t.studentId(), t.measureId())));
        Map<Integer, Enrolled> byStudent = students.stream().collect(Collectors.toMap(Enrolled::id, e -> e, (a, b) -> a));
        Map<Key, List<Plan>> planned = byKey(plans.knownOn(byGoal, only, asOf));
        List<Enrolled> monitored = byGoal.stream().map(byStudent::get).toList();
        Pools groups = pools.of(monitored, known.stream().map(Goal::measureId).distinct().toList(), year.starts(), asOf);
        CardMaker maker = new CardMaker(year.starts(), asOf);
        return known.stream().filter(g -> !g.goalDate().isBefore(year.starts())).map(g -> {
            Key key = new Key(g.studentId(), g.measureId());
            Enrolled student = byStudent.get(g.studentId());
            return maker.card(new CardMaker.Records(student.ref(), byId.get(g.measureId()), series.getOrDefault(key, List.of()), g,
                    taken.getOrDefault(key, List.of()), planned.getOrDefault(key, List.of()), groups.of(group(student, g.measureId())).orElse(null)));
        }).toList();
    }

    private static Pools.Group group(Enrolled student, int measure) {
        return new Pools.Group(measure, student.schoolId(), student.grade());
    }

    private static Map<Key, List<Plan>> byKey(List<Plan> plans) {
        return plans.stream().collect(Collectors.groupingBy(p -> new Key(p.studentId(), p.measureId())));
    }

    /** One student's card on one measure as of a day, with or without a goal. */
    public TrendCard card(int studentId, int measureId, LocalDate today) {
        Goal goal = goals.knownOn(List.of(studentId), measureId, today).stream().findFirst().orElse(null);
        return card(roster.enrolled(studentId, today), measures.measure(measureId, today), goal, today);
    }

    private TrendCard card(Enrolled student, Measure measure, @Nullable Goal goal, LocalDate today) {
        int studentId = student.id();
        int measureId = measure.id();
        SchoolYear year = yearOf(today);
        List<Score> own = scores.of(List.of(studentId), List.of(measureId), year.starts(), today);
        Pools groups = pools.of(List.of(student), List.of(measureId), year.starts(), today);
        return new CardMaker(year.starts(), today).card(new CardMaker.Records(student.ref(), measure, own, goal,
                decisions.knownOn(List.of(studentId), measureId, today),
                plans.knownOn(List.of(studentId), measureId, today),
                groups.of(group(student, measureId)).orElse(null)));
    }

    /** One student's cards on {@code of}, with or without goals, from scores that are read already. */
    public Map<Integer, TrendCard> cardsOfStudent(Enrolled student, Collection<Measure> of, List<Score> all, List<Taken> taken,
            SchoolYear year, LocalDate asOf) {
        Map<Integer, Goal> known = goals.knownOn(List.of(student.id()), null, asOf).stream()
                .collect(Collectors.toMap(Goal::measureId, g -> g));
        Map<Key, List<Plan>> planned = byKey(plans.knownOn(List.of(student.id()), null, asOf));
        Pools groups = pools.of(List.of(student), known.keySet(), year.starts(), asOf);
        CardMaker maker = new CardMaker(year.starts(), asOf);
        return of.stream().collect(Collectors.toMap(Measure::id, m -> maker.card(new CardMaker.Records(student.ref(), m,
                all.stream().filter(s -> s.measureId() == m.id() && !s.takenOn().isBefore(year.starts())).toList(),
                known.get(m.id()), taken.stream().filter(t -> t.measureId() == m.id()).toList(),
                planned.getOrDefault(new Key(student.id(), m.id()), List.of()), groups.of(group(student, m.id())).orElse(null)))));
    }

    /**
     * One student on one measure, opened large.
     *
     * @param baseline where a first goal would start: the median of the first three scores of the year
     */
    public record TrendDetail(TrendCard card, List<ScoreVersion> history, List<Goal> replacedGoals, List<Taken> decisions,
            @Nullable BaselinePoint baseline, List<Plan> plans, List<Strategy> strategies) {}

    /** A suggested start of a goal line. */
    public record BaselinePoint(LocalDate date, double score) {}

    public TrendDetail detail(int studentId, int measureId, LocalDate asOf) {
        TrendCard card = card(studentId, measureId, asOf);
        return new TrendDetail(card, scores.history(studentId, measureId, asOf), goals.replacedBy(List.of(studentId), measureId, asOf),
                decisions.knownOn(List.of(studentId), measureId, asOf), baseline(card, asOf).orElse(null), plans.knownOn(List.of(studentId), measureId, asOf),
                strategies.of(roster.enrolled(studentId, asOf).schoolId(), card.measure().area()));
    }

    /** Where a goal would start: the median of the first three scores of a card's year. */
    Optional<BaselinePoint> baseline(TrendCard card, LocalDate asOf) {
        LocalDate origin = yearOf(asOf).starts();
        List<TrendCard.TrendPoint> scored = card.points().stream().filter(p -> p.value() != null).toList();
        return Baseline.of(ScoreSeries.of(
                        scored.stream().mapToDouble(p -> ScoreSeries.weeks(origin, p.date())).toArray(),
                        scored.stream().mapToDouble(TrendCard.TrendPoint::value).toArray()))
                .map(b -> new BaselinePoint(origin.plusDays(Math.round(b.week() * 7)), b.score()));
    }

    /** The chance that a student's trend gives a goal which is not set yet; null without a trend. */
    @Nullable Double chance(Enrolled student, Measure measure, Goal goal, LocalDate asOf) {
        TrendCard.GoalView view = card(student, measure, goal, asOf).goal();
        return view == null ? null : view.chance();
    }

    /** The year that holds {@code day}, or the last one begun before it. */
    public SchoolYear yearOf(LocalDate day) {
        List<SchoolYear> years = roster.years();
        return years.stream().filter(y -> !y.starts().isAfter(day)).findFirst().orElse(years.get(years.size() - 1));
    }

    private static List<StrategyResult> results(List<TrendCard> cards) {
        Map<String, List<TrendCard>> by = cards.stream().filter(c -> c.plan() != null && c.goal() != null)
                .collect(Collectors.groupingBy(c -> c.plan().strategy(), TreeMap::new, Collectors.toList()));
        return by.entrySet().stream().map(e -> {
            double[] slopes = e.getValue().stream().filter(c -> !c.phases().isEmpty()).mapToDouble(c -> c.phases().get(c.phases().size() - 1).slope()).toArray();
            double[] needed = e.getValue().stream().mapToDouble(c -> c.goal().neededPerWeek()).toArray();
            return new StrategyResult(e.getKey(), e.getValue().size(), slopes.length < 3 ? null : (Double) Quantiles.of(slopes).median().orElseThrow(),
                    Quantiles.of(needed).median().orElseThrow());
        }).toList();
    }

    private static List<PeerMedian> peers(List<Window> windows, Collection<Score> all) {
        List<PeerMedian> peers = new ArrayList<>();
        for (Window w : windows) {
            Map<Integer, Score> first = all.stream()
                    .filter(s -> s.scored() && !s.takenOn().isBefore(w.starts()) && !s.takenOn().isAfter(w.ends()))
                    .collect(Collectors.toMap(Score::studentId, s -> s, (a, b) -> a));
            if (first.size() >= FEWEST_PEERS) {
                double median = Quantiles.of(first.values().stream().mapToDouble(Score::value).toArray()).median().orElseThrow();
                peers.add(new PeerMedian(w.starts().plusDays(w.starts().until(w.ends()).getDays() / 2), median, first.size()));
            }
        }
        return peers;
    }
}
