package org.zealousladder.server.exchange.records;

import static java.util.Objects.requireNonNull;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.exchange.records.ImportResult.Told;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;
import org.zealousladder.server.exchange.records.csv.FormFinder;
import org.zealousladder.server.exchange.records.matching.Guess;
import org.zealousladder.server.exchange.records.matching.Matching;
import org.zealousladder.server.exchange.records.matching.Remembered;
import org.zealousladder.server.exchange.records.matching.Sample;
import org.zealousladder.server.exchange.records.matching.Sql;
import org.zealousladder.server.exchange.records.workbook.ResultsReport;
import org.zealousladder.server.exchange.records.workbook.Workbook;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.files.Subject;

/** Finds out what a file is: its sheets, how it writes things, and what its columns mean. */
final class TableReader {
    private final ImportKinds kinds;
    private final Sql sql;
    private final Remembered remembered;
    private final ImportProgress progress;

    TableReader(ImportKinds kinds, Sql sql, Remembered remembered, ImportProgress progress) {
        this.progress = progress;
        this.kinds = kinds;
        this.sql = sql;
        this.remembered = remembered;
    }

    /** A file that somebody gave, by the name it had there. */
    record Given(String name, Path path, How how) {}

    /**
     * A file that can be read on.
     *
     * @param table CSV; of a workbook, its sheet
     * @param subject null while nobody has said what it is about
     */
    record Table(String name, Path table, List<String> sheets, FormFinder.Found found, Told told, Matching matching, @Nullable Subject subject,
            Sample sample, List<String> header) {
        ImportResult.FileRead read(int rows) {
            return new ImportResult.FileRead(name, sheets, found.forms(), found.sureOfDays(), rows, told, matching, sample.shown(ROWS_SHOWN));
        }
    }

    private static final int ROWS_SHOWN = 8;

    /** @param sheetOut where a workbook's sheet may be written to */
    Table open(Given given, Path sheetOut) throws IOException, SQLException, BadCsvException, Workbook.BadWorkbookException {
        boolean book = Workbook.looksLikeOne(given.path());
        List<String> sheets = book ? Workbook.write(given.path(), given.how().sheet(), sheetOut, this::tell) : List.of();
        boolean results = !book && ResultsReport.looksLikeOne(given.path());
        if (results) {
            ResultsReport.write(given.path(), sheetOut);
        }
        Path table = book || results ? sheetOut : given.path();
        How how = given.how();
        Sample sample;
        List<String> header;
        String twice;
        try (CsvFile file = how.forms() == null ? CsvFile.open(table) : CsvFile.open(table, requireNonNull(how.forms()))) {
            header = file.header();
            twice = file.twice();
            sample = Sample.of(file);
        }
        Optional<FileKind> own = kinds.known(header);
        if (own.isPresent() && twice != null && own.get().columns().stream().anyMatch(c -> c.name().equals(twice))) {
            throw new BadCsvException("The column '" + twice + "' stands twice in the first row. Name each column once.");
        }
        Matching matching;
        Told told;
        if (how.matching() != null && fits(how.matching(), header)) {
            matching = how.matching();
            told = Told.SAID;
        } else if (own.isPresent()) {
            matching = Matching.own(kinds.subject(own.get().code()).orElseThrow(), header);
            told = Told.OURS;
        } else if (kinds.standard(sample.headings()).isPresent()) {
            matching = Matching.own(kinds.standard(sample.headings()).get(), sample.headings());
            told = Told.STANDARD;
        } else {
            Matching before = before(sample.headings());
            if (before == null && how.sure()) {
                kinds.of(header);
            }
            matching = before == null ? new Guess(sql, kinds.told(), kinds.references()).of(sample) : before;
            told = before == null ? Told.GUESSED : Told.REMEMBERED;
        }
        Subject subject = kinds.subject(matching.subject()).orElse(null);
        return new Table(given.name(), table, sheets, forms(table, how, matching, subject), told, matching, subject, sample, header);
    }

    /** A workbook is read twice: out of its sheet, and as a table. */
    private void tell(int rows, int of) {
        if (of == 0) {
            progress.reading();
        } else {
            progress.at(ImportProgress.Step.READING, rows / (2.0 * of));
        }
    }

    /** Refused rows that come again, put right, have one column more than the file they are of. */
    private @Nullable Matching before(List<String> headings) {
        int last = headings.size() - 1;
        if (!headings.get(last).equals(RefusedRows.REASON)) {
            return remembered.of(headings);
        }
        Matching before = remembered.of(headings.subList(0, last));
        if (before == null) {
            return null;
        }
        List<Matching.Use> columns = new ArrayList<>(before.columns());
        columns.add(Matching.Use.none(RefusedRows.REASON));
        return new Matching(before.subject(), columns, before.fixed(), before.words(), before.names());
    }

    /** What was said of another sheet, say, does not count. */
    private static boolean fits(Matching said, List<String> header) {
        return said.columns().size() == header.size();
    }

    private static FormFinder.Found forms(Path table, How how, Matching matching, @Nullable Subject subject) throws IOException, BadCsvException {
        Forms said = how.forms();
        return said != null ? new FormFinder.Found(said, true) : how.settle(FormFinder.find(table, new FormFinder.Kinds() {
            @Override
            public boolean[] days(List<String> header) {
                return of(Column.Type.DATE);
            }

            @Override
            public boolean[] numbers(List<String> header) {
                return of(Column.Type.NUMBER);
            }

            private boolean[] of(Column.Type type) {
                boolean[] are = new boolean[matching.columns().size()];
                for (int i = 0; i < are.length; i++) {
                    Subject.Field field = subject == null ? null : subject.field(matching.columns().get(i).field());
                    are[i] = field != null && field.column().type() == type;
                }
                return are;
            }
        }));
    }
}
