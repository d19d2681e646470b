package org.zealousladder.demo;

import java.io.IOException;
import java.time.LocalDate;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** Passages that three students of Kittiwake read aloud: one of them the same passage three times, better each time. */
final class Readings {
    /** How one minute went: words reached and, of these, how many were not read right or were put right. */
    private record Minute(String passage, LocalDate on, int words, int slips, int corrected, int retelling, String level) {}

    private static final String ALONE = "Reads it alone";
    private static final String WITH_HELP = "Reads it with help";
    private static final String TOO_HARD = "Too hard for now";
    private static final String[] SLIPS = {"error", "error", "left-out", "told", "error", "inserted"};

    private static final Map<String, Minute[]> BY_NAME = Map.of(
            "Zuri Halloran", new Minute[] {
                    new Minute("tide-table", LocalDate.of(2025, 10, 6), 58, 9, 0, 1, TOO_HARD),
                    new Minute("tide-table", LocalDate.of(2026, 1, 15), 66, 5, 2, 2, WITH_HELP),
                    new Minute("tide-table", LocalDate.of(2026, 3, 5), 81, 3, 3, 3, ALONE)},
            "Sunniva Hale", new Minute[] {
                    new Minute("tide-table", LocalDate.of(2025, 10, 7), 60, 5, 1, 2, WITH_HELP),
                    new Minute("ferry-gull", LocalDate.of(2026, 2, 26), 62, 6, 0, 2, WITH_HELP)},
            "Idris Falk", new Minute[] {
                    new Minute("ferry-gull", LocalDate.of(2026, 2, 24), 61, 8, 1, 1, TOO_HARD)});

    private final Sheets sheets;
    private final Random random = new Random(43);

    Readings(Sheets sheets) {
        this.sheets = sheets;
    }

    void write(Pupil p) throws IOException {
        for (Minute m : BY_NAME.getOrDefault(p.given() + " " + p.family(), new Minute[0])) {
            sheets.row("readings", p.code(), m.passage(), m.on(), 60, 60, m.words(), m.retelling(), m.level(), "");
            int number = 1;
            for (Map.Entry<Integer, String> mark : marks(m).entrySet()) {
                double at = Math.round(600.0 * mark.getKey() / m.words()) / 10.0;
                sheets.row("reading-marks", p.code(), m.passage(), m.on(), number++, mark.getKey(), mark.getValue(), at);
            }
        }
    }

    /** Marks by word, each on a word of its own. */
    private Map<Integer, String> marks(Minute m) {
        Map<Integer, String> marks = new TreeMap<>();
        while (marks.size() < m.slips()) {
            marks.putIfAbsent(2 + random.nextInt(m.words() - 2), SLIPS[marks.size() % SLIPS.length]);
        }
        while (marks.size() < m.slips() + m.corrected()) {
            marks.putIfAbsent(2 + random.nextInt(m.words() - 2), "self-corrected");
        }
        return marks;
    }
}
