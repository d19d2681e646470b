package org.zealousladder.demo;

import java.io.IOException;
import java.time.LocalDate;
import java.util.Random;

/** 80 schools, 2,000 classes a year, 50,000 students and about five million scores: for measuring at scale. */
final class District {
    private static final int SCHOOLS = 80;
    private static final int GRADES = 5;
    private static final int CLASSES_PER_GRADE = 5;
    private static final int CLASS_SIZE = 25;

    private final Sheets sheets;
    private final Random random = new Random(80);

    District(Sheets sheets) {
        this.sheets = sheets;
    }

    void write() throws IOException {
        sheets.person("a.sandvik", "A. Sandvik", "administrator", "");
        for (int s = 1; s <= SCHOOLS; s++) {
            String school = "D%02d".formatted(s);
            sheets.row("schools", school, "District school " + s);
            sheets.person("coordinator." + s, "Coordinator " + s, "coordinator", school);
            for (int g = 0; g < GRADES; g++) {
                for (int k = 0; k < CLASSES_PER_GRADE; k++) {
                    writeClass(school, s, g, k);
                }
            }
        }
    }

    private void writeClass(String school, int s, int g, int k) throws IOException {
        String teacher = "teacher.%d.%d.%d".formatted(s, g + 2, k + 1);
        sheets.person(teacher, "Teacher " + s + " " + (g + 2) + (char) ('A' + k), "teacher", school);
        String last = "%s-24-%d%c".formatted(school, g + 2, 'A' + k);
        String now = "%s-25-%d%c".formatted(school, g + 2, 'A' + k);
        String name = "Class " + (g + 2) + (char) ('A' + k);
        sheets.row("classes", last, school, Calendar.LAST_YEAR, name, g + 2);
        sheets.row("classes", now, school, Calendar.THIS_YEAR, name, g + 2);
        sheets.row("teaches", teacher, now);
        Names names = new Names(random);
        for (int i = 0; i < CLASS_SIZE; i++) {
            String code = "%s-%d%c%02d".formatted(school, g + 2, 'A' + k, i + 1);
            String[] full = names.next();
            Pupil p = Pupil.draw(code, full[0], full[1], random);
            sheets.row("students", code, full[0], full[1], "", "");
            if (g > 0) {
                sheets.row("enrolments", code, "%s-24-%d%c".formatted(school, g + 1, 'A' + k), Calendar.LAST_START, Calendar.LAST_END);
            }
            sheets.row("enrolments", code, now, Calendar.THIS_START, "");
            scores(p, g + 2);
        }
    }

    private void scores(Pupil p, int grade) throws IOException {
        for (Calendar.Window w : Calendar.WINDOWS) {
            int then = w.year().equals(Calendar.THIS_YEAR) ? grade : grade - 1;
            if (!w.closes().isBefore(DemoFiles.TODAY)) {
                continue;
            }
            int day = 0;
            for (MeasureBook.Entry m : MeasureBook.ALL) {
                sheets.row("scores", p.code(), m.code(), w.opens().plusDays(day++), p.score(m, then, w.season(), random), "scored");
            }
        }
        for (MeasureBook.Entry m : new MeasureBook.Entry[] {MeasureBook.ORAL_READING, MeasureBook.NUMBER_FACTS}) {
            double needed = m == MeasureBook.ORAL_READING ? 1.25 : 0.5;
            double level = Math.max(5, m.average(grade, 0) + m.spread() * p.standing(m));
            weekly(p, m, LocalDate.of(2024, 10, 3), 14, Math.max(3, level - 30 * needed), needed);
            int start = weekly(p, m, Probes.FIRST, 24, level, needed * (1 + 0.3 * random.nextGaussian()));
            if (p.standing(m) < -0.8) {
                sheets.row("goals", p.code(), m.code(), Probes.FIRST, start, Probes.GOAL_DATE, Math.round(start + 31 * needed));
                plan(p, m);
            }
        }
    }

    /** A concern, a plan since October and the sessions of the last two weeks. */
    private void plan(Pupil p, MeasureBook.Entry m) throws IOException {
        boolean reading = m == MeasureBook.ORAL_READING;
        sheets.row("concerns", p.code(), m.area(), 2, Probes.FIRST, "");
        sheets.row("plans", p.code(), m.code(), Probes.FIRST, LocalDate.of(2026, 4, 24), "Needs more practice.",
                reading ? "Paired reading" : "Number line talk", 3, 20,
                "the class teacher", "classroom", "", "");
        LocalDate monday = DemoFiles.TODAY.minusDays(11);
        for (int day : new int[] {0, 1, 3, 7, 8, 10}) {
            sheets.row("sessions", p.code(), m.code(), monday.plusDays(day), 1);
        }
    }

    private int weekly(Pupil p, MeasureBook.Entry m, LocalDate from, int weeks, double start, double pace) throws IOException {
        int first = 0;
        for (int week = 0; week < weeks; week++) {
            int value = (int) Math.max(0, Math.min(m.highest(), Math.round(start + pace * week + m.sem() * random.nextGaussian())));
            first = week == 0 ? value : first;
            sheets.row("scores", p.code(), m.code(), from.plusWeeks(week), value, "scored");
        }
        return first;
    }
}
