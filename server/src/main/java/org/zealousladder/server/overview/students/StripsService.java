package org.zealousladder.server.overview.students;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.zealousladder.core.skills.SkillStanding;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.server.engagement.activity.ActivityService;
import org.zealousladder.server.engagement.attendance.AttendanceService;
import org.zealousladder.server.engagement.attendance.Attended;
import org.zealousladder.server.engagement.work.StudentWork;
import org.zealousladder.server.engagement.work.WorkService;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.frameworks.Framework;
import org.zealousladder.server.learning.frameworks.FrameworksService;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.screening.tiers.TiersOnRecord.TierOnRecord;

/** Reads what else happened to a student beside scores: a fixed number of reads, whatever the number of years. */
@Service
class StripsService {
    /** Days before the last of the last four weeks. */
    static final int FOUR_WEEKS = 27;

    private final RosterService roster;
    private final AttendanceService attendance;
    private final ActivityService activity;
    private final AnswersService answers;
    private final FrameworksService frameworks;
    private final WorkService work;

    StripsService(RosterService roster, AttendanceService attendance, ActivityService activity, AnswersService answers, FrameworksService frameworks,
            WorkService work) {
        this.work = work;
        this.roster = roster;
        this.attendance = attendance;
        this.activity = activity;
        this.answers = answers;
        this.frameworks = frameworks;
    }

    /**
     * @param schoolDays of this year; null where nothing of the class is on record
     * @param lately minutes of activity in the last four weeks, these days included
     */
    record Read(Strips strips, @Nullable Integer schoolDays, int lately) {}

    Read of(Enrolled now, List<Enrolled> history, LocalDate from, SchoolYear year, LocalDate asOf, Map<Integer, List<Plan>> plans,
            Map<Integer, Measure> measures,
            List<TierOnRecord> tiers, List<Window> windows) {
        List<SchoolYear> years = roster.years(now.schoolId()).stream().filter(y -> !y.ends().isBefore(from) && !y.starts().isAfter(year.ends()))
                .sorted(Comparator.comparing(SchoolYear::starts)).toList();
        Attended attended = attendance.of(List.of(now), year, asOf).get(now.id());
        AttendanceService.OwnDays days = attendance.ofStudent(now, from, asOf);
        return new Read(new Strips(years.stream().map(y -> band(y, history)).toList(), plans.values().stream().flatMap(List::stream)
                .flatMap(p -> spans(p, measures, asOf).stream()).sorted(Comparator.comparing(Strips.PlanSpan::from)).toList(),
                attended == null && days.away().isEmpty() ? null : days.away(), days.late(),
                activity.ofStudent(now.id(), from, asOf).stream().map(w -> new Strips.WeekSpent(w.monday(), (int) Math.round(w.minutes()))).toList(),
                skills(now, asOf), tiers(tiers, windows, years), answered(now, from, asOf), work(now, from, asOf)),
                attended == null ? null : (Integer) attended.days(), lately(now, asOf));
    }

    /** To the day, as criteria, the opened lane and the sheets have it. */
    private int lately(Enrolled now, LocalDate asOf) {
        ActivityService.Spent spent = activity.spent(List.of(now.id()), asOf.minusDays(FOUR_WEEKS), asOf).get(now.id());
        return spent == null ? 0 : (int) Math.round(spent.minutes());
    }

    private static Strips.YearBand band(SchoolYear y, List<Enrolled> history) {
        Enrolled then = history.stream().filter(e -> !e.enrolledFrom().isAfter(y.ends()) && (e.enrolledTo() == null || !e.enrolledTo().isBefore(y.starts())))
                .max(Comparator.comparing(Enrolled::enrolledFrom)).orElse(null);
        return new Strips.YearBand(y.name(), y.starts(), y.ends(), then == null ? null : then.className(), then == null ? null : (Integer) then.grade());
    }

    private static List<Strips.PlanSpan> spans(Plan p, Map<Integer, Measure> measures, LocalDate asOf) {
        Measure measure = measures.get(p.measureId());
        List<Strips.PlanSpan> all = new ArrayList<>();
        LocalDate end = p.closedOn() != null ? p.closedOn() : p.ends();
        for (int i = 0; i < p.phases().size(); i++) {
            Plan.PlanPhase phase = p.phases().get(i);
            boolean last = i + 1 == p.phases().size() || p.phases().get(i + 1).starts().isAfter(asOf);
            LocalDate to = i + 1 < p.phases().size() ? p.phases().get(i + 1).starts().minusDays(1) : end;
            if (measure != null && !phase.starts().isAfter(asOf)) {
                all.add(new Strips.PlanSpan(phase.strategy(), phase.perWeek(), measure.name(), phase.starts(), to, p.open() && last));
            }
        }
        return all;
    }

    private Strips.@Nullable SkillsNow skills(Enrolled now, LocalDate asOf) {
        List<Integer> known = frameworks.frameworks(now.schoolId()).stream().map(Framework::id).toList();
        List<SkillStanding> all = List.copyOf(answers.evidence(List.of(now), known, asOf).of(now, asOf).values());
        return all.isEmpty() ? null : new Strips.SkillsNow(count(all, SkillState.SECURE), count(all, SkillState.SHAKY), count(all, SkillState.NOT_YET));
    }

    private List<Strips.AnswersThen> answered(Enrolled now, LocalDate from, LocalDate asOf) {
        List<Integer> known = frameworks.frameworks(now.schoolId()).stream().map(Framework::id).toList();
        Map<Long, List<AnswersService.DayCount>> byDay = answers.counts(List.of(now), known, from, asOf).stream()
                .collect(Collectors.groupingBy(AnswersService.DayCount::day, TreeMap::new, Collectors.toList()));
        return byDay.entrySet().stream().map(d -> {
            int n = d.getValue().stream().mapToInt(AnswersService.DayCount::n).sum();
            return new Strips.AnswersThen(LocalDate.ofEpochDay(d.getKey()), n, d.getValue().stream().mapToDouble(AnswersService.DayCount::shares).sum() / n);
        }).toList();
    }

    private List<Strips.WorkThen> work(Enrolled now, LocalDate from, LocalDate asOf) {
        StudentWork own = work.between(List.of(now), from, asOf, asOf).students().get(now.id());
        return own == null ? List.of() : own.all().stream().map(r -> new Strips.WorkThen(r.due(), r.dueBy(asOf) ? (Boolean) r.in() : null))
                .sorted(Comparator.comparing(Strips.WorkThen::due)).toList();
    }

    private static int count(List<SkillStanding> all, SkillState state) {
        return (int) all.stream().filter(s -> s.state() == state).count();
    }

    private static List<Strips.TierThen> tiers(List<TierOnRecord> tiers, List<Window> windows, List<SchoolYear> years) {
        List<Strips.TierThen> all = new ArrayList<>();
        for (TierOnRecord t : tiers) {
            Integer tier = t.tier();
            windows.stream().filter(w -> w.name().equals(t.window()) && years.stream().anyMatch(y -> y.id() == w.yearId() && y.name().equals(t.year())))
                    .findFirst()
                    .ifPresent(w -> {
                        if (tier != null) {
                            all.add(new Strips.TierThen(t.area(), tier, w.starts(), w.ends(), w.name()));
                        }
                    });
        }
        all.sort(Comparator.comparing(Strips.TierThen::from));
        return all;
    }
}
