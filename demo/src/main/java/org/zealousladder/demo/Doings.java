package org.zealousladder.demo;

import java.io.IOException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Random;
import org.jspecify.annotations.Nullable;

/** Half a year of what students did in two invented programs, and the days they were away. They draw from a stream of their own, so that scores are the same with and without them. */
final class Doings {
    private static final LocalDate FIRST = LocalDate.of(2025, 9, 15);
    /** The day from which one is quiet: the first after the storm. */
    private static final LocalDate QUIET = LocalDate.of(2026, 2, 9);
    /** The last day on which another one was seen. */
    private static final LocalDate SEEN = LocalDate.of(2026, 2, 26);
    private static final String[] BOOKS = {"The lighthouse cat", "Nets and knots", "Seven tides", "A map of the isles", "The quiet engine", "Salt and sugar"};
    private static final String[] TRAILS = {"Adding on", "Taking away", "Tables", "Fair shares", "Measures"};
    private static final String[] REASONS = {"ill", "ill", "ill", "at the dentist", "with the family", ""};

    private final Sheets sheets;
    private final Random random = new Random(20252);

    Doings(Sheets sheets) {
        this.sheets = sheets;
    }

    void student(Pupil p, int grade, @Nullable Story story, LocalDate from, LocalDate to) throws IOException {
        double reading = 22 + 14 * random.nextDouble() + 2 * grade;
        double maths = 12 + 9 * random.nextDouble();
        boolean evenings = random.nextInt(8) == 0 || story != null && story.is("moved from Fulmar in November");
        double away = story != null && story.is("four points only") ? 0.2 : random.nextInt(12) == 0 ? 0.13 : 0.035;
        int page = 0;
        for (LocalDate day = from; !day.isAfter(to); day = day.plusDays(1)) {
            if (day.getDayOfWeek().getValue() > 5) {
                continue;
            }
            boolean closed = Calendar.closed(day);
            if (!closed && random.nextDouble() < away) {
                boolean late = random.nextInt(4) == 0;
                sheets.row("attendance", p.code(), day, late ? "late" : "absent", late ? "" : REASONS[random.nextInt(REASONS.length)]);
                if (!late) {
                    continue;
                }
            }
            if (day.isBefore(FIRST)) {
                continue;
            }
            double much = much(story, day);
            boolean reads = day.getDayOfWeek() != DayOfWeek.WEDNESDAY && random.nextDouble() < 0.82;
            boolean counts = day.getDayOfWeek() != DayOfWeek.MONDAY && random.nextDouble() < 0.62;
            double luck = random.nextDouble();
            double swing = Math.exp(0.22 * random.nextGaussian());
            if (closed && (day.getMonthValue() != 2 || luck > 0.05) || !closed && much * 9 < luck) {
                continue;
            }
            if (reads) {
                int minutes = (int) Math.max(1, Math.round(reading * much * swing));
                page += Math.max(1, minutes / 8);
                int at = page % (BOOKS.length * 24);
                sheets.row("activity", p.code(), day, time(evenings, 9), "reading", minutes, 2 + minutes / 2, "Saltmarsh Stories", BOOKS[at / 24],
                        "Chapter " + (at % 24 / 6 + 1), "Page " + (at % 6 + 1));
            }
            if (counts) {
                int minutes = (int) Math.max(1, Math.round(maths * much * swing));
                boolean check = random.nextInt(9) == 0;
                sheets.row("activity", p.code(), day, time(evenings, 11), check ? "assessment" : "practice", minutes, 4 + 2 * minutes, "Tally Quay",
                        TRAILS[(grade + day.getMonthValue()) % TRAILS.length], check ? "Check" : "Round " + (1 + random.nextInt(4)), "");
            }
        }
    }

    /** How much more or less than usual a story has a student do. */
    private static double much(@Nullable Story story, LocalDate day) {
        if (story == null) {
            return 1;
        } else if (story.is("strong scores but gone quiet")) {
            return day.isBefore(QUIET) ? 1.05 : 0.16;
        } else if (story.is("long hours yet falling")) {
            return 2;
        } else if (story.about().equals("on course") && story.given().equals("Caspian")) {
            return day.isAfter(SEEN) ? 0 : 1;
        }
        return 1;
    }

    private String time(boolean evenings, int hour) {
        return "%02d:%02d".formatted(evenings && random.nextInt(4) > 0 ? 19 : hour, random.nextInt(60));
    }
}
