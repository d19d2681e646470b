package org.zealousladder.cli.fit;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.zealousladder.cli.rows.Columns;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.cli.rows.Row;
import org.zealousladder.core.scores.FormName;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;

/** Reads the files of scores and goals, row by row, and collects every problem. */
final class Input {
    private static final Set<String> STATUSES = Set.copyOf(ScoreStatus.inFiles());

    /** A series' name. */
    record Key(String student, String measure) {}

    /** A goal as given. */
    record GoalRow(LocalDate startDate, double startScore, LocalDate goalDate, double goalScore) {}

    final Map<Key, Points> series = new LinkedHashMap<>();
    final Map<Key, GoalRow> goals = new HashMap<>();
    final List<Problem> problems = new ArrayList<>();
    private final Map<String, String> measureNames = new HashMap<>();
    private int earliest = Integer.MAX_VALUE;
    private int latest = Integer.MIN_VALUE;

    void readScores(Path path) throws IOException, BadCsvException {
        try (CsvFile file = CsvFile.open(path)) {
            Columns columns = new Columns(file, "scores", "student", "measure", "date", "score");
            for (CsvRecord r = file.nextRow(); r != null; r = file.nextRow()) {
                if (file.breaksOff(r)) {
                    problems.add(new Problem(file.rowNumber(), file.header().get(r.getFieldCount() - 1), CsvFile.BROKEN_OFF));
                } else {
                    readScore(new Row(columns, r, file.rowNumber(), "", problems));
                }
            }
        }
        List<Problem> twice = new ArrayList<>();
        series.values().forEach(p -> p.settle(twice));
        problems.addAll(twice);
        problems.sort(Comparator.comparingInt(Problem::row));
    }

    private void readScore(Row row) {
        String student = row.text("student");
        String measure = row.text("measure");
        LocalDate date = row.date("date");
        String status = row.optional("status");
        int form = form(row);
        boolean known = status.isEmpty() || STATUSES.contains(status);
        if (!known) {
            row.bad("status", "'" + status + "' is not a status; use scored, absent, exempt or invalid.");
        }
        double value = Double.NaN;
        boolean scored = status.isEmpty() || status.equals(ScoreStatus.SCORED.code());
        if (scored || !known) {
            value = row.number("score");
        } else if (!row.optional("score").isEmpty()) {
            row.bad("score", "A row with the status " + status + " has no score; leave it empty.");
        }
        if (row.good()) {
            int day = (int) date.toEpochDay();
            earliest = Math.min(earliest, day);
            latest = Math.max(latest, day);
            // Most rows of a file repeat a few measures: share their names.
            String shared = measureNames.computeIfAbsent(measure, m -> m);
            series.computeIfAbsent(new Key(student, shared), k -> new Points()).add(day, value, form, row.number());
        }
    }

    private static int form(Row row) {
        try {
            return FormName.number(row.optional("form"));
        } catch (IllegalArgumentException e) {
            row.bad("form", String.valueOf(e.getMessage()));
            return 0;
        }
    }

    void readGoals(Path path) throws IOException, BadCsvException {
        try (CsvFile file = CsvFile.open(path)) {
            Columns columns = new Columns(file, "goals", "student", "measure", "start_date", "start_score", "goal_date", "goal_score");
            for (CsvRecord r = file.nextRow(); r != null; r = file.nextRow()) {
                readGoal(new Row(columns, r, file.rowNumber(), "Goals file: ", problems));
            }
        }
    }

    private void readGoal(Row row) {
        Key key = new Key(row.text("student"), row.text("measure"));
        LocalDate start = row.date("start_date");
        double startScore = row.number("start_score");
        LocalDate end = row.date("goal_date");
        double goalScore = row.number("goal_score");
        if (row.good() && !end.isAfter(start)) {
            row.bad("goal_date", "The goal date must be after the start date.");
        }
        if (row.good() && goalScore == startScore) {
            row.bad("goal_score", "The goal is the same as the start; it must be higher, or lower where lower is better.");
        }
        GoalRow goal = new GoalRow(start, startScore, end, goalScore);
        if (row.good() && goals.containsKey(key) && !goals.get(key).equals(goal)) {
            row.bad("student", "An earlier row has another goal for the same student and measure. Keep one of the two.");
        }
        if (row.good()) {
            goals.putIfAbsent(key, goal);
        }
    }

    boolean empty() {
        return earliest > latest;
    }

    LocalDate earliest() {
        return LocalDate.ofEpochDay(earliest);
    }

    LocalDate latest() {
        return LocalDate.ofEpochDay(latest);
    }
}
