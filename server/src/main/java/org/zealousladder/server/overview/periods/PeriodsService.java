package org.zealousladder.server.overview.periods;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.core.work.WorkResult;
import org.zealousladder.core.work.WorkSums;
import org.zealousladder.server.engagement.activity.ActivityService;
import org.zealousladder.server.engagement.attendance.AttendanceService;
import org.zealousladder.server.engagement.attendance.Attended;
import org.zealousladder.server.engagement.work.StudentWork;
import org.zealousladder.server.engagement.work.WorkBook;
import org.zealousladder.server.engagement.work.WorkService;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.frameworks.Framework;
import org.zealousladder.server.learning.frameworks.FrameworksService;
import org.zealousladder.server.learning.frameworks.Skill;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.monitoring.plans.PlansService;
import org.zealousladder.server.overview.periods.Period.TookPart;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.calendar.CalendarService;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.Standings;
import org.zealousladder.server.screening.standings.StandingsService;

/** Reads what was done between two days: a fixed number of reads for every school, whatever the number of students. */
@Service
@Transactional(readOnly = true)
public class PeriodsService {
    private static final int LONGEST_YEARS = 15;

    private final MeasuresService measures;
    private final WindowsService windows;
    private final ScoresService scores;
    private final StandingsService standings;
    private final AttendanceService attendance;
    private final ActivityService activity;
    private final WorkService work;
    private final PlansService plans;
    private final AnswersService answers;
    private final FrameworksService frameworks;
    private final CalendarService calendar;

    PeriodsService(MeasuresService measures, WindowsService windows, ScoresService scores, StandingsService standings, AttendanceService attendance,
            ActivityService activity, WorkService work, PlansService plans, AnswersService answers, FrameworksService frameworks, CalendarService calendar) {
        this.calendar = calendar;
        this.measures = measures;
        this.windows = windows;
        this.scores = scores;
        this.standings = standings;
        this.attendance = attendance;
        this.activity = activity;
        this.work = work;
        this.plans = plans;
        this.answers = answers;
        this.frameworks = frameworks;
    }

    /** @throws Refusal 422 for days the wrong way round, or of more than 15 years */
    public static void require(LocalDate from, LocalDate to) {
        if (to.isBefore(from)) {
            throw Refusal.invalid("to", "The time ends before it begins. Choose another day.");
        }
        if (from.isBefore(to.minusYears(LONGEST_YEARS))) {
            throw Refusal.invalid("from", "That is more than " + LONGEST_YEARS + " years. Choose a later first day.");
        }
    }

    /**
     * @param to the day looked at, {@code asOf}, where it is later than that
     * @throws Refusal as {@link #require}
     */
    public Period of(List<Enrolled> students, LocalDate from, LocalDate to, LocalDate asOf) {
        require(from, to);
        LocalDate last = to.isAfter(asOf) ? asOf : to;
        List<Integer> ids = students.stream().map(Enrolled::id).distinct().toList();
        Map<Integer, Measure> byId = measures.byId(asOf);
        Map<Integer, Map<Integer, List<Score>>> taken = new HashMap<>();
        scores.each(ids, byId.keySet(), from, asOf, s -> {
            if (s.value() != null && !s.takenOn().isAfter(last)) {
                taken.computeIfAbsent(s.studentId(), k -> new HashMap<>()).computeIfAbsent(s.measureId(), k -> new ArrayList<>()).add(s);
            }
        });
        List<Measure> used = byId.values().stream().filter(m -> taken.values().stream().anyMatch(own -> own.containsKey(m.id()))).toList();
        List<Integer> known = students.stream().map(Enrolled::schoolId).distinct().flatMap(s -> frameworks.frameworks(s).stream()).map(Framework::id)
                .distinct().toList();
        return new Period(from, last, weeks(students, from, last, asOf), students, part(students, ids, from, last, asOf), taken,
                standings(students, used, from, last, asOf), used,
                frameworks.skills(known), answers.counts(students, known, from, last), answers.timed(students, known, from, last));
    }

    /** How those of a period stand on skills on its last day, by student and skill; who never answered anything is there without any. */
    public Map<Integer, Map<Integer, SkillState>> states(Period period) {
        List<Integer> known = period.skills().stream().map(Skill::frameworkId).distinct().toList();
        AnswersService.Evidence evidence = answers.evidence(period.students(), known, period.to());
        return period.students().stream().collect(Collectors.toMap(Enrolled::id, e -> evidence.of(e, period.to()).entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, s -> s.getValue().state())), (a, b) -> a));
    }

    private double weeks(List<Enrolled> students, LocalDate from, LocalDate to, LocalDate asOf) {
        return students.isEmpty() ? 1 : Math.max(1, calendar.of(students.get(0).schoolId(), asOf).count(from, to.plusDays(1)) / 5.0);
    }

    private Map<Integer, TookPart> part(List<Enrolled> students, List<Integer> ids, LocalDate from, LocalDate to, LocalDate asOf) {
        Map<Integer, Attended> days = attendance.between(students, from, to, asOf);
        Map<Integer, ActivityService.Spent> spent = activity.spent(ids, from, to);
        Map<Integer, Integer> held = plans.held(ids, from, to, asOf);
        WorkBook book = work.between(students, from, to, asOf);
        Map<Integer, TookPart> all = new HashMap<>();
        for (Enrolled e : students) {
            Attended a = days.get(e.id());
            ActivityService.Spent s = spent.get(e.id());
            StudentWork w = book.students().get(e.id());
            WorkSums sums = w == null ? null : w.sums();
            all.put(e.id(), new TookPart(a == null ? null : (Integer) a.days(), a == null ? 0 : a.away().size(), a == null ? 0 : a.late().size(),
                    s == null ? 0 : s.minutes(), s == null ? 0 : s.days(), held.getOrDefault(e.id(), 0), sums == null ? 0 : sums.due(),
                    w == null ? 0 : handedIn(w.all()), sums == null ? 0 : sums.earned(), sums == null ? 0 : sums.ofMarked()));
        }
        return all;
    }

    private static int handedIn(Collection<WorkResult> all) {
        return (int) all.stream().filter(WorkResult::in).count();
    }

    private Map<Integer, Map<Integer, Cell>> standings(List<Enrolled> students, List<Measure> used, LocalDate from, LocalDate to, LocalDate asOf) {
        List<Measure> whole = used.stream().filter(Measure::whole).toList();
        Map<Integer, Map<Integer, Cell>> newest = new HashMap<>();
        students.stream().collect(Collectors.groupingBy(Enrolled::schoolId)).forEach((school, own) -> {
            List<Window> within = windows.of(school, asOf).stream().filter(w -> !w.starts().isAfter(to) && !w.ends().isBefore(from))
                    .sorted(Comparator.comparing(Window::starts)).toList();
            if (!within.isEmpty()) {
                Standings of = standings.of(own, whole, within, asOf);
                own.forEach(e -> whole.forEach(m -> {
                    Cell cell = newest(of.of(e.id(), m.id()), from, to);
                    if (cell != null) {
                        newest.computeIfAbsent(e.id(), k -> new HashMap<>()).put(m.id(), cell);
                    }
                }));
            }
        });
        return newest;
    }

    private static @Nullable Cell newest(List<Cell> cells, LocalDate from, LocalDate to) {
        for (int i = cells.size() - 1; i >= 0; i--) {
            Cell c = cells.get(i);
            if (c.tier() != null && c.date() != null && !c.date().isBefore(from) && !c.date().isAfter(to)) {
                return c;
            }
        }
        return null;
    }
}
