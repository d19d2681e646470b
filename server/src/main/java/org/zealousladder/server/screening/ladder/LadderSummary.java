package org.zealousladder.server.screening.ladder;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.zealousladder.core.bands.TrueScores;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.screening.ladder.LadderView.LadderRow;

/** The sentence above the picture: who moved between the seasons and who stands too close to a rung to be sure. */
final class LadderSummary {
    private LadderSummary() {}

    /** @param assumed whether the measure states no error of measurement */
    static String of(List<Window> windows, List<LadderRow> rows, boolean assumed, int gone) {
        if (windows.isEmpty() || rows.isEmpty()) {
            return "";
        }
        List<String> sentences = new ArrayList<>();
        int last = windows.size() - 1;
        if (last > 0) {
            long both = rows.stream().filter(LadderSummary::both).count();
            long up = rows.stream().filter(r -> move(r) > 0).count();
            long down = rows.stream().filter(r -> move(r) < 0).count();
            String since = " since " + windows.get(last - 1).name().toLowerCase(Locale.ROOT);
            // Whoever has one of the two scores cannot have moved: of how many is said, as the seasons' own counts are others.
            if (both > 0) {
                sentences.add(Words.sentence(up == 0 && down == 0 ? "none of " + both + " with both scores changed band" + since
                        : "of " + both + " with both scores, " + Words.number(up) + " moved up a band" + since + " and " + Words.number(down) + " moved down"));
            }
        }
        long close = rows.stream().filter(r -> r.cells().get(last).closeCall()).count();
        if (close > 0) {
            sentences.add(Words.sentence(Words.number(close) + (close == 1 ? " stands" : " stand") + " close enough to a rung to be unsure"));
        }
        if (assumed && rows.stream().flatMap(r -> r.cells().stream()).anyMatch(c -> c.certainty() != null)) {
            sentences.add("The measure states no error, so how sure a band is rests on an assumed reliability of " + TrueScores.ASSUMED_RELIABILITY + ".");
        }
        if (gone > 0) {
            sentences.add(Words.sentence(Words.number(gone) + " who " + (gone == 1 ? "was" : "were") + " here then "
                    + (gone == 1 ? "has" : "have") + " left since and " + (gone == 1 ? "is" : "are") + " not shown"));
        }
        return String.join(" ", sentences);
    }

    /** Bands moved between the last two seasons, up positive; 0 when one of them is not known. */
    static int move(LadderRow row) {
        if (!both(row)) {
            return 0;
        }
        int last = row.cells().size() - 1;
        return Integer.signum(requireNonNull(row.cells().get(last).band()) - requireNonNull(row.cells().get(last - 1).band()));
    }

    /** Whether the student stands in a band in both of the last two seasons. */
    private static boolean both(LadderRow row) {
        int last = row.cells().size() - 1;
        return last > 0 && row.cells().get(last - 1).band() != null && row.cells().get(last).band() != null;
    }
}
