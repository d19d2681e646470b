package org.zealousladder.server.screening.ladder;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.zealousladder.server.measures.measures.Window;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.screening.ladder.LadderView.LadderRow;
import org.zealousladder.server.screening.standings.Cell;

/** The sentence above the picture: who moved between the seasons and who stands too close to a rung to be sure. */
final class LadderSummary {
    private LadderSummary() {}

    static String of(List<Window> windows, List<LadderRow> rows) {
        if (windows.isEmpty() || rows.isEmpty()) {
            return "";
        }
        List<String> sentences = new ArrayList<>();
        int last = windows.size() - 1;
        if (last > 0) {
            long up = rows.stream().filter(r -> move(r) > 0).count();
            long down = rows.stream().filter(r -> move(r) < 0).count();
            String since = " since " + windows.get(last - 1).name().toLowerCase(Locale.ROOT);
            sentences.add(up == 0 && down == 0 ? Words.sentence("nobody changed band" + since)
                    : Words.sentence(Words.number(up) + " moved up a band" + since + ", " + Words.number(down) + " moved down"));
        }
        long close = rows.stream().filter(r -> r.cells().get(last).closeCall()).count();
        if (close > 0) {
            sentences.add(Words.sentence(Words.number(close) + (close == 1 ? " stands" : " stand") + " close enough to a rung to be unsure"));
        }
        return String.join(" ", sentences);
    }

    /** Bands moved between the last two seasons, up positive; 0 when one of them is not known. */
    static int move(LadderRow row) {
        int last = row.cells().size() - 1;
        if (last < 1) {
            return 0;
        }
        Cell before = row.cells().get(last - 1);
        Cell now = row.cells().get(last);
        return before.band() == null || now.band() == null ? 0 : Integer.signum(now.band() - before.band());
    }
}
