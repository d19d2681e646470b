package org.zealousladder.server.engagement.attendance;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.summary.Quantiles;
import org.zealousladder.server.engagement.attendance.AttendanceView.GroupScores;
import org.zealousladder.server.engagement.attendance.AttendanceView.MonthBeside;
import org.zealousladder.server.engagement.attendance.AttendanceView.WeekScore;
import org.zealousladder.server.scores.scores.Score;

/** A year's scores of one measure, laid on the weeks of the attendance. */
final class Beside {
    private static final int MIDDLE = 15;
    private final LocalDate first;
    private final Map<Integer, List<Score>> byStudent;

    /** @param first Monday of the year's first week */
    Beside(LocalDate first, Collection<Score> scores) {
        this.first = first;
        this.byStudent = scores.stream().filter(s -> s.scored() && s.value() != null && !s.takenOn().isBefore(first))
                .sorted(Comparator.comparing(Score::takenOn))
                .collect(Collectors.groupingBy(Score::studentId));
    }

    List<WeekScore> of(int student) {
        SortedMap<Integer, Double> newest = new TreeMap<>();
        byStudent.getOrDefault(student, List.of()).forEach(s -> newest.put(week(s.takenOn()), value(s)));
        return newest.entrySet().stream().map(e -> new WeekScore(e.getKey(), e.getValue())).toList();
    }

    /** Months in which anybody has a score. */
    List<MonthBeside> months(Set<Integer> often, Set<Integer> all) {
        SortedMap<YearMonth, Map<Integer, Double>> months = new TreeMap<>();
        byStudent.forEach((student, scores) -> scores.stream().filter(s -> all.contains(student))
                .forEach(s -> months.computeIfAbsent(YearMonth.from(s.takenOn()), m -> new HashMap<>()).put(student, value(s))));
        List<MonthBeside> line = new ArrayList<>();
        months.forEach((month, newest) -> line.add(new MonthBeside(month.atDay(1), Math.max(0, week(month.atDay(MIDDLE))), group(newest, often, true),
                group(newest, often, false))));
        return line;
    }

    private static GroupScores group(Map<Integer, Double> newest, Set<Integer> often, boolean theirs) {
        Quantiles q = Quantiles.of(newest.entrySet().stream().filter(e -> often.contains(e.getKey()) == theirs).mapToDouble(Map.Entry::getValue).toArray());
        int n = (int) newest.keySet().stream().filter(s -> often.contains(s) == theirs).count();
        return new GroupScores(n, n < GroupScores.FEWEST ? null : at(q, 0.5), n < GroupScores.ENOUGH ? null : at(q, 0.25),
                n < GroupScores.ENOUGH ? null : at(q, 0.75));
    }

    private static @Nullable Double at(Quantiles q, double p) {
        return q.at(p).isPresent() ? (Double) q.at(p).getAsDouble() : null;
    }

    private int week(LocalDate day) {
        return (int) Math.floorDiv(ChronoUnit.DAYS.between(first, day), 7L);
    }

    private static double value(Score s) {
        return s.value() == null ? 0 : s.value();
    }
}
