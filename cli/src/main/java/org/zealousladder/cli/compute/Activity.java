package org.zealousladder.cli.compute;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.zealousladder.cli.rows.Columns;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.cli.rows.Row;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;

/** Activity of students in classes, day by day, as a file tells it. */
final class Activity {
    /** A day has no more. */
    private static final double LONGEST = 24 * 60;

    /** Minutes by day. */
    private final Map<String, Map<String, TreeMap<LocalDate, Double>>> classes = new TreeMap<>();
    private final List<SchoolDays.Span> closed = new ArrayList<>();
    final List<Problem> problems = new ArrayList<>();

    void read(Path path) throws IOException, BadCsvException {
        try (CsvFile file = CsvFile.open(path)) {
            Columns columns = new Columns(file, "activity", "student", "class", "date", "kind", "minutes");
            for (CsvRecord r = file.nextRow(); r != null; r = file.nextRow()) {
                if (file.breaksOff(r)) {
                    problems.add(new Problem(file.rowNumber(), file.header().get(r.getFieldCount() - 1), CsvFile.BROKEN_OFF));
                } else {
                    readRow(new Row(columns, r, file.rowNumber(), "", problems));
                }
            }
        }
    }

    private void readRow(Row row) {
        String student = row.text("student");
        String of = row.text("class");
        LocalDate date = row.date("date");
        row.text("kind");
        double minutes = row.number("minutes");
        if (!(minutes >= 0 && minutes <= LONGEST)) {
            row.bad("minutes", "A day has 0 to 1440 minutes.");
        }
        if (row.good()) {
            classes.computeIfAbsent(of, c -> new TreeMap<>()).computeIfAbsent(student, s -> new TreeMap<>()).merge(date, minutes, Double::sum);
        }
    }

    void readClosed(Path path) throws IOException, BadCsvException {
        try (CsvFile file = CsvFile.open(path)) {
            Columns columns = new Columns(file, "calendar", "date", "reason");
            for (CsvRecord r = file.nextRow(); r != null; r = file.nextRow()) {
                Row row = new Row(columns, r, file.rowNumber(), "Calendar file: ", problems);
                LocalDate date = row.date("date");
                if (row.good()) {
                    closed.add(new SchoolDays.Span(date, date));
                }
            }
        }
    }

    SchoolDays days() {
        return new SchoolDays(java.util.EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY), closed, List.of());
    }

    boolean empty() {
        return classes.isEmpty();
    }

    LocalDate earliest() {
        return days(true);
    }

    LocalDate latest() {
        return days(false);
    }

    private LocalDate days(boolean first) {
        return classes.values().stream().flatMap(c -> c.values().stream()).map(d -> first ? d.firstKey() : d.lastKey())
                .min((a, b) -> first ? a.compareTo(b) : b.compareTo(a)).orElseThrow();
    }

    static LocalDate monday(LocalDate day) {
        return day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
    }

    /** Classes in the order of their names, students in that of theirs, minutes by day. */
    Map<String, Map<String, TreeMap<LocalDate, Double>>> classes() {
        return classes;
    }
}
