package org.zealousladder.demo;

import java.io.IOException;
import java.time.LocalDate;
import java.util.Random;

/** Two sub-scores of the reading screen, which stand by themselves. Like {@link AtHome} they draw from a stream of their own. */
final class SubScores {
    private static final String OF = "reading-screen";
    private static final int LOWEST = 100;
    private static final int HIGHEST = 300;

    private final Sheets sheets;
    private final Random random = new Random(41);

    SubScores(Sheets sheets) {
        this.sheets = sheets;
    }

    static void measures(Sheets sheets) throws IOException {
        sheets.row("measures", "reading-screen-words", "Words", "screening", "Reading", "scale score", LOWEST, HIGHEST, 0, "higher", 10, "chance", OF, "");
        sheets.row("measures", "reading-screen-text", "Understanding", "screening", "Reading", "scale score", LOWEST, HIGHEST, 0, "higher", 10, "chance", OF,
                "");
    }

    /** Some read words better than they understand, and the other way round. */
    void write(String student, MeasureBook.Entry measure, LocalDate on, int value, String status) throws IOException {
        if (!measure.code().equals(OF) || !status.equals("scored")) {
            return;
        }
        int apart = (int) Math.round(9 * random.nextGaussian());
        sheets.row("scores", student, "reading-screen-words", on, within(value + apart), status);
        sheets.row("scores", student, "reading-screen-text", on, within(value - apart), status);
    }

    private static int within(int value) {
        return Math.max(LOWEST, Math.min(HIGHEST, value));
    }
}
