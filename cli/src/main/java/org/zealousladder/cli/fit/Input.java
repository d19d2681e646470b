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
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;
import org.zealousladder.server.platform.files.Cells;

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
                    readScore(new Row(columns, r, file.rowNumber(), ""));
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
        if (row.good) {
            int day = (int) date.toEpochDay();
            earliest = Math.min(earliest, day);
            latest = Math.max(latest, day);
            // Most rows of a file repeat a few measures: share their names.
            String shared = measureNames.computeIfAbsent(measure, m -> m);
            series.computeIfAbsent(new Key(student, shared), k -> new Points()).add(day, value, row.number);
        }
    }

    void readGoals(Path path) throws IOException, BadCsvException {
        try (CsvFile file = CsvFile.open(path)) {
            Columns columns = new Columns(file, "goals", "student", "measure", "start_date", "start_score", "goal_date", "goal_score");
            for (CsvRecord r = file.nextRow(); r != null; r = file.nextRow()) {
                readGoal(new Row(columns, r, file.rowNumber(), "Goals file: "));
            }
        }
    }

    private void readGoal(Row row) {
        Key key = new Key(row.text("student"), row.text("measure"));
        LocalDate start = row.date("start_date");
        double startScore = row.number("start_score");
        LocalDate end = row.date("goal_date");
        double goalScore = row.number("goal_score");
        if (row.good && !end.isAfter(start)) {
            row.bad("goal_date", "The goal date must be after the start date.");
        }
        if (row.good && goalScore == startScore) {
            row.bad("goal_score", "The goal is the same as the start; it must be higher, or lower where lower is better.");
        }
        GoalRow goal = new GoalRow(start, startScore, end, goalScore);
        if (row.good && goals.containsKey(key) && !goals.get(key).equals(goal)) {
            row.bad("student", "An earlier row has another goal for the same student and measure. Keep one of the two.");
        }
        if (row.good) {
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

    private static final class Columns {
        private final Map<String, Integer> positions = new HashMap<>();

        Columns(CsvFile file, String what, String... required) throws BadCsvException {
            for (int i = 0; i < file.header().size(); i++) {
                positions.put(file.header().get(i), i);
            }
            List<String> missing = java.util.Arrays.stream(required).filter(c -> !positions.containsKey(c)).toList();
            if (!missing.isEmpty()) {
                throw new BadCsvException("The first row of the " + what + " file lacks: " + String.join(", ", missing)
                        + ". It names: " + String.join(", ", file.header()) + ".");
            }
        }
    }

    private final class Row {
        private final Columns columns;
        private final CsvRecord record;
        private final int number;
        private final String prefix;
        private boolean good = true;

        Row(Columns columns, CsvRecord record, int number, String prefix) {
            this.columns = columns;
            this.record = record;
            this.number = number;
            this.prefix = prefix;
        }

        void bad(String column, String message) {
            problems.add(new Problem(number, column, prefix + message));
            good = false;
        }

        String optional(String column) {
            Integer at = columns.positions.get(column);
            return at == null || at >= record.getFieldCount() ? "" : record.getField(at).strip();
        }

        String text(String column) {
            String text = optional(column);
            if (text.isEmpty()) {
                bad(column, "The cell is empty; a " + column.replace('_', ' ') + " belongs here.");
            }
            return text;
        }

        LocalDate date(String column) {
            String text = text(column);
            try {
                return text.isEmpty() ? null : Cells.date(text);
            } catch (IllegalArgumentException e) {
                bad(column, e.getMessage());
                return null;
            }
        }

        double number(String column) {
            String text = text(column);
            try {
                return text.isEmpty() ? 0 : Cells.number(text);
            } catch (IllegalArgumentException e) {
                bad(column, e.getMessage());
                return 0;
            }
        }
    }
}
