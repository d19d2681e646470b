package org.zealousladder.cli.compute;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.zealousladder.cli.rows.Columns;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.cli.rows.Row;
import org.zealousladder.core.groups.GroupTask.Met;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;

/** Students with what they need, and who worked together when. */
final class Needs {
    /** By name, the place in the file. */
    final Map<String, Integer> students = new LinkedHashMap<>();
    private final List<double[]> need = new ArrayList<>();
    /** The latest day of each pair, the smaller place first. */
    private final Map<List<Integer>, LocalDate> together = new TreeMap<>(
            (a, b) -> a.get(0).equals(b.get(0)) ? a.get(1).compareTo(b.get(1)) : a.get(0).compareTo(b.get(0)));
    final List<Problem> problems = new ArrayList<>();

    void read(Path path) throws IOException, BadCsvException {
        try (CsvFile file = CsvFile.open(path)) {
            Columns columns = new Columns(file, "students", "student");
            List<String> numbers = file.header().stream().filter(h -> !h.strip().equalsIgnoreCase("student")).toList();
            for (CsvRecord r = file.nextRow(); r != null; r = file.nextRow()) {
                Row row = new Row(columns, r, file.rowNumber(), "", problems);
                String student = row.text("student");
                double[] own = numbers.stream().mapToDouble(row::number).toArray();
                if (row.good() && students.containsKey(student)) {
                    row.bad("student", "'" + student + "' is there twice.");
                } else if (row.good()) {
                    students.put(student, need.size());
                    need.add(own);
                }
            }
        }
    }

    /** Pairs of whom one is not among the students say nothing. */
    void readHistory(Path path) throws IOException, BadCsvException {
        try (CsvFile file = CsvFile.open(path)) {
            Columns columns = new Columns(file, "history", "a", "b", "date");
            for (CsvRecord r = file.nextRow(); r != null; r = file.nextRow()) {
                Row row = new Row(columns, r, file.rowNumber(), "History file: ", problems);
                Integer a = students.get(row.text("a"));
                Integer b = students.get(row.text("b"));
                LocalDate date = row.date("date");
                if (row.good() && a != null && b != null && !a.equals(b)) {
                    together.merge(List.of(Math.min(a, b), Math.max(a, b)), date, (x, y) -> x.isAfter(y) ? x : y);
                }
            }
        }
    }

    double[][] need() {
        return need.toArray(double[][]::new);
    }

    /** @param asOf from which weeks are counted back, later days left out; null: the latest day in the history */
    List<Met> met(@Nullable LocalDate asOf) {
        LocalDate day = asOf != null ? asOf : together.values().stream().max(LocalDate::compareTo).orElse(LocalDate.EPOCH);
        List<Met> all = new ArrayList<>();
        together.forEach((pair, on) -> {
            if (!on.isAfter(day)) {
                all.add(new Met(pair.get(0), pair.get(1), ChronoUnit.DAYS.between(on, day) / 7.0));
            }
        });
        return all;
    }
}
