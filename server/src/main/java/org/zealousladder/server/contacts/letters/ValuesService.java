package org.zealousladder.server.contacts.letters;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Direction;
import org.zealousladder.server.engagement.activity.ActivityService;
import org.zealousladder.server.engagement.attendance.AttendanceService;
import org.zealousladder.server.engagement.work.WorkService;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.monitoring.goals.GoalsService;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;

/** What stands for the fields of a text, student by student; a field without a value is not in the map. */
@Service
@Transactional(readOnly = true)
class ValuesService {
    private final MeasuresService measures;
    private final ScoresService scores;
    private final GoalsService goals;
    private final AttendanceService attendance;
    private final ActivityService activity;
    private final WorkService work;

    ValuesService(MeasuresService measures, ScoresService scores, GoalsService goals, AttendanceService attendance, ActivityService activity,
            WorkService work) {
        this.work = work;
        this.measures = measures;
        this.scores = scores;
        this.goals = goals;
        this.attendance = attendance;
        this.activity = activity;
    }

    Map<Integer, Map<String, String>> of(List<Enrolled> students, SchoolYear year, LocalDate today, @Nullable Integer measureId) {
        Map<Integer, Map<String, String>> all = new HashMap<>();
        for (Enrolled e : students) {
            Map<String, String> own = new HashMap<>();
            own.put("first name", e.givenName());
            own.put("name", (e.givenName() + " " + e.familyName()).strip());
            own.put("class", e.className());
            own.put("today", Words.day(today));
            all.put(e.id(), own);
        }
        Measure measure = measureId == null ? null : measures.byId(today).get(measureId);
        if (measure != null) {
            scores(all, measure, year, today);
        }
        attendance.of(students, year, today).forEach((s, a) -> all.getOrDefault(s, new HashMap<>()).put("days absent", String.valueOf(a.away().size())));
        minutes(all, students, year, today);
        work.of(students, year, today).students()
                .forEach((s, w) -> all.getOrDefault(s, new HashMap<>()).put("work not in", String.valueOf(w.sums().missing())));
        return all;
    }

    private void scores(Map<Integer, Map<String, String>> all, Measure measure, SchoolYear year, LocalDate today) {
        Map<Integer, List<Score>> own = scores.of(all.keySet(), Set.of(measure.id()), year.starts(), today).stream().filter(Score::scored)
                .sorted(Comparator.comparing(Score::takenOn)).collect(Collectors.groupingBy(Score::studentId));
        all.forEach((student, values) -> {
            values.put("measure", measure.name());
            List<Score> of = own.getOrDefault(student, List.of());
            if (!of.isEmpty()) {
                Score last = of.get(of.size() - 1);
                Double first = of.get(0).value();
                if (last.value() != null && first != null) {
                    values.put("score", Words.plain(last.value()));
                    values.put("score day", Words.day(last.takenOn()));
                    if (of.size() > 1) {
                        values.put("gain", Words.plain(
                                Math.round(100 * (measure.direction() == Direction.HIGHER_IS_BETTER ? last.value() - first : first - last.value())) / 100.0));
                    }
                }
            }
        });
        goals.running(all.keySet(), measure.id(), year.starts(), today).forEach(g -> {
            Map<String, String> values = all.get(g.studentId());
            if (values != null) {
                values.put("goal", Words.plain(g.goalScore()));
                values.put("goal day", Words.day(g.goalDate()));
            }
        });
    }

    /** Of the last whole week. */
    private void minutes(Map<Integer, Map<String, String>> all, List<Enrolled> students, SchoolYear year, LocalDate today) {
        LocalDate monday = year.starts().with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        int weeks = (int) Math.floorDiv(ChronoUnit.DAYS.between(monday, today), 7L) + 1;
        int last = today.getDayOfWeek().getValue() >= DayOfWeek.FRIDAY.getValue() ? weeks - 1 : weeks - 2;
        if (last < 0) {
            return;
        }
        activity.classes(students.stream().map(Enrolled::classId).distinct().toList(), monday, weeks, today).values().forEach(c -> c.seats().forEach(s -> {
            Map<String, String> values = s.studentId() == null || s.first() == null ? null : all.get(s.studentId());
            if (values != null) {
                values.put("minutes", String.valueOf(Math.round(s.minutes()[last])));
            }
        }));
    }
}
