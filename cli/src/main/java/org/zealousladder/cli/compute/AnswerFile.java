package org.zealousladder.cli.compute;

import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Consumer;
import org.zealousladder.cli.rows.Columns;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.cli.rows.Row;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;

/** Answers of students, row by row as a file tells them. */
final class AnswerFile {
    /** An answer that may be. @param answer as it was given; empty where that is not told */
    record AnswerRow(String student, String item, String skill, double points, double possible, LocalDate date, String answer) {}

    private AnswerFile() {}

    /**
     * Tells every good row.
     *
     * @param problems what is wrong with the others goes here
     * @throws IllegalArgumentException for a file that is not there
     */
    static void each(Path path, List<Problem> problems, Consumer<AnswerRow> good) throws IOException, BadCsvException {
        try (CsvFile file = CsvFile.open(Computation.readable(path))) {
            Columns columns = new Columns(file, "answers", "student", "item", "skill", "points", "possible", "date");
            for (CsvRecord r = file.nextRow(); r != null; r = file.nextRow()) {
                if (file.breaksOff(r)) {
                    problems.add(new Problem(file.rowNumber(), file.header().get(r.getFieldCount() - 1), CsvFile.BROKEN_OFF));
                } else {
                    read(new Row(columns, r, file.rowNumber(), "", problems), good);
                }
            }
        }
    }

    private static void read(Row row, Consumer<AnswerRow> good) {
        AnswerRow a = new AnswerRow(row.text("student"), row.text("item"), row.text("skill"), row.number("points"), row.number("possible"), row.date("date"),
                row.optional("answer"));
        if (row.good() && !(a.possible() > 0)) {
            row.bad("possible", "An answer can earn more than 0 points.");
        } else if (row.good() && !(a.points() >= 0 && a.points() <= a.possible())) {
            row.bad("points", "The points lie between 0 and those possible.");
        }
        if (row.good()) {
            good.accept(a);
        }
    }
}
