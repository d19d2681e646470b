package org.zealousladder.demo;

import java.io.IOException;
import java.time.LocalDate;
import java.util.List;

/** The demo's two school years, its screening windows and its weeks without lessons. */
final class Calendar {
    static final String LAST_YEAR = "2024-25";
    static final String THIS_YEAR = "2025-26";
    static final LocalDate LAST_START = LocalDate.of(2024, 8, 26);
    static final LocalDate LAST_END = LocalDate.of(2025, 6, 27);
    static final LocalDate THIS_START = LocalDate.of(2025, 8, 25);
    static final LocalDate THIS_END = LocalDate.of(2026, 6, 26);

    /** A screening window; {@code season} 0 autumn, 1 winter, 2 spring. */
    record Window(String year, int season, LocalDate opens, LocalDate closes) {
        String name() {
            return List.of("Autumn", "Winter", "Spring").get(season);
        }
    }

    static final List<Window> WINDOWS = List.of(
            new Window(LAST_YEAR, 0, LocalDate.of(2024, 9, 9), LocalDate.of(2024, 9, 20)),
            new Window(LAST_YEAR, 1, LocalDate.of(2025, 1, 13), LocalDate.of(2025, 1, 24)),
            new Window(LAST_YEAR, 2, LocalDate.of(2025, 5, 5), LocalDate.of(2025, 5, 16)),
            new Window(THIS_YEAR, 0, LocalDate.of(2025, 9, 8), LocalDate.of(2025, 9, 19)),
            new Window(THIS_YEAR, 1, LocalDate.of(2026, 1, 12), LocalDate.of(2026, 1, 23)),
            new Window(THIS_YEAR, 2, LocalDate.of(2026, 5, 4), LocalDate.of(2026, 5, 15)));

    private Calendar() {}

    static void write(Sheets sheets) throws IOException {
        sheets.row("years", LAST_YEAR, LAST_START, LAST_END);
        sheets.row("years", THIS_YEAR, THIS_START, THIS_END);
        for (Off o : OFF) {
            sheets.row("calendar", o.kind(), o.called(), o.first(), o.last());
        }
        for (Window w : WINDOWS) {
            sheets.row("windows", w.year(), w.name(), w.opens(), w.closes());
        }
    }

    /** Days without lessons. */
    private record Off(String kind, String called, LocalDate first, LocalDate last) {
        boolean holds(LocalDate day) {
            return !day.isBefore(first) && !day.isAfter(last);
        }
    }

    private static final List<Off> OFF = List.of(new Off("holiday", "Autumn break", LocalDate.of(2024, 10, 21), LocalDate.of(2024, 10, 25)),
            new Off("holiday", "Midwinter", LocalDate.of(2024, 12, 21), LocalDate.of(2025, 1, 7)),
            new Off("holiday", "Spring break", LocalDate.of(2025, 4, 14), LocalDate.of(2025, 4, 21)),
            new Off("holiday", "Autumn break", LocalDate.of(2025, 10, 20), LocalDate.of(2025, 10, 24)),
            new Off("holiday", "Midwinter", LocalDate.of(2025, 12, 20), LocalDate.of(2026, 1, 6)),
            new Off("closure", "Storm: no ferry ran", LocalDate.of(2026, 2, 2), LocalDate.of(2026, 2, 6)),
            new Off("holiday", "Spring break", LocalDate.of(2026, 3, 30), LocalDate.of(2026, 4, 6)));

    static boolean screening(LocalDate day) {
        return WINDOWS.stream().anyMatch(w -> !day.isBefore(w.opens()) && !day.isAfter(w.closes()));
    }

    static boolean closed(LocalDate day) {
        return OFF.stream().anyMatch(o -> o.holds(day));
    }
}
