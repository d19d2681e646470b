package org.zealousladder.demo;

import java.io.IOException;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/** Weekly progress monitoring of one student on one measure, with the goal that follows from its first three scores. */
final class Probes {
    static final LocalDate FIRST = LocalDate.of(2025, 10, 2);
    static final LocalDate GOAL_DATE = LocalDate.of(2026, 5, 8);

    private final Sheets sheets;
    private final Random random;
    private final Predicate<LocalDate> off;

    Probes(Sheets sheets, Random random) {
        this(sheets, random, Calendar::closed);
    }

    /** @param off days on which nobody is monitored */
    Probes(Sheets sheets, Random random, Predicate<LocalDate> off) {
        this.sheets = sheets;
        this.random = random;
        this.off = off;
    }

    /**
     * How a series runs.
     *
     * @param start level in the first week
     * @param pace growth per week
     * @param needed growth per week that the goal asks for
     * @param changed day on which the plan changed, or null
     * @param paceAfter growth per week from then on
     * @param wildWeek number of a week whose score is far off, or -1
     */
    record Course(LocalDate from, LocalDate until, double start, double pace, double needed, @Nullable LocalDate changed, double paceAfter, int wildWeek) {
        /** Level on a day; before the monitoring began it rose at half the pace. */
        double levelOn(LocalDate day) {
            double weeks = (day.toEpochDay() - from.toEpochDay()) / 7.0;
            if (weeks < 0) {
                return start + 0.5 * Math.max(pace, 0.3 * needed) * weeks;
            }
            double after = changed == null ? 0 : Math.max(0, (day.toEpochDay() - changed.toEpochDay()) / 7.0);
            return start + pace * (weeks - after) + paceAfter * after;
        }

        static Course steady(double start, double pace, double needed) {
            return new Course(FIRST, DemoFiles.TODAY, start, pace, needed, null, pace, -1);
        }
    }

    /** A grade reads the same passage in a week. */
    private static String passage(MeasureBook.Entry m, LocalDate day) {
        long week = Math.floorDiv(ChronoUnit.DAYS.between(FIRST, day) + 3, 7);
        return m != MeasureBook.ORAL_READING ? "" : "Passage " + (Math.floorMod(week, 30) + 1);
    }

    void write(String student, MeasureBook.Entry m, Course c) throws IOException {
        write(student, m, c, GOAL_DATE);
    }

    /** @param due day of the goal */
    void write(String student, MeasureBook.Entry m, Course c, LocalDate due) throws IOException {
        List<int[]> first = new ArrayList<>();
        int week = 0;
        LocalDate day = c.from();
        while (!day.isAfter(c.until())) {
            boolean absent = random.nextDouble() < 0.04 && week > 3;
            double noise = m.sem() * 1.1 * random.nextGaussian();
            if (!off.test(day)) {
                int value = (int) Math.max(m.lowest(), Math.round(c.levelOn(day) + noise - (week == c.wildWeek() ? 7 * m.sem() : 0)));
                sheets.row("scores", student, m.code(), day, absent ? "" : value, absent ? "absent" : "scored", absent ? "" : passage(m, day));
                if (!absent) {
                    first.add(new int[] {(int) day.toEpochDay(), value});
                }
            }
            week++;
            day = day.plusWeeks(1);
        }
        if (first.size() >= 3) {
            int[] three = {first.get(0)[1], first.get(1)[1], first.get(2)[1]};
            java.util.Arrays.sort(three);
            LocalDate start = LocalDate.ofEpochDay(first.get(1)[0]);
            double weeks = (due.toEpochDay() - c.from().toEpochDay()) / 7.0;
            sheets.row("goals", student, m.code(), start, three[1], due, Math.round(c.start() + c.needed() * weeks));
        }
        if (c.changed() != null) {
            sheets.row("plan-changes", student, m.code(), c.changed(), "Paired reading three times a week instead of two");
        }
    }
}
