package org.zealousladder.server.overview.students;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.overview.students.StudentPage.OutsidePart;
import org.zealousladder.server.overview.students.StudentPage.OutsideResult;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.scores.scores.Score;

/** Tells of a student's assessments by bodies outside the school. */
@Service
class OutsideService {
    private final RosterService roster;

    OutsideService(RosterService roster) {
        this.roster = roster;
    }

    /** @param history the student's times in classes; @param scores all of the student's; @param taughtBy names of teachers by class */
    List<OutsideResult> of(List<Enrolled> history, Collection<Measure> measures, List<Score> scores, Map<Integer, List<String>> taughtBy) {
        Map<Integer, Measure> outside = measures.stream().filter(Measure::outside).collect(Collectors.toMap(Measure::id, m -> m));
        List<Score> own = scores.stream().filter(s -> outside.containsKey(s.measureId())).toList();
        if (own.isEmpty()) {
            return List.of();
        }
        List<SchoolYear> years = history.stream().map(Enrolled::schoolId).distinct().flatMap(id -> roster.years(id).stream()).toList();
        return own.stream().filter(s -> measure(outside, s).whole() || alone(s, own, outside)).map(s -> {
            Measure m = measure(outside, s);
            Enrolled then = then(history, s.takenOn());
            return new OutsideResult(m.ref(), years.stream().filter(y -> !s.takenOn().isBefore(y.starts()) && !s.takenOn().isAfter(y.ends()))
                    .map(SchoolYear::name).findFirst().orElse(null), s.takenOn(), then == null ? null : then.className(),
                    then == null ? null : (Integer) then.grade(), then == null ? List.of() : taughtBy.getOrDefault(then.classId(), List.of()), s.value(),
                    s.status(), parts(s, own, outside));
        }).sorted(Comparator.comparing(OutsideResult::takenOn).reversed().thenComparing(r -> r.measure().name())).toList();
    }

    private static Measure measure(Map<Integer, Measure> outside, Score s) {
        return Objects.requireNonNull(outside.get(s.measureId()));
    }

    /** A part whose whole is not on record of that day stands by itself. */
    private static boolean alone(Score part, List<Score> own, Map<Integer, Measure> outside) {
        Integer whole = measure(outside, part).partOf();
        return own.stream().noneMatch(s -> Integer.valueOf(s.measureId()).equals(whole) && s.takenOn().equals(part.takenOn()));
    }

    private static List<OutsidePart> parts(Score whole, List<Score> own, Map<Integer, Measure> outside) {
        return own.stream().filter(s -> s.takenOn().equals(whole.takenOn()) && Integer.valueOf(whole.measureId()).equals(measure(outside, s).partOf()))
                .sorted(Comparator.comparing(Score::measureId)).map(s -> new OutsidePart(measure(outside, s).ref(), s.value(), s.status())).toList();
    }

    private static @Nullable Enrolled then(List<Enrolled> history, LocalDate day) {
        return history.stream().filter(e -> !e.enrolledFrom().isAfter(day) && (e.enrolledTo() == null || !e.enrolledTo().isBefore(day)))
                .max(Comparator.comparing(Enrolled::enrolledFrom)).orElse(null);
    }
}
