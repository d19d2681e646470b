package org.zealousladder.server.monitoring.trends;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.monitoring.decisions.Decision;
import org.zealousladder.server.monitoring.decisions.DecisionsService;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.goals.GoalsService;
import org.zealousladder.server.monitoring.plans.Following;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.monitoring.plans.PlansService;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;
import org.zealousladder.server.scores.scores.ScoresService.StudentMeasure;

/** Reads what cards are made from, a fixed number of reads whatever the number of students, and has them made. */
@Service
@Transactional(readOnly = true)
public class CardsService {
    /** Each takes half a millisecond: of so many all processors reckon. */
    private static final int MANY = 100;

    private final RosterService roster;
    private final MeasuresService measures;
    private final ScoresService scores;
    private final GoalsService goals;
    private final DecisionsService decisions;
    private final PlansService plans;
    private final PoolsStore pools;

    CardsService(RosterService roster, MeasuresService measures, ScoresService scores, GoalsService goals, DecisionsService decisions,
            PlansService plans, PoolsStore pools) {
        this.roster = roster;
        this.measures = measures;
        this.scores = scores;
        this.goals = goals;
        this.decisions = decisions;
        this.plans = plans;
        this.pools = pools;
    }

    /** Goals of some students on all measures, with their plans and what was decided. */
    public Ground ground(List<Enrolled> students, LocalDate asOf) {
        List<Goal> known = goals.knownOn(ids(students), null, asOf);
        List<Integer> byGoal = known.stream().map(Goal::studentId).distinct().toList();
        return Ground.of(known, plans.knownOn(byGoal, null, asOf), decisions.knownOn(byGoal, null, asOf));
    }

    /** The same on some measures. */
    Ground ground(List<Enrolled> students, List<Integer> of, LocalDate asOf) {
        Integer one = of.size() == 1 ? of.get(0) : null;
        List<Goal> known = goals.knownOn(ids(students), one, asOf).stream().filter(g -> of.contains(g.measureId())).toList();
        List<Integer> byGoal = known.stream().map(Goal::studentId).distinct().toList();
        return Ground.of(known, plans.knownOn(byGoal, one, asOf), decisions.knownOn(byGoal, one, asOf));
    }

    /** The same of who is followed on one measure, with or without a goal. */
    public Ground ground(Following following, int measure, LocalDate asOf) {
        return Ground.of(following.goals(), following.plans(), decisions.knownOn(following.students(), measure, asOf));
    }

    /** Cards of those who are monitored: who have a goal that was not over before the year began. */
    public List<TrendCard> monitored(List<Enrolled> students, Map<Integer, Measure> byId, Ground ground, SchoolYear year, LocalDate asOf) {
        return progress(students, byId, ground, year, asOf).stream().map(this::card).toList();
    }

    /** How those are doing who are monitored, without drawing it. */
    public List<Progress> progress(List<Enrolled> students, Map<Integer, Measure> byId, Ground ground, SchoolYear year, LocalDate asOf) {
        CardMaker maker = new CardMaker(year.starts(), asOf);
        List<CardMaker.Records> all = records(students, byId, ground, year, asOf);
        return (all.size() < MANY ? all.stream() : all.parallelStream()).map(maker::progress).toList();
    }

    /** Draws it. */
    public TrendCard card(Progress progress) {
        return CardMaker.card(progress);
    }

    /** What {@link #progress} is reckoned from; how it would be under other settings is reckoned from the same. */
    List<CardMaker.Records> records(List<Enrolled> students, Map<Integer, Measure> byId, Ground ground, SchoolYear year, LocalDate asOf) {
        List<Goal> running = ground.goals().values().stream().filter(g -> !g.over(year.starts())).toList();
        if (running.isEmpty()) {
            return List.of();
        }
        Map<StudentMeasure, List<Score>> series = series(running.stream().map(g -> new StudentMeasure(g.studentId(), g.measureId())).toList(), year, asOf);
        Map<Integer, Enrolled> byStudent = students.stream().collect(Collectors.toMap(Enrolled::id, e -> e, (a, b) -> a));
        Pools groups = pools.of(running.stream().map(g -> requireNonNull(byStudent.get(g.studentId()))).distinct().toList(),
                running.stream().map(g -> requireNonNull(byId.get(g.measureId()))).distinct().toList(), year.starts(), asOf);
        return running.stream().map(g -> {
            StudentMeasure key = new StudentMeasure(g.studentId(), g.measureId());
            Enrolled student = requireNonNull(byStudent.get(g.studentId()));
            return new CardMaker.Records(student.ref(), requireNonNull(byId.get(g.measureId())), series.getOrDefault(key, List.of()), g,
                    ground.decisions(key), ground.plans(key), groups.of(group(student, g.measureId())).orElse(null));
        }).toList();
    }

    /** Cards on one measure of students who have no goal there: what was scored, with a trend and nothing proposed. */
    public List<TrendCard> withoutGoal(List<Enrolled> students, Measure measure, Ground ground, SchoolYear year, LocalDate asOf) {
        Map<StudentMeasure, List<Score>> series = series(students.stream().map(e -> new StudentMeasure(e.id(), measure.id())).toList(), year, asOf);
        Pools groups = pools.of(students, List.of(measure), year.starts(), asOf);
        CardMaker maker = new CardMaker(year.starts(), asOf);
        return students.stream().map(e -> {
            StudentMeasure key = new StudentMeasure(e.id(), measure.id());
            return maker.card(new CardMaker.Records(e.ref(), measure, series.getOrDefault(key, List.of()), null, ground.decisions(key), ground.plans(key),
                    groups.of(group(e, measure.id())).orElse(null)));
        }).toList();
    }

    private Map<StudentMeasure, List<Score>> series(List<StudentMeasure> of, SchoolYear year, LocalDate asOf) {
        return by(scores.series(of, year.starts(), asOf), s -> new StudentMeasure(s.studentId(), s.measureId()));
    }

    /** Students' cards on one measure, with or without goals, on which other goals can be tried. */
    record Trial(CardMaker maker, Map<Integer, CardMaker.Records> records) {

        /** As it stands. */
        TrendCard card(int student) {
            return maker.card(requireNonNull(records.get(student)));
        }

        TrendCard whole(int student) {
            return maker.whole(requireNonNull(records.get(student)));
        }

        @Nullable
        Goal goal(int student) {
            return requireNonNull(records.get(student)).goal();
        }

        /** As it would be with {@code aim}. */
        TrendCard card(int student, Goal aim) {
            return maker.card(requireNonNull(records.get(student)).with(aim));
        }
    }

    /** @param students at least one, all of one school */
    Trial trial(List<Enrolled> students, Measure measure, LocalDate asOf) {
        SchoolYear year = roster.yearOf(asOf, students.get(0).schoolId());
        List<Integer> ids = ids(students);
        Map<Integer, List<Score>> series = by(scores.of(ids, List.of(measure.id()), year.starts(), asOf), Score::studentId);
        Map<Integer, Goal> known = goals.running(ids, measure.id(), year.starts(), asOf).stream().collect(Collectors.toMap(Goal::studentId, g -> g));
        Map<Integer, List<Decision>> taken = by(decisions.knownOn(ids, measure.id(), asOf), Decision::studentId);
        Map<Integer, List<Plan>> planned = by(plans.knownOn(ids, measure.id(), asOf), Plan::studentId);
        Pools groups = pools.of(students, List.of(measure), year.starts(), asOf);
        Map<Integer, CardMaker.Records> records = new HashMap<>();
        students.forEach(e -> records.put(e.id(), new CardMaker.Records(e.ref(), measure, series.getOrDefault(e.id(), List.of()), known.get(e.id()),
                taken.getOrDefault(e.id(), List.of()), planned.getOrDefault(e.id(), List.of()), groups.of(group(e, measure.id())).orElse(null))));
        return new Trial(new CardMaker(year.starts(), asOf), records);
    }

    /** One student's card on one measure as of a day, with or without a goal. */
    TrendCard card(int studentId, int measureId, LocalDate asOf) {
        Enrolled student = roster.enrolled(studentId, asOf);
        return trial(List.of(student), measures.measure(measureId, asOf), asOf).whole(studentId);
    }

    /** One student's cards on {@code of}, with or without goals, from scores that are read already. */
    public Map<Integer, TrendCard> ofStudent(Enrolled student, Collection<Measure> of, List<Score> all, List<Decision> taken, SchoolYear year, LocalDate asOf) {
        Map<Integer, Goal> known = goals.running(List.of(student.id()), null, year.starts(), asOf).stream().collect(Collectors.toMap(Goal::measureId, g -> g));
        Map<Integer, List<Plan>> planned = by(plans.knownOn(List.of(student.id()), null, asOf), Plan::measureId);
        Map<Integer, List<Decision>> decided = by(taken, Decision::measureId);
        Map<Integer, List<Score>> series = by(all.stream().filter(s -> !s.takenOn().isBefore(year.starts())).toList(), Score::measureId);
        Pools groups = pools.of(List.of(student), of, year.starts(), asOf);
        CardMaker maker = new CardMaker(year.starts(), asOf);
        return of.stream().collect(Collectors.toMap(Measure::id, m -> maker.card(new CardMaker.Records(student.ref(), m,
                series.getOrDefault(m.id(), List.of()), known.get(m.id()), decided.getOrDefault(m.id(), List.of()),
                planned.getOrDefault(m.id(), List.of()), groups.of(group(student, m.id())).orElse(null)))));
    }

    private static Pools.Group group(Enrolled student, int measure) {
        return new Pools.Group(measure, student.schoolId(), student.grade());
    }

    private static List<Integer> ids(List<Enrolled> students) {
        return students.stream().map(Enrolled::id).toList();
    }

    private static <K, T> Map<K, List<T>> by(Collection<T> all, Function<T, K> key) {
        return all.stream().collect(Collectors.groupingBy(key));
    }
}
