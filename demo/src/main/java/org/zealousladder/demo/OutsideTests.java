package org.zealousladder.demo;

import java.io.IOException;
import java.time.LocalDate;
import java.util.Random;

/** What the county, an invented body, has had tested each year: reading in two parts, and numbers. They draw from a stream of their own. */
final class OutsideTests {
    private static final int MIDDLE = 50;
    private static final int SPREAD = 10;

    private final Sheets sheets;
    private final Random random = new Random(43);

    OutsideTests(Sheets sheets) {
        this.sheets = sheets;
    }

    static void measures(Sheets sheets) throws IOException {
        row(sheets, "county-reading", "County reading test", "Reading", "");
        row(sheets, "county-reading-words", "Word reading", "Reading", "county-reading");
        row(sheets, "county-reading-text", "Reading for meaning", "Reading", "county-reading");
        row(sheets, "county-numbers", "County number test", "Maths", "");
    }

    private static void row(Sheets sheets, String code, String title, String area, String of) throws IOException {
        sheets.row("measures", code, title, "outside", area, "standard score", 0, 100, 0, "higher", 4, "chance", of, "");
    }

    /** @param lastYear whether the student was at the school then */
    void student(Pupil p, boolean lastYear) throws IOException {
        if (lastYear) {
            taken(p, LocalDate.of(2025, 5, 21));
        }
        taken(p, LocalDate.of(2025, 11, 19));
    }

    private void taken(Pupil p, LocalDate on) throws IOException {
        if (random.nextInt(25) == 0) {
            sheets.row("scores", p.code(), "county-reading", on, "", "absent");
            return;
        }
        double reading = p.reading() + 0.3 * random.nextGaussian();
        double apart = 0.4 * random.nextGaussian();
        score(p, "county-reading", on, reading);
        score(p, "county-reading-words", on, reading + apart);
        score(p, "county-reading-text", on, reading - apart);
        score(p, "county-numbers", on.plusDays(1), p.maths() + 0.3 * random.nextGaussian());
    }

    private void score(Pupil p, String code, LocalDate on, double standing) throws IOException {
        sheets.row("scores", p.code(), code, on, Math.max(0, Math.min(100, Math.round(MIDDLE + SPREAD * standing))), "scored");
    }
}
