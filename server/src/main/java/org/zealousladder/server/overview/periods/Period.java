package org.zealousladder.server.overview.periods;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.summary.Span;
import org.zealousladder.server.learning.answers.AnswersService.DayCount;
import org.zealousladder.server.learning.answers.AnswersService.Timed;
import org.zealousladder.server.learning.frameworks.Skill;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.screening.standings.Cell;

/**
 * What some students did between two days, both included, as it was known on a third.
 *
 * @param weeks of five school days, at least one; a long and a short time are held against each other by it
 * @param part by student; everybody is in it
 * @param scores by student and measure, the oldest first; only those with a value
 * @param standings by student and measure: the newest standing in a screening window, from a score of these days
 * @param measures those that anybody has a score in, in their order
 * @param skills of the schools' frameworks, in the order of teaching
 */
public record Period(LocalDate from, LocalDate to, double weeks, List<Enrolled> students, Map<Integer, TookPart> part,
        Map<Integer, Map<Integer, List<Score>>> scores,
        Map<Integer, Map<Integer, Cell>> standings, List<Measure> measures, List<Skill> skills, List<DayCount> answers, List<Timed> timed) {

    /**
     * How a student took part.
     *
     * @param schoolDays on which the school was open and the student enrolled; null where nobody tells of the class's days
     * @param minutes of activity; @param activeDays on which there was any
     * @param sessions of plans that were held
     * @param due pieces of work that were due; @param in of these handed in, marked or not
     * @param points earned of {@code possible}, of what was marked
     */
    public record TookPart(@Nullable Integer schoolDays, int away, int late, double minutes, int activeDays, int sessions, int due, int in, double points,
            double possible) {}

    /** First, best and latest score of a student on a measure. @param n how many there are */
    public record Course(int n, LocalDate firstOn, double first, LocalDate bestOn, double best, LocalDate latestOn, double latest) {}

    public List<Score> scores(int student, int measure) {
        return scores.getOrDefault(student, Map.of()).getOrDefault(measure, List.of());
    }

    /** Empty for a student without a score on the measure. */
    public Optional<Course> course(int student, Measure measure) {
        return course(scores(student, measure.id()), measure.direction());
    }

    private static Optional<Course> course(List<Score> all, Direction direction) {
        List<Score> own = new ArrayList<>(all);
        double[] weeks = new double[own.size()];
        for (int i = 0; i < weeks.length; i++) {
            weeks[i] = i;
        }
        return Span.of(ScoreSeries.of(weeks, own.stream().mapToDouble(s -> requireNonNull(s.value())).toArray()), direction).map(s -> new Course(own.size(),
                own.get(s.first()).takenOn(), value(own, s.first()), own.get(s.best()).takenOn(), value(own, s.best()), own.get(s.latest()).takenOn(),
                value(own, s.latest())));
    }

    private static double value(List<Score> own, int i) {
        return requireNonNull(own.get(i).value());
    }
}
