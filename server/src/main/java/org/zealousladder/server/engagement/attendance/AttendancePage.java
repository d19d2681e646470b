package org.zealousladder.server.engagement.attendance;

import static java.util.Objects.requireNonNull;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Direction;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.RuleSetting;
import org.zealousladder.server.engagement.attendance.AttendanceView.AwayReason;
import org.zealousladder.server.engagement.attendance.AttendanceView.StudentAway;
import org.zealousladder.server.engagement.attendance.AttendanceView.WeekAway;
import org.zealousladder.server.engagement.rules.RuleWords;
import org.zealousladder.server.engagement.rules.Rules;
import org.zealousladder.server.engagement.rules.RulesService;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.school.calendar.CalendarService;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.ScoresService;

/** Puts the page of attendance together. */
@Service
@Transactional(readOnly = true)
class AttendancePage {
    private final RosterService roster;
    private final AttendanceService attendance;
    private final RulesService rules;
    private final CalendarService calendar;
    private final MeasuresService measures;
    private final ScoresService scores;

    AttendancePage(RosterService roster, AttendanceService attendance, RulesService rules, CalendarService calendar, MeasuresService measures,
            ScoresService scores) {
        this.measures = measures;
        this.scores = scores;
        this.roster = roster;
        this.attendance = attendance;
        this.rules = rules;
        this.calendar = calendar;
    }

    /** @param measureId whose scores stand beside; null: none */
    AttendanceView view(Who who, int yearId, LocalDate asked, @Nullable Integer measureId) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        Map<Integer, Attended> all = attendance.of(students, year, asOf);
        Map<Integer, Attended> before = lastYear(students, year, roster.school(who));
        Rules set = rules.on(asOf);
        IntFunction<SchoolDays> open = calendar.schools(asOf);
        LocalDate first = year.starts().with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        int weeks = (int) Math.max(0, ChronoUnit.DAYS.between(first, asOf) / 7 + 1);
        @Nullable
        Measure measure = measureId == null ? null : measures.byId(asOf).get(measureId);
        Beside beside = new Beside(first, measure == null ? List.of()
                : scores.of(students.stream().map(Enrolled::id).toList(), Set.of(measure.id()), year.starts(), asOf));
        int[] away = new int[weeks];
        int[] days = new int[weeks];
        List<StudentAway> rows = new ArrayList<>();
        List<String> ways = new ArrayList<>();
        for (Enrolled e : students) {
            Attended a = all.get(e.id());
            if (a == null) {
                continue;
            }
            RuleSetting rule = set.of(e.schoolId(), e.grade(), e.classId()).of(EngagementRule.OFTEN_ABSENT);
            ways.add(RuleWords.of(EngagementRule.OFTEN_ABSENT, rule));
            SchoolDays school = open.apply(e.schoolId());
            List<Integer> byWeek = new ArrayList<>();
            for (int w = 0; w < weeks; w++) {
                LocalDate monday = first.plusWeeks(w);
                int n = (int) a.away().stream().filter(d -> !d.isBefore(monday) && d.isBefore(monday.plusWeeks(1))).count();
                byWeek.add(n);
                away[w] += n;
                days[w] += school.count(monday, monday.plusWeeks(1).isAfter(asOf) ? asOf.plusDays(1) : monday.plusWeeks(1));
            }
            Attended last = before.get(e.id());
            rows.add(new StudentAway(e.ref(), a.days(), a.away().size(), a.late().size(), a.share(), byWeek,
                    a.away().isEmpty() ? null : school.since(a.away().get(a.away().size() - 1), asOf),
                    rule.on() && a.days() > 0 && a.share() >= rule.threshold(),
                    last == null ? null : last.share(), beside.of(e.id())));
        }
        rows.sort(Comparator.comparing((StudentAway r) -> !r.often()).thenComparing(r -> -r.share()).thenComparing(r -> r.student().name()));
        List<WeekAway> line = new ArrayList<>();
        for (int w = 0; w < weeks; w++) {
            line.add(new WeekAway(first.plusWeeks(w), days[w], away[w]));
        }
        List<String> said = ways.stream().distinct().toList();
        return new AttendanceView(said.size() == 1 ? said.get(0) : "Often absent: as set for each class", line, rows, reasons(students, year, asOf),
                share(all.values()),
                before.isEmpty() ? null : (Double) share(before.values()), students.size() - rows.size(),
                measure == null ? null : beside(measure, beside, rows));
    }

    private static AttendanceView.ScoresBeside beside(Measure measure, Beside scores, List<StudentAway> rows) {
        Set<Integer> often = rows.stream().filter(StudentAway::often).map(r -> r.student().id()).collect(Collectors.toSet());
        return new AttendanceView.ScoresBeside(measure.name(), measure.unit(), measure.direction() == Direction.HIGHER_IS_BETTER,
                scores.months(often, rows.stream().map(r -> r.student().id()).collect(Collectors.toSet())));
    }

    private static double share(java.util.Collection<Attended> of) {
        int days = of.stream().mapToInt(Attended::days).sum();
        return days == 0 ? 0 : of.stream().mapToInt(a -> a.away().size()).sum() / (double) days;
    }

    private Map<Integer, Attended> lastYear(List<Enrolled> students, SchoolYear year, int school) {
        @Nullable
        SchoolYear before = roster.years(school).stream().filter(y -> y.ends().isBefore(year.starts())).findFirst().orElse(null);
        return before == null ? Map.of()
                : attendance.of(roster.enrolledThen(students.stream().map(Enrolled::id).toList(), before.ends()), requireNonNull(before), before.ends());
    }

    private List<AwayReason> reasons(List<Enrolled> students, SchoolYear year, LocalDate asOf) {
        return attendance.reasons(students, year, asOf).entrySet().stream().map(e -> new AwayReason(e.getKey(), e.getValue()))
                .sorted(Comparator.comparing((AwayReason r) -> -r.days()).thenComparing(AwayReason::reason)).limit(6).toList();
    }
}
