package org.zealousladder.cli.compute;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.zealousladder.cli.rows.Columns;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.cli.rows.Row;
import org.zealousladder.core.bands.Group;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;

/** A group's scores on some measures, the latest of each student. */
final class BandScores {
    final List<Problem> problems = new ArrayList<>();
    private final Set<String> measures = new LinkedHashSet<>();
    private final Map<String, Map<String, Dated>> byStudent = new LinkedHashMap<>();

    private record Dated(LocalDate date, double score) {}

    void read(Path path) throws IOException, BadCsvException {
        try (CsvFile file = CsvFile.open(path)) {
            Columns columns = new Columns(file, "scores", "student", "measure", "score");
            boolean dated = file.header().contains("date");
            for (CsvRecord r = file.nextRow(); r != null; r = file.nextRow()) {
                Row row = new Row(columns, r, file.rowNumber(), "", problems);
                String student = row.text("student");
                String measure = row.text("measure");
                String status = row.optional("status");
                if (!status.isEmpty() && !status.equals(ScoreStatus.SCORED.code())) {
                    continue;
                }
                double score = row.number("score");
                LocalDate date = dated ? row.date("date") : LocalDate.EPOCH;
                if (!row.good()) {
                    continue;
                }
                measures.add(measure);
                Map<String, Dated> own = byStudent.computeIfAbsent(student, s -> new LinkedHashMap<>());
                Dated before = own.get(measure);
                if (before != null && before.date().equals(date)) {
                    row.bad("score",
                            "'" + student + "' has two scores on '" + measure + "'" + (dated ? " on that day." : "; a column 'date' would tell the later."));
                } else if (before == null || before.date().isBefore(date)) {
                    own.put(measure, new Dated(date, score));
                }
            }
        }
    }

    List<String> measures() {
        return List.copyOf(measures);
    }

    List<String> students() {
        return List.copyOf(byStudent.keySet());
    }

    /** In the measures' order; NaN: none. */
    double[] scores(String student) {
        double[] all = new double[measures.size()];
        Arrays.fill(all, Double.NaN);
        int i = 0;
        for (String m : measures) {
            Dated d = byStudent.get(student).get(m);
            all[i++] = d == null ? Double.NaN : d.score();
        }
        return all;
    }

    Group group() {
        return new Group(byStudent.keySet().stream().map(this::scores).toArray(double[][]::new));
    }
}
