package org.zealousladder.server.engagement.effort;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Direction;
import org.zealousladder.core.summary.Quantiles;
import org.zealousladder.core.summary.RankCorrelation;
import org.zealousladder.server.engagement.activity.ActivityService;
import org.zealousladder.server.engagement.attendance.AttendanceService;
import org.zealousladder.server.engagement.effort.EffortView.By;
import org.zealousladder.server.engagement.effort.EffortView.Field;
import org.zealousladder.server.engagement.work.WorkService;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;

/** Puts the scatter together: effort of the year so far, the newest score of the year. */
@Service
@Transactional(readOnly = true)
class EffortService {
    private final RosterService roster;
    private final MeasuresService measures;
    private final ScoresService scores;
    private final ActivityService activity;
    private final AttendanceService attendance;
    private final WorkService work;

    EffortService(RosterService roster, MeasuresService measures, ScoresService scores, ActivityService activity, AttendanceService attendance,
            WorkService work) {
        this.work = work;
        this.roster = roster;
        this.measures = measures;
        this.scores = scores;
        this.activity = activity;
        this.attendance = attendance;
    }

    EffortView view(Who who, int yearId, LocalDate asked, int measureId, By by) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        Measure measure = measures.byId(asOf).get(measureId);
        if (measure == null) {
            throw Refusal.notFound("There is no such measure.");
        }
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        Map<Integer, Double> effort = switch (by) {
            case DAYS_ABSENT -> away(students, year, asOf);
            case WORK_DONE -> handedIn(students, year, asOf);
            case MINUTES, ACTIONS -> done(students, year, asOf, by);
        };
        Map<Integer, Score> newest = new HashMap<>();
        scores.of(students.stream().map(Enrolled::id).toList(), Set.of(measureId), year.starts(), asOf).stream().filter(Score::scored)
                .forEach(s -> newest.merge(s.studentId(), s, (a, b) -> b.takenOn().isBefore(a.takenOn()) ? a : b));
        List<Enrolled> both = students.stream().filter(e -> effort.containsKey(e.id()) && newest.containsKey(e.id())).toList();
        double[] x = both.stream().mapToDouble(e -> effort.getOrDefault(e.id(), 0.0)).toArray();
        double[] y = both.stream().mapToDouble(e -> value(newest, e)).toArray();
        double medianX = Quantiles.of(x).median().orElse(0);
        double medianY = Quantiles.of(y).median().orElse(0);
        List<EffortView.EffortPoint> points = new ArrayList<>();
        for (int i = 0; i < both.size(); i++) {
            boolean high = measure.direction() == Direction.HIGHER_IS_BETTER ? y[i] >= medianY : y[i] <= medianY;
            boolean much = by == By.DAYS_ABSENT ? x[i] <= medianX : x[i] >= medianX;
            Field field = high ? much ? Field.MUCH_HIGH : Field.LITTLE_HIGH : much ? Field.MUCH_LOW : Field.LITTLE_LOW;
            Score score = newest.get(both.get(i).id());
            points.add(new EffortView.EffortPoint(both.get(i).ref(), x[i], y[i], score == null ? asOf : score.takenOn(), field));
        }
        return new EffortView(measure.name(), measure.unit(), measure.direction() == Direction.HIGHER_IS_BETTER, by, points, medianX, medianY,
                RankCorrelation.of(x, y).map(r -> new EffortView.Together(r.n(), r.rho(), r.low(), r.high())).orElse(null),
                refs(students, e -> effort.containsKey(e.id()) && !newest.containsKey(e.id())),
                refs(students, e -> !effort.containsKey(e.id()) && newest.containsKey(e.id())));
    }

    private static double value(Map<Integer, Score> newest, Enrolled e) {
        Score score = newest.get(e.id());
        return score == null || score.value() == null ? 0 : score.value();
    }

    private static List<StudentRef> refs(List<Enrolled> students, java.util.function.Predicate<Enrolled> which) {
        return students.stream().filter(which).map(Enrolled::ref).toList();
    }

    private Map<Integer, Double> away(List<Enrolled> students, SchoolYear year, LocalDate asOf) {
        return attendance.of(students, year, asOf).entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> (double) e.getValue().away().size()));
    }

    private Map<Integer, Double> handedIn(List<Enrolled> students, SchoolYear year, LocalDate asOf) {
        Map<Integer, Double> share = new HashMap<>();
        work.of(students, year, asOf).students().forEach((s, w) -> w.sums().shareAttempted().ifPresent(a -> share.put(s, 100 * a)));
        return share;
    }

    /** A week's mean since the student's first on record. */
    private Map<Integer, Double> done(List<Enrolled> students, SchoolYear year, LocalDate asOf, By by) {
        LocalDate monday = year.starts().with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        int weeks = (int) Math.max(0, Math.floorDiv(ChronoUnit.DAYS.between(monday, asOf), 7L) + 1);
        Map<Integer, Double> effort = new HashMap<>();
        activity.classes(students.stream().map(Enrolled::classId).distinct().toList(), monday, weeks, asOf).values().forEach(c -> c.seats().forEach(s -> {
            if (s.studentId() != null && s.first() != null) {
                double n = weeks - Math.floorDiv(ChronoUnit.DAYS.between(monday, s.first()), 7L);
                effort.put(s.studentId(), (by == By.MINUTES ? Arrays.stream(s.minutes()).sum() : Arrays.stream(s.actions()).sum()) / n);
            }
        }));
        effort.keySet().retainAll(students.stream().map(Enrolled::id).toList());
        return effort;
    }
}
