package org.zealousladder.demo;

import java.io.IOException;
import java.util.List;

/** The demo's measures, with where an average student of each grade stands in each season, and cut scores. All invented. */
final class MeasureBook {
    /**
     * A measure.
     *
     * @param sem standard error of measurement
     * @param spread standard deviation between students
     * @param start average of grade 2 in autumn
     * @param season growth from one season to the next
     * @param grade further growth from grade to grade over the summer
     */
    record Entry(String code, String title, String kind, String area, String unit, int lowest, int highest, double sem, double spread,
            double start, double season, double grade) {

        double average(int atGrade, int atSeason) {
            return start + (atGrade - 2) * (2 * season + grade) + atSeason * season;
        }

        /** Cut scores: about one in six below the first, one in three below the second. */
        int[] cuts(int atGrade, int atSeason) {
            return cuts(atGrade, atSeason, 0);
        }

        /** @param shift in spreads */
        int[] cuts(int atGrade, int atSeason, double shift) {
            double average = average(atGrade, atSeason) + shift * spread;
            return new int[] {(int) Math.round(average - 1.0 * spread), (int) Math.round(average - 0.35 * spread)};
        }
    }

    static final Entry ORAL_READING = new Entry("oral-reading", "Oral reading", "probe", "Reading", "words correct per minute",
            0, 250, 4.5, 20, 56, 15, 4);
    static final Entry NUMBER_FACTS = new Entry("number-facts", "Number facts", "probe", "Maths", "digits correct in two minutes",
            0, 120, 3, 11, 22, 5, 3);

    static final List<Entry> ALL = List.of(ORAL_READING,
            new Entry("maze", "Maze", "probe", "Reading", "correct choices", 0, 60, 2, 5, 9, 2.5, 1), NUMBER_FACTS,
            new Entry("story-writing", "Story writing", "probe", "Writing", "correct word sequences", 0, 150, 5, 12, 24, 6, 4),
            new Entry("reading-screen", "Reading screen", "screening", "Reading", "scale score", 100, 300, 7, 24, 178, 7, 4),
            new Entry("maths-screen", "Maths screen", "screening", "Maths", "scale score", 100, 300, 7, 22, 176, 7, 4));

    private static final String NORMS = "Northern Isles 2025";
    private static final List<String> BANDS = List.of("Needs a lift", "Within reach", "Secure");

    private MeasureBook() {}

    static void write(Sheets sheets) throws IOException {
        sheets.row("cut-sets", "local", "Local cut scores", "local", "", "Invented for the demo", "");
        sheets.row("cut-sets", "northern", "Northern Isles 2025", "published", "", "As an authority would publish them; invented for the demo", "");
        for (Entry m : ALL) {
            sheets.row("measures", m.code(), m.title(), m.kind(), m.area(), m.unit(), m.lowest(), m.highest(), 0, "higher", m.sem(), "chance", "", "");
            for (int grade = 2; grade <= 6; grade++) {
                for (Calendar.Window w : Calendar.WINDOWS) {
                    writeLadder(sheets, m, grade, w, "local", 0);
                    if (m == ORAL_READING || m.kind().equals("screening")) {
                        writeLadder(sheets, m, grade, w, "northern", 0.22);
                    }
                }
            }
            if (m == ORAL_READING || m.kind().equals("screening")) {
                writeNorms(sheets, m);
            }
        }
    }

    /** As an authority would publish them: about normal, a little above the demo's own students. */
    private static void writeNorms(Sheets sheets, Entry m) throws IOException {
        int[] percentiles = {10, 25, 50, 75, 90};
        double[] spreads = {-1.2816, -0.6745, 0, 0.6745, 1.2816};
        for (int grade = 2; grade <= 6; grade++) {
            for (int i = 0; i < percentiles.length; i++) {
                for (int season = 0; season < 3; season++) {
                    long score = Math.round(Math.max(m.lowest(), Math.min(m.highest(), m.average(grade, season) + m.spread() * (0.1 + spreads[i]))));
                    sheets.row("norms", NORMS, m.code(), grade, List.of("Autumn", "Winter", "Spring").get(season), percentiles[i], score, 1200);
                }
                sheets.row("norm-growth", NORMS, m.code(), grade, percentiles[i], Math.round(100 * m.season() / 17 * (1 + 0.45 * spreads[i])) / 100.0, 1200);
            }
        }
    }

    private static void writeLadder(Sheets sheets, Entry m, int grade, Calendar.Window w, String set, double shift) throws IOException {
        int[] cuts = m.cuts(grade, w.season(), shift);
        for (int band = 0; band < BANDS.size(); band++) {
            sheets.row("cuts", m.code(), grade, w.year(), w.name(), BANDS.get(band), 3 - band, band == 0 ? "" : cuts[band - 1], set);
        }
    }
}
