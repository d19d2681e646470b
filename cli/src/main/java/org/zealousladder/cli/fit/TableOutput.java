package org.zealousladder.cli.fit;

import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.core.growth.Pool;

/** A table to read at the terminal, wide enough for the longest name. */
final class TableOutput implements FitOutput {
    private static final String[] HEADER = {"student", "measure", "n", "per week", "95 %", "goal", "needed", "chance", "decision", "why"};

    private final List<String[]> rows = new ArrayList<>();
    private PrintStream out;

    @Override
    public void begin(FittedSeries.Options options, String method, Map<String, Pool> populations, OutputStream to) {
        out = new PrintStream(to, false, StandardCharsets.UTF_8);
        out.println("As of " + options.asOf() + ", weeks from " + options.origin() + ", method " + method);
        populations.forEach((measure, p) -> out.println(measure + ": " + p.series() + " series, " + number(p.slopePerWeek()) + " a week on the whole (SE "
                + number(p.slopeSe()) + "), students differ by " + number(p.slopeSd()) + " a week (SD)"));
        rows.add(HEADER);
    }

    @Override
    public void series(FittedSeries s) {
        boolean goal = s.goal() != null;
        rows.add(new String[] {s.key().student(), s.key().measure(), Integer.toString(s.n()),
                s.trend() == null ? "too few" : number(s.trend().slope()),
                s.trend() == null ? "" : number(s.trend().slopeLow()) + " to " + number(s.trend().slopeHigh()),
                goal ? number(s.goal().goalScore()) + " by " + s.goal().goalDate() : "",
                goal ? number(s.line().neededPerWeek()) : "",
                s.chance() == null ? "" : Math.round(100 * s.chance()) + " %",
                goal ? s.decision().kind().label() : "", goal ? s.decision().reason() : ""});
    }

    @Override
    public void end(List<Problem> problems) {
        int[] widths = new int[HEADER.length];
        for (String[] row : rows) {
            for (int i = 0; i < row.length; i++) {
                widths[i] = Math.max(widths[i], row[i].length());
            }
        }
        for (String[] row : rows) {
            StringBuilder line = new StringBuilder();
            for (int i = 0; i < row.length; i++) {
                line.append(row[i]).append(" ".repeat(widths[i] - row[i].length() + 2));
            }
            out.println(line.toString().stripTrailing());
        }
        out.flush();
    }

    private static String number(double value) {
        return value == Math.rint(value) && Math.abs(value) >= 10 ? String.format(Locale.ROOT, "%.0f", value) : String.format(Locale.ROOT, "%.2f", value);
    }
}
