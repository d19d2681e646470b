package org.zealousladder.server.engagement.attendance;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.engagement.attendance.AttendanceView.GroupScores;
import org.zealousladder.server.engagement.attendance.AttendanceView.MonthBeside;
import org.zealousladder.server.engagement.attendance.AttendanceView.WeekScore;
import org.zealousladder.server.scores.scores.Score;

/** Scores laid on the weeks of the attendance, by hand. */
class BesideTest {
    private static final LocalDate FIRST = LocalDate.of(2025, 9, 1);
    private final List<Score> scores = new ArrayList<>();

    private void score(int student, String day, Double value) {
        scores.add(new Score(scores.size() + 1, student, 1, LocalDate.parse(day), value, value == null ? ScoreStatus.ABSENT : ScoreStatus.SCORED));
    }

    @Test
    void aWeekHasItsNewestScoreAndAMissedOneIsNone() {
        score(1, "2025-09-05", 14.0);
        score(1, "2025-09-02", 10.0);
        score(1, "2025-09-09", null);
        score(1, "2025-09-15", 20.0);
        score(1, "2025-08-20", 99.0);
        assertEquals(List.of(new WeekScore(0, 14), new WeekScore(2, 20)), new Beside(FIRST, scores).of(1));
        assertEquals(List.of(), new Beside(FIRST, scores).of(2));
    }

    @Test
    void aMonthTellsTheMedianOfEachGroupAndNoneOfTooFew() {
        // Students 1 and 2 are often absent, in October 3 too; nine others. Each counts with the newest score of the month.
        score(1, "2025-09-02", 90.0);
        score(1, "2025-09-30", 10.0);
        score(2, "2025-09-10", 30.0);
        for (int s = 11; s <= 19; s++) {
            score(s, "2025-09-12", 10.0 * s);
        }
        score(1, "2025-10-01", 12.0);
        score(2, "2025-10-02", 40.0);
        score(3, "2025-10-03", 20.0);
        score(99, "2025-10-03", 1.0);
        Set<Integer> all = IntStream.concat(IntStream.of(1, 2, 3), IntStream.rangeClosed(11, 19)).boxed().collect(Collectors.toSet());
        assertEquals(
                List.of(new MonthBeside(LocalDate.of(2025, 9, 1), 2, new GroupScores(2, null, null, null), new GroupScores(9, 150.0, 130.0, 170.0)),
                        new MonthBeside(LocalDate.of(2025, 10, 1), 6, new GroupScores(3, 20.0, null, null), new GroupScores(0, null, null, null))),
                new Beside(FIRST, scores).months(Set.of(1, 2, 3), all));
    }
}
