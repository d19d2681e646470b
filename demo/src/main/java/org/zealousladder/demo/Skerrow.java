package org.zealousladder.demo;

import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;

/** Skerrow Island School: six classes named after seabirds, two years, and planted stories in Kittiwake class. */
final class Skerrow {
    private static final String SCHOOL = "SKERROW";
    private static final String[][] CLASSES = {{"Puffin", "Tern"}, {"Kittiwake", "Fulmar"}, {"Gannet", "Guillemot"}};
    private static final int[][] SIZES = {{25, 26}, {24, 25}, {26, 24}};
    private static final String[][] TEACHERS = {{"L. Iversen", "T. Sato"}, {"R. Oduya", "B. Calder"}, {"N. Haddad", "G. Rustad"}};

    private final Sheets sheets;
    private final Random random = new Random(20260313);
    private final Names names = new Names(random);
    private final Probes probes;
    private final LastYear lastYear;
    private final Plans plans;
    private final Readings readings;
    private final AtHome atHome;
    private final SubScores subScores;
    private final Doings doings;
    private final Talks talks;
    private final Homework homework;
    private final Checks checks;
    private final Tables tables;
    private final OutsideTests outside;
    private int nextCode = 1001;

    Skerrow(Sheets sheets) {
        this.sheets = sheets;
        this.probes = new Probes(sheets, random);
        this.lastYear = new LastYear(sheets);
        this.plans = new Plans(sheets);
        this.readings = new Readings(sheets);
        this.atHome = new AtHome(sheets);
        this.subScores = new SubScores(sheets);
        this.doings = new Doings(sheets);
        this.talks = new Talks(sheets);
        this.homework = new Homework(sheets);
        this.checks = new Checks(sheets);
        this.tables = new Tables(sheets);
        this.outside = new OutsideTests(sheets);
    }

    void write() throws IOException {
        sheets.row("schools", SCHOOL, "Skerrow Island School");
        Passages.write(sheets);
        checks.write(SCHOOL);
        atHome.groupings();
        SubScores.measures(sheets);
        OutsideTests.measures(sheets);
        sheets.person("a.sandvik", "A. Sandvik", "administrator", "");
        sheets.person("m.tveit", "M. Tveit", "coordinator", SCHOOL);
        Story.ALL.forEach(s -> names.reserve(s.given() + " " + s.family()));
        for (int g = 0; g < 3; g++) {
            for (int k = 0; k < 2; k++) {
                String login = login(g, k);
                sheets.person(login, TEACHERS[g][k], "teacher", SCHOOL);
                for (String year : List.of(Calendar.LAST_YEAR, Calendar.THIS_YEAR)) {
                    sheets.row("classes", classCode(year, g, k), SCHOOL, year, CLASSES[g][k], g + 2);
                    sheets.row("teaches", login, classCode(year, g, k));
                }
            }
        }
        sheets.person("i.mensah", "I. Mensah", "teacher", SCHOOL);
        sheets.person("s.rask", "S. Rask", "interventionist", SCHOOL);
        for (int g = 0; g < 3; g++) {
            sheets.row("teaches", "i.mensah", classCode(Calendar.THIS_YEAR, g, 0));
        }
        for (int g = 0; g < 3; g++) {
            for (int k = 0; k < 2; k++) {
                writeClass(g, k);
            }
        }
        for (int k = 0; k < 2; k++) {
            writeLeavers(k);
        }
    }

    private static String classCode(String year, int g, int k) {
        return year.substring(0, 4) + "-" + CLASSES[g][k].toUpperCase(java.util.Locale.ROOT);
    }

    private void writeClass(int g, int k) throws IOException {
        homework.pieces(classCode(Calendar.THIS_YEAR, g, k));
        Timetable.write(sheets, classCode(Calendar.THIS_YEAR, g, k), "Room " + (1 + 2 * g + k));
        List<Pupil> pupils = new ArrayList<>();
        boolean kittiwake = CLASSES[g][k].equals("Kittiwake");
        if (kittiwake) {
            checks.taught(classCode(Calendar.THIS_YEAR, g, k));
            for (Story s : Story.ALL) {
                Pupil drawn = Pupil.draw(code(), s.given(), s.family(), random);
                pupils.add(new Pupil(drawn.code(), s.given(), s.family(), s.reading(), drawn.maths(), 0.6 * s.reading() + 0.5 * drawn.writing()));
            }
        }
        while (pupils.size() < SIZES[g][k]) {
            String[] name = names.next();
            pupils.add(Pupil.draw(code(), name[0], name[1], random));
        }
        for (Pupil p : pupils) {
            atHome.student(p, g + 2, support(p));
            enrol(p, g, k);
            Map<MeasureBook.Entry, Probes.Course> courses = courses(p, g + 2, kittiwake);
            for (Calendar.Window w : Calendar.WINDOWS) {
                int grade = w.year().equals(Calendar.THIS_YEAR) ? g + 2 : g + 1;
                if (grade >= 2 && w.closes().isBefore(DemoFiles.TODAY)) {
                    screen(p, w, grade, kittiwake, courses);
                }
            }
            for (Map.Entry<MeasureBook.Entry, Probes.Course> e : courses.entrySet()) {
                probes.write(p.code(), e.getKey(), e.getValue());
                plans.write(p, CLASSES[g][k], e.getKey(), e.getValue());
            }
            if (g > 0 && !(kittiwake && Story.of(p) != null)) {
                lastYear.student(p, g + 1, courses.keySet());
            }
            readings.write(p);
            Story story = kittiwake ? Story.of(p) : null;
            doings.student(p, g + 2, story, Calendar.THIS_START, story != null && story.is("left in December") ? LocalDate.of(2025, 12, 19) : DemoFiles.TODAY);
            talks.student(p, story, login(g, k));
            homework.student(p, story);
            checks.student(p, g + 2, kittiwake, story);
            outside.student(p, g > 0);
        }
        if (kittiwake) {
            tables.write(classCode(Calendar.THIS_YEAR, g, k), pupils.stream().filter(p -> {
                Story story = Story.of(p);
                return story == null || !story.is("left in December");
            }).toList());
        }
    }

    private static String login(int g, int k) {
        return TEACHERS[g][k].toLowerCase(java.util.Locale.ROOT).replace(". ", ".");
    }

    private void enrol(Pupil p, int g, int k) throws IOException {
        if (g > 0) {
            sheets.row("enrolments", p.code(), classCode(Calendar.LAST_YEAR, g - 1, k), Calendar.LAST_START, Calendar.LAST_END);
        }
        String now = classCode(Calendar.THIS_YEAR, g, k);
        if (p.given().equals("Marit") && p.family().equals("Solano")) {
            sheets.row("enrolments", p.code(), classCode(Calendar.THIS_YEAR, g, 1), Calendar.THIS_START, LocalDate.of(2025, 11, 7));
            sheets.row("enrolments", p.code(), now, LocalDate.of(2025, 11, 10), "");
        } else if (p.given().equals("Ilse") && p.family().equals("Marrow")) {
            sheets.row("enrolments", p.code(), now, Calendar.THIS_START, LocalDate.of(2025, 12, 19));
        } else {
            sheets.row("enrolments", p.code(), now, Calendar.THIS_START, "");
        }
    }

    private void screen(Pupil p, Calendar.Window w, int grade, boolean kittiwake, Map<MeasureBook.Entry, Probes.Course> courses)
            throws IOException {
        Story story = kittiwake ? Story.of(p) : null;
        boolean thisWinter = w.year().equals(Calendar.THIS_YEAR) && w.season() == 1;
        if (thisWinter && story != null && (story.is("never screened in winter") || story.is("left in December"))) {
            return;
        }
        int day = 0;
        Map<String, List<Integer>> tiers = new LinkedHashMap<>();
        for (MeasureBook.Entry m : MeasureBook.ALL) {
            int value = p.score(m, grade, w.season(), random);
            double luck = random.nextDouble();
            LocalDate on = w.opens().plusDays(day++ + (day > 4 ? 2 : 0));
            if (w.year().equals(Calendar.THIS_YEAR) && courses.containsKey(m)) {
                value = (int) Math.round(courses.get(m).levelOn(on) + 0.5 * m.sem() * random.nextGaussian());
            }
            if (thisWinter && story != null && story.is("moved up a band") && m == MeasureBook.ORAL_READING) {
                value = m.cuts(grade, 1)[1] + 9;
            }
            if (thisWinter && story != null && story.is("long hours yet falling") && m.code().equals("maze")) {
                value = m.cuts(grade, 1)[0] - 5;
            }
            if (luck < 0.012 && story == null) {
                continue;
            }
            String status = luck < 0.03 && story == null ? "absent" : "scored";
            if (status.equals("scored")) {
                int[] cuts = m.cuts(grade, w.season());
                tiers.computeIfAbsent(m.area(), k -> new ArrayList<>()).add(value < cuts[0] ? 3 : value < cuts[1] ? 2 : 1);
            }
            sheets.row("scores", p.code(), m.code(), on, status.equals("scored") ? value : "", status);
            if (grade == 4 && w.year().equals(Calendar.THIS_YEAR)) {
                subScores.write(p.code(), m, on, value, status);
            }
        }
        if (w.year().equals(Calendar.THIS_YEAR) && w.season() == 0) {
            decide(p, w, tiers);
        }
    }

    /** What the team settled after the autumn screening: the tier that most measures gave. */
    private void decide(Pupil p, Calendar.Window w, Map<String, List<Integer>> tiers) throws IOException {
        for (Map.Entry<String, List<Integer>> e : tiers.entrySet()) {
            List<Integer> sorted = e.getValue().stream().sorted().toList();
            sheets.row("tiers", p.code(), e.getKey(), w.year(), w.name(), sorted.get(sorted.size() / 2), LocalDate.of(2025, 9, 30), "");
        }
    }

    /** What the student is monitored on every week, and how that goes. */
    private Map<MeasureBook.Entry, Probes.Course> courses(Pupil p, int grade, boolean kittiwake) {
        Map<MeasureBook.Entry, Probes.Course> courses = new LinkedHashMap<>();
        Story story = kittiwake ? Story.of(p) : null;
        if (story != null) {
            if (story.course() != null) {
                courses.put(MeasureBook.ORAL_READING, story.course());
            }
            return courses;
        }
        if (p.reading() < -0.85) {
            courses.put(MeasureBook.ORAL_READING, course(p, MeasureBook.ORAL_READING, grade, 1.25));
        }
        if (p.maths() < -0.95) {
            courses.put(MeasureBook.NUMBER_FACTS, course(p, MeasureBook.NUMBER_FACTS, grade, 0.5));
        }
        return courses;
    }

    private Probes.Course course(Pupil p, MeasureBook.Entry m, int grade, double needed) {
        double start = Math.max(4, m.average(grade, 0) + m.spread() * p.standing(m) + 2);
        double pace = needed * (1.08 + 0.22 * random.nextGaussian());
        return Probes.Course.steady(start, Math.max(0.1 * needed, pace), needed);
    }

    /** Last year's grade 4, who have left the school: their record stays. */
    private void writeLeavers(int k) throws IOException {
        for (int i = 0; i < 24; i++) {
            String[] name = names.next();
            Pupil p = Pupil.draw(code(), name[0], name[1], random);
            sheets.row("students", p.code(), p.given(), p.family(), "", "");
            sheets.row("enrolments", p.code(), classCode(Calendar.LAST_YEAR, 2, k), Calendar.LAST_START, Calendar.LAST_END);
            for (Calendar.Window w : Calendar.WINDOWS) {
                if (w.year().equals(Calendar.LAST_YEAR)) {
                    screen(p, w, 4, false, Map.of());
                }
            }
            lastYear.student(p, 4, Set.of());
        }
    }

    private String support(Pupil p) {
        double luck = random.nextDouble();
        return p.reading() < -0.9 && luck < 0.4 ? "Individual plan" : luck > 0.92 ? "Language support" : "";
    }

    private String code() {
        return "S" + nextCode++;
    }

    /** Kittiwake's planted stories, by full name. */
    static final Map<String, Story> BY_NAME = Story.ALL.stream()
            .collect(java.util.stream.Collectors.toMap(s -> s.given() + " " + s.family(), s -> s));
}
