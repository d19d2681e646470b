package org.zealousladder.demo;

import java.io.IOException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;

/** What is done for monitored students: a concern, mostly a plan, and sessions of which some were not held. */
final class Plans {
    private static final LocalDate ENDS = LocalDate.of(2026, 4, 24);
    private static final Map<String, String[]> STRATEGIES = Map.of(
            "Reading", new String[] {"Paired reading", "Repeated reading", "Phrase reading"},
            "Maths", new String[] {"Number facts in threes", "Number line talk"});
    private static final Map<String, String> WORRIES = Map.of(
            "Reading", "Reads word by word and tires after a few lines.",
            "Maths", "Counts facts on fingers that others know by heart.");
    private static final String[] LEADERS = {"E. Quist", "I. Mensah", "the class teacher"};
    private static final String[] PLACES = {"library corner", "classroom", "small room"};

    private final Sheets sheets;
    private final Random random = new Random(41);
    private final Set<String> worried = new HashSet<>();
    private int inReading;

    Plans(Sheets sheets) {
        this.sheets = sheets;
    }

    /** @param className gives the group its name */
    void write(Pupil p, String className, MeasureBook.Entry m, Probes.Course c) throws IOException {
        if (worried.add(p.code() + m.area())) {
            sheets.row("concerns", p.code(), m.area(), p.standing(m) < -1.4 ? 3 : 2, Probes.FIRST, "");
        }
        boolean changed = c.changed() != null;
        if (!changed && random.nextDouble() < 0.2) {
            return;
        }
        String[] strategies = Objects.requireNonNull(STRATEGIES.get(m.area()), m.area());
        int which = changed ? 0 : random.nextInt(strategies.length);
        int perWeek = changed ? 2 : 3;
        String leader = LEADERS[random.nextInt(LEADERS.length)];
        String place = PLACES[random.nextInt(PLACES.length)];
        if (m.area().equals("Reading") && inReading++ % 4 == 0) {
            sheets.row("caseloads", "s.rask", p.code(), Probes.FIRST, "");
        }
        sheets.row("plans", p.code(), m.code(), Probes.FIRST, ENDS, Objects.requireNonNull(WORRIES.get(m.area()), m.area()), strategies[which], perWeek, 20,
                leader, place,
                m.area().equals("Reading") ? "Reads a page of the class book aloud with few stops." : "Answers facts to 20 without counting.",
                which == strategies.length - 1 && !changed ? className + ", " + strategies[which].toLowerCase(java.util.Locale.ROOT) : "");
        if (changed) {
            sheets.row("plan-phases", p.code(), m.code(), c.changed(), strategies[which], 3, 20, leader, place,
                    "Paired reading three times a week instead of two");
        }
        double kept = random.nextDouble() < 0.15 ? 0.4 : 0.88;
        for (LocalDate day = Probes.FIRST; day.isBefore(DemoFiles.TODAY); day = day.plusDays(1)) {
            boolean more = changed && !day.isBefore(c.changed());
            boolean due = day.getDayOfWeek() == DayOfWeek.MONDAY || day.getDayOfWeek() == DayOfWeek.THURSDAY
                    || day.getDayOfWeek() == DayOfWeek.TUESDAY && (perWeek == 3 || more);
            if (due && !Calendar.closed(day) && random.nextDouble() < kept) {
                sheets.row("sessions", p.code(), m.code(), day, 1);
            }
        }
    }
}
