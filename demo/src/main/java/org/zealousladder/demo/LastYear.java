package org.zealousladder.demo;

import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.Set;

/**
 * Last year's weekly monitoring: of those who were a little behind and are not monitored any more, and of those who have left. Its goals have all come due, so
 * what charts would have said can be held to what came.
 */
final class LastYear {
    private static final LocalDate FIRST = LocalDate.of(2024, 9, 25);
    private static final LocalDate LAST = LocalDate.of(2025, 4, 30);
    private static final List<MeasureBook.Entry> MEASURES = List.of(MeasureBook.ORAL_READING, MeasureBook.NUMBER_FACTS);
    /** Better readers than this were not monitored, in spreads from the average. */
    private static final double MONITORED = -0.3;

    private final Probes probes;

    LastYear(Sheets sheets) {
        this.probes = new Probes(sheets, new Random(20250430), day -> Calendar.closed(day) || Calendar.screening(day));
    }

    /** @param grade the student's last year @param now what the student is monitored on this year: a measure has one goal */
    void student(Pupil p, int grade, Set<MeasureBook.Entry> now) throws IOException {
        for (MeasureBook.Entry m : MEASURES) {
            if (p.standing(m) < MONITORED && !now.contains(m)) {
                probes.write(p.code(), m, course(p, m, grade), LAST);
            }
        }
    }

    private Probes.Course course(Pupil p, MeasureBook.Entry m, int grade) {
        // A season is seventeen weeks; who is behind is asked to grow faster than others do.
        double usual = m.season() / 17;
        Random own = new Random(p.code().hashCode() * 31L + m.code().hashCode());
        double start = Math.max(4, m.average(grade, 0) + m.spread() * p.standing(m));
        double pace = usual * (1.2 + 0.35 * own.nextGaussian());
        return new Probes.Course(FIRST, LAST, start, Math.max(0.1 * usual, pace), 1.2 * usual, null, pace, -1);
    }
}
