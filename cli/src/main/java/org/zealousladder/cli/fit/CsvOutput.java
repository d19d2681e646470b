package org.zealousladder.cli.fit;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.core.growth.Pool;

/** One row a series; a cell that does not apply is empty. */
final class CsvOutput implements FitOutput {
    private CsvWriter csv;
    private boolean pooled;

    @Override
    public void begin(FittedSeries.Options options, String method, Map<String, Pool> populations, OutputStream out) {
        pooled = options.together();
        csv = CsvWriter.builder().build(new OutputStreamWriter(out, StandardCharsets.UTF_8));
        List<String> header = new ArrayList<>(
                List.of("student", "measure", "n", "state", "intercept", "slope_per_week", "slope_se", "slope_low", "slope_high", "residual_sd", "df",
                        "latest_date", "latest_level", "latest_low", "latest_high", "outliers", "goal_date", "goal_score", "needed_per_week", "projected",
                        "projected_low", "projected_high", "chance", "decision", "rule", "reason"));
        if (pooled) {
            header.addAll(List.of("fitted_by", "intercept_se"));
        }
        csv.writeRecord(header);
    }

    @Override
    public void series(FittedSeries s) {
        var t = s.trend();
        var level = s.latestLevel();
        boolean goal = s.goal() != null;
        List<String> row = new ArrayList<>(List.of(s.key().student(), s.key().measure(), Integer.toString(s.n()), t == null ? "too few" : "fitted",
                text(t == null ? null : t.intercept()), text(t == null ? null : t.slope()), text(t == null ? null : s.slopeSe()),
                text(t == null ? null : t.slopeLow()), text(t == null ? null : t.slopeHigh()), text(t == null ? null : t.residualSd()),
                text(t == null ? null : t.df()), text(t == null ? null : s.latest()), text(level == null ? null : level.value()),
                text(level == null ? null : level.low()), text(level == null ? null : level.high()),
                s.outliers().stream().map(Object::toString).collect(Collectors.joining(" ")),
                text(goal ? s.goal().goalDate() : null), text(goal ? s.goal().goalScore() : null), text(goal ? s.line().neededPerWeek() : null),
                text(s.projected() == null ? null : s.projected().value()), text(s.projected() == null ? null : s.projected().low()),
                text(s.projected() == null ? null : s.projected().high()), text(s.chance()),
                goal ? s.decision().kind().code() : "", goal ? s.decision().rule().rule().code() : "", goal ? s.decision().reason() : ""));
        if (pooled) {
            row.addAll(List.of(t == null ? "" : s.fittedBy(), text(t == null ? null : s.interceptSe())));
        }
        csv.writeRecord(row);
    }

    @Override
    public void end(List<Problem> problems) throws IOException {
        csv.flush();
    }

    private static String text(Object value) {
        return value == null ? "" : value.toString();
    }
}
