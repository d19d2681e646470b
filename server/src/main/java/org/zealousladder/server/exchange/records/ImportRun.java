package org.zealousladder.server.exchange.records;

import static java.util.Objects.requireNonNull;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.zealousladder.server.exchange.records.ImportProgress.Step;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;
import org.zealousladder.server.exchange.records.csv.FormFinder;
import org.zealousladder.server.exchange.records.workbook.Workbook;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/**
 * Carries one file through, within the caller's transaction: stage, check, compare, and if asked, take. All temporary
 * tables go with the transaction.
 */
final class ImportRun {
    private static final int SHOWN_REFUSALS = 100;
    private static final int SHOWN_CODES = 5;

    private final Connection connection;
    private final ImportKinds kinds;
    private final ImportProgress progress;

    ImportRun(Connection connection, ImportKinds kinds, ImportProgress progress) {
        this.progress = progress;
        this.connection = connection;
        this.kinds = kinds;
    }

    /** @param take whether to write the accepted rows, or only to say what they would do */
    ImportResult run(Path path, How how, boolean take) throws SQLException, IOException {
        try {
            if (!Workbook.looksLikeOne(path)) {
                return run(path, List.of(), how, take);
            }
            try (ReceivedFile table = ReceivedFile.empty()) {
                return run(table.path(), Workbook.write(path, how.sheet(), table.path()), how, take);
            }
        } catch (BadCsvException | Workbook.BadWorkbookException e) {
            throw new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, "unreadable-file", null, requireNonNull(e.getMessage()));
        }
    }

    private ImportResult run(Path table, List<String> sheets, How how, boolean take) throws SQLException, IOException, BadCsvException {
        Forms said = how.forms();
        return run(table, sheets, said == null ? how.settle(FormFinder.find(table, new Kinds())) : new FormFinder.Found(said, true), take);
    }

    /** Days and numbers stand where the kind of file says; a file of no known kind has none. */
    private final class Kinds implements FormFinder.Kinds {
        @Override
        public boolean[] days(List<String> header) throws BadCsvException {
            return of(header, Column.Type.DATE);
        }

        @Override
        public boolean[] numbers(List<String> header) throws BadCsvException {
            return of(header, Column.Type.NUMBER);
        }

        private boolean[] of(List<String> header, Column.Type type) throws BadCsvException {
            List<Column> columns = kinds.of(header).columns();
            boolean[] are = new boolean[header.size()];
            for (int i = 0; i < are.length; i++) {
                String name = header.get(i);
                are[i] = columns.stream().anyMatch(c -> c.name().equals(name) && c.type() == type);
            }
            return are;
        }
    }

    private ImportResult run(Path path, List<String> sheets, FormFinder.Found found, boolean take) throws SQLException, IOException, BadCsvException {
        Forms forms = found.forms();
        try (CsvFile file = CsvFile.open(path, forms)) {
            FileKind kind = kinds.of(file.header());
            if (kind.least().compareTo(Viewer.current().role()) > 0) {
                throw Refusal.forbidden("A file of " + kind.label() + " changes the records of everyone; an administrator brings it in.");
            }
            execute("set local work_mem = '256MB'; set local synchronous_commit = on");
            int rows = new Staging(connection, kind, file.header()).load(file, forms, progress);
            progress.at(Step.CHECKING, 0);
            check(kind);
            ImportResult result = result(kind, file, sheets, found, rows);
            if (take) {
                progress.at(Step.SAVING, 0);
                for (String statement : kind.apply()) {
                    execute(statement);
                }
            }
            return result;
        }
    }

    private void check(FileKind kind) throws SQLException {
        execute("create temporary table joined on commit drop as " + kind.joined());
        execute("analyze joined");
        for (FileKind.Problem p : kind.problems()) {
            execute("insert into refused select row_no, '" + p.column().replace("\"", "") + "', coalesce((" + p.value() + ")::text, ''), " + p.message()
                    + " from joined j where " + p.when());
        }
        execute("create temporary table repeated (row_no integer primary key) on commit drop");
        if (exists("select exists (select from joined group by " + kind.key() + " having count(*) > 1)")) {
            findRepeats(kind);
        }
        if (!kind.whole().isEmpty()) {
            refuseTheRest(kind);
        }
        execute("create index on refused (row_no)");
        execute("""
                create temporary view accepted as select j.* from joined j
                 where not exists (select from refused r where r.row_no = j.row_no) and not exists (select from repeated r where r.row_no = j.row_no)""");
    }

    /** What counts only as a whole is refused as a whole, and each of its rows says which row is at fault. */
    private void refuseTheRest(FileKind kind) throws SQLException {
        execute("""
                insert into refused
                select j.row_no, '%1$s', '', 'Row ' || b.first_bad || ' of the same %2$s is refused, and it is taken as a whole or not at all.'
                  from (select j.*, min(case when r.row_no is not null then j.row_no end) over (partition by %3$s) as first_bad
                          from joined j left join (select distinct row_no from refused) r on r.row_no = j.row_no) b
                  join joined j on j.row_no = b.row_no
                 where b.first_bad is not null and not exists (select from refused r where r.row_no = j.row_no)"""
                .formatted(kind.columns().get(0).name(), kind.code().equals("cuts") ? "ladder" : "table", kind.whole()));
    }

    /** Rows that say again what an earlier row says are passed over; rows that say otherwise are refused. A row that is refused already blames no other. */
    private void findRepeats(FileKind kind) throws SQLException {
        execute("""
                create temporary table twin on commit drop as
                select row_no, first_no from (
                  select row_no, min(row_no) over (partition by %s) as first_no from joined j
                   where not exists (select from refused r where r.row_no = j.row_no)) x where row_no <> first_no""".formatted(kind.key()));
        String payload = "(%s) is distinct from (%s)".formatted(kind.payload().replace("%s", "b"), kind.payload().replace("%s", "a"));
        execute("""
                insert into refused
                select t.row_no, '%s', '', 'Row ' || t.first_no || ' has the same %s with something else. Keep one of the two.'
                  from twin t join joined a on a.row_no = t.first_no join joined b on b.row_no = t.row_no
                 where %s""".formatted(kind.columns().get(0).name(), keyWords(kind), payload));
        execute("insert into repeated select row_no from twin t where not exists (select from refused r where r.row_no = t.row_no)");
    }

    private static String keyWords(FileKind kind) {
        return kind.key().replace("_id", "").replace("\"", "").replace("lower(login)", "login").replace("_", " ");
    }

    private ImportResult result(FileKind kind, CsvFile file, List<String> sheets, FormFinder.Found found, int rows) throws SQLException {
        int added = 0;
        int changed = 0;
        int unchanged = 0;
        try (Statement statement = connection.createStatement();
                ResultSet counts = statement.executeQuery("select outcome, count(*) from accepted group by outcome")) {
            while (counts.next()) {
                switch (counts.getString(1)) {
                    case "new" -> added = counts.getInt(2);
                    case "changed" -> changed = counts.getInt(2);
                    default -> unchanged = counts.getInt(2);
                }
            }
        }
        unchanged += number("select count(*) from repeated");
        int refused = number("select count(distinct row_no) from refused");
        return new ImportResult(kind.code(), kind.label(), sheets, found.forms(), found.sureOfDays(), rows, added, changed, unchanged, refused, digest(),
                notices(kind, file.header()),
                refusals());
    }

    /**
     * Of all rows as they were joined with what is on record, with outcome and looked-up ids, and of what was refused and why: taking the file is bound to it,
     * so that it never does something else than was shown.
     */
    private String digest() throws SQLException {
        return strings("""
                select to_hex(coalesce((select bit_xor(hash_record_extended(j, 1)) from joined j), 0)) || '-'
                        || to_hex(coalesce((select bit_xor(hash_record_extended(r, 2)) from refused r), 0))""").get(0);
    }

    private List<String> notices(FileKind kind, List<String> header) throws SQLException {
        List<String> notices = new ArrayList<>();
        List<String> known = kind.columns().stream().map(Column::name).toList();
        List<String> extra = header.stream().filter(h -> !known.contains(h)).toList();
        if (!extra.isEmpty()) {
            notices.add("Columns that are not used: " + String.join(", ", extra) + ".");
        }
        if (!header.stream().filter(known::contains).toList().equals(known.stream().filter(header::contains).toList())) {
            notices.add("The columns stand in another order than usual; they are read by their names.");
        }
        if (kind.speaksOfStudents()) {
            List<String> codes = strings("select student from joined where student_id is null group by student order by student");
            if (!codes.isEmpty()) {
                notices.add((codes.size() == 1 ? "1 student of the file is not among yours: " : codes.size() + " students of the file are not among yours: ")
                        + String.join(", ", codes.subList(0, Math.min(SHOWN_CODES, codes.size()))) + (codes.size() > SHOWN_CODES ? " and more." : "."));
            }
        }
        return notices;
    }

    private List<ImportResult.RowRefusal> refusals() throws SQLException {
        List<ImportResult.RowRefusal> shown = new ArrayList<>();
        try (Statement statement = connection.createStatement();
                ResultSet r = statement.executeQuery("select row_no, col, value, message from refused order by row_no, col limit " + SHOWN_REFUSALS)) {
            while (r.next()) {
                shown.add(new ImportResult.RowRefusal(r.getInt(1), r.getString(2), r.getString(3), r.getString(4)));
            }
        }
        return shown;
    }

    private List<String> strings(String sql) throws SQLException {
        List<String> all = new ArrayList<>();
        try (Statement statement = connection.createStatement(); ResultSet r = statement.executeQuery(sql)) {
            while (r.next()) {
                all.add(r.getString(1));
            }
        }
        return all;
    }

    private int number(String sql) throws SQLException {
        try (Statement statement = connection.createStatement(); ResultSet r = statement.executeQuery(sql)) {
            r.next();
            return r.getInt(1);
        }
    }

    private boolean exists(String sql) throws SQLException {
        try (Statement statement = connection.createStatement(); ResultSet r = statement.executeQuery(sql)) {
            r.next();
            return r.getBoolean(1);
        }
    }

    private void execute(String sql) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }
}
