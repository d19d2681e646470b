package org.zealousladder.server.monitoring.trends;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.summary.Quantiles;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.monitoring.decisions.Decision;
import org.zealousladder.server.monitoring.decisions.DecisionsService;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.goals.GoalsService;
import org.zealousladder.server.monitoring.plans.Following;
import org.zealousladder.server.monitoring.plans.FollowingService;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.monitoring.plans.PlansService;
import org.zealousladder.server.monitoring.plans.StrategiesService;
import org.zealousladder.server.monitoring.plans.Strategy;
import org.zealousladder.server.monitoring.strip.MediansService;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoreVersion;
import org.zealousladder.server.scores.scores.ScoresService;

/** The Trends view: cards of the students who are monitored, that is, who have a goal. */
@Service
@Transactional(readOnly = true)
public class TrendsService {
    private static final int FEWEST_PEERS = 5;

    private final RosterService roster;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final ScoresService scores;
    private final GoalsService goals;
    private final DecisionsService decisions;
    private final PlansService plans;
    private final StrategiesService strategies;
    private final FollowingService followed;
    private final MediansService medians;
    private final CardsService cards;

    TrendsService(RosterService roster, MeasuresService measures, WindowsService allWindows, ScoresService scores, GoalsService goals,
            DecisionsService decisions, PlansService plans, StrategiesService strategies, FollowingService followed,
            MediansService medians, CardsService cards) {
        this.roster = roster;
        this.measures = measures;
        this.allWindows = allWindows;
        this.scores = scores;
        this.goals = goals;
        this.decisions = decisions;
        this.plans = plans;
        this.strategies = strategies;
        this.followed = followed;
        this.medians = medians;
        this.cards = cards;
    }

    /** Median of a class in one screening window, {@code n} scores; or one that somebody gave, {@code n} 0. */
    public record PeerMedian(int classId, LocalDate date, double median, int n) {}

    /**
     * What the Trends view shows.
     *
     * @param withoutGoal who has a concern or a plan but no goal, so that nothing can be proposed
     */
    public record TrendsView(List<TrendCard> cards, List<PeerMedian> peers, int students, String summary, List<StrategyResult> strategies,
            List<StudentRef> withoutGoal) {}

    /**
     * How students do under one strategy.
     *
     * @param medianSlope of those with a trend, a week; null for fewer than three
     * @param medianNeeded growth a week that their goals ask for
     */
    public record StrategyResult(String strategy, int students, @Nullable Double medianSlope, double medianNeeded) {}

    /**
     * What the Trends view and the meeting are made from, read once.
     *
     * @param cards of those who are monitored, in the order in which they want attention
     */
    public record Looked(SchoolYear year, LocalDate asOf, Measure measure, List<Enrolled> students, Following following, Ground ground, List<TrendCard> cards,
            List<PeerMedian> peers) {

        /** Who is followed and has no goal, so that nothing can be proposed. */
        public List<Enrolled> withoutGoal() {
            return students.stream().filter(e -> following.follows(e.id()) && following.goal(e.id()) == null).toList();
        }
    }

    public Looked look(Who who, int measureId, int yearId, LocalDate asked) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        Measure measure = measures.measure(measureId, asOf);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        Following following = followed.on(students.stream().map(Enrolled::id).toList(), measure, year, asOf);
        Ground ground = cards.ground(following, measureId, asOf);
        List<TrendCard> ordered = cards.monitored(students, Map.of(measureId, measure), ground, year, asOf).stream().sorted(BY_NEED).toList();
        return new Looked(year, asOf, measure, students, following, ground, ordered, peers(students, measureId, year, asOf));
    }

    public TrendsView view(Who who, int measureId, int yearId, LocalDate asked) {
        Looked seen = look(who, measureId, yearId, asked);
        return new TrendsView(seen.cards(), seen.peers(), seen.students().size(), TrendsSummary.of(seen.cards()), results(seen.cards()),
                seen.withoutGoal().stream().map(Enrolled::ref).toList());
    }

    /** What wants deciding first, then what is open, then by name. */
    private static final Comparator<TrendCard> BY_NEED = Comparator
            .comparing((TrendCard c) -> c.settledUntil() != null)
            .thenComparing(c -> c.proposal() == null ? 0 : -c.proposal().priority())
            .thenComparing(c -> c.proposal() == null || c.proposal().kind() != Proposal.Kind.TOO_SOON)
            .thenComparing(TrendCard::student, StudentRef.BY_NAME);

    /** One student on one measure, opened large. */
    public record TrendDetail(TrendCard card, List<ScoreVersion> history, List<Goal> replacedGoals, List<Decision> decisions,
            List<Plan> plans, List<Strategy> strategies) {}

    public TrendDetail detail(int studentId, int measureId, LocalDate asOf) {
        TrendCard card = cards.card(studentId, measureId, asOf);
        int school = roster.enrolled(studentId, asOf).schoolId();
        return new TrendDetail(card, scores.history(studentId, measureId, asOf),
                goals.replacedBy(List.of(studentId), measureId, roster.yearOf(asOf, school).starts(), asOf),
                decisions.log(List.of(studentId), measureId, asOf), plans.knownOn(List.of(studentId), measureId, asOf),
                strategies.of(school, card.measure().area()));
    }

    private static List<StrategyResult> results(List<TrendCard> cards) {
        Map<String, List<TrendCard>> by = cards.stream().filter(c -> c.plan() != null && c.goal() != null)
                .collect(Collectors.groupingBy(c -> requireNonNull(c.plan()).strategy(), TreeMap::new, Collectors.toList()));
        return by.entrySet().stream().map(e -> {
            double[] slopes = e.getValue().stream().filter(c -> !c.phases().isEmpty()).mapToDouble(c -> c.phases().get(c.phases().size() - 1).slope())
                    .toArray();
            double[] needed = e.getValue().stream().mapToDouble(c -> requireNonNull(c.goal()).neededPerWeek()).toArray();
            return new StrategyResult(e.getKey(), e.getValue().size(), slopes.length < 3 ? null : (Double) Quantiles.of(slopes).median().orElseThrow(),
                    Quantiles.of(needed).median().orElseThrow());
        }).toList();
    }

    /** Medians of each class, also where a whole school is looked at: a grade's peers are not the school. Those that somebody gave come with them. */
    private List<PeerMedian> peers(List<Enrolled> students, int measureId, SchoolYear year, LocalDate asOf) {
        List<PeerMedian> peers = new ArrayList<>();
        Map<Integer, Window> windows = allWindows.windows(asOf).stream().filter(w -> w.yearId() == year.id() && !w.starts().isAfter(asOf))
                .collect(Collectors.toMap(Window::id, w -> w));
        Map<Integer, Integer> classes = students.stream().collect(Collectors.toMap(Enrolled::id, Enrolled::classId, (a, b) -> a));
        scores.screening(classes.keySet(), List.of(measureId), List.copyOf(windows.values()), asOf).stream().filter(Score::scored)
                .collect(Collectors.groupingBy(s -> new ClassIn(requireNonNull(classes.get(s.studentId())), requireNonNull(s.windowId()))))
                .forEach((in, of) -> {
                    if (of.size() >= FEWEST_PEERS) {
                        Window w = requireNonNull(windows.get(in.windowId()));
                        LocalDate middle = w.starts().plusDays(ChronoUnit.DAYS.between(w.starts(), w.ends()) / 2);
                        double median = Quantiles.of(of.stream().mapToDouble(Score::value).toArray()).median().orElseThrow();
                        peers.add(new PeerMedian(in.classId(), middle, median, of.size()));
                    }
                });
        medians.known(classes.values().stream().distinct().toList(), measureId, asOf).stream().filter(m -> !m.day().isBefore(year.starts()))
                .map(m -> new PeerMedian(m.classId(), m.day(), m.value(), 0)).forEach(peers::add);
        peers.sort(Comparator.comparing(PeerMedian::classId).thenComparing(PeerMedian::date));
        return peers;
    }

    private record ClassIn(int classId, int windowId) {}
}
