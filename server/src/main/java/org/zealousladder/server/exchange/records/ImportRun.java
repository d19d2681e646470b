package org.zealousladder.server.exchange.records;

import static java.util.Objects.requireNonNull;

import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Savepoint;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.zealousladder.server.exchange.records.ImportProgress.Step;
import org.zealousladder.server.exchange.records.ImportResult.Ending;
import org.zealousladder.server.exchange.records.ImportResult.Part;
import org.zealousladder.server.exchange.records.TableReader.Given;
import org.zealousladder.server.exchange.records.TableReader.Table;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.exchange.records.csv.CsvFile;
import org.zealousladder.server.exchange.records.matching.Lines;
import org.zealousladder.server.exchange.records.matching.Matching;
import org.zealousladder.server.exchange.records.matching.Names;
import org.zealousladder.server.exchange.records.matching.Remembered;
import org.zealousladder.server.exchange.records.matching.Sql;
import org.zealousladder.server.exchange.records.workbook.Workbook;
import org.zealousladder.server.platform.files.Bundle;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Reference;
import org.zealousladder.server.platform.files.Subject;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.undoing.Undoing;
import org.zealousladder.server.platform.who.Viewer;

/**
 * Carries files through, within the caller's transaction: stage, settle names, check, compare, and if asked, take. What several kinds rest on each other for is
 * taken even for a look, and given back. All temporary tables go with the transaction.
 */
final class ImportRun {
    private final Sql sql;
    private final Connection connection;
    private final ImportKinds kinds;
    private final ImportProgress progress;
    private final TableReader reader;
    private final Undoing undoing;
    private final List<Names.Doubt> doubts = new ArrayList<>();
    private final List<String> notices = new ArrayList<>();
    private List<Ending> endings = List.of();

    ImportRun(Connection connection, ImportKinds kinds, Remembered remembered, ImportProgress progress, Undoing undoing) {
        this.undoing = undoing;
        this.progress = progress;
        this.connection = connection;
        this.kinds = kinds;
        sql = new Sql(connection);
        reader = new TableReader(kinds, sql, remembered, progress);
    }

    /** A file whose rows stand in a temporary table. */
    private record Staged(int no, Table file, Subject subject, Lines lines, String table, int rows) {}

    /** The rows of one kind in one file. */
    private record Job(Staged from, FileKind kind, Subject.Part part) {}

    /** @param take whether to write the accepted rows, or only to say what they would do */
    ImportResult run(List<Given> files, boolean take) throws SQLException, IOException {
        List<ReceivedFile> sheets = new ArrayList<>();
        // Many statements over small tables: to compile each would take longer than to run it.
        sql.execute("set local jit = off");
        try {
            List<Table> tables = new ArrayList<>();
            for (Given given : files) {
                ReceivedFile sheet = ReceivedFile.empty();
                sheets.add(sheet);
                try {
                    tables.add(reader.open(given, sheet.path()));
                } catch (BadCsvException | Workbook.BadWorkbookException e) {
                    throw unreadable(files, given.name(), requireNonNull(e.getMessage()));
                }
            }
            return read(tables, take);
        } finally {
            for (ReceivedFile sheet : sheets) {
                sheet.close();
            }
        }
    }

    private static Refusal unreadable(List<Given> files, String name, String message) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, "unreadable-file", null, files.size() > 1 ? name + ": " + message : message);
    }

    private ImportResult read(List<Table> tables, boolean take) throws SQLException, IOException {
        List<String> open = new ArrayList<>();
        for (Table t : tables) {
            Subject subject = t.subject();
            String before = tables.size() > 1 ? t.name() + ": " : "";
            if (subject == null) {
                open.add(before + "Say what its rows are about.");
            } else {
                t.matching().open(subject).forEach(s -> open.add(before + s));
            }
        }
        if (!open.isEmpty()) {
            if (take) {
                throw Refusal.invalid("matching", open.get(0) + " Nothing was saved.");
            }
            sql.execute(Staging.REFUSED);
            return new ImportResult(null, label(tables), tables.stream().map(t -> t.read(0)).toList(), List.of(), 0, 0, 0, 0, 0, "", List.of(), open, List.of(),
                    List.of(), List.of(), List.of());
        }
        sql.execute("set local work_mem = '256MB'; set local synchronous_commit = on");
        sql.execute(Staging.REFUSED);
        List<Staged> staged = new ArrayList<>();
        List<Job> jobs = new ArrayList<>();
        oneOfEach(tables);
        for (Table t : tables) {
            List<Subject.Part> parts = parts(t);
            parts.forEach(p -> mayTake(kinds.named(p.kind())));
            Staged s = stage(staged.size(), t);
            staged.add(s);
            parts.forEach(p -> jobs.add(new Job(s, kinds.named(p.kind()), p)));
        }
        for (Bundle bundle : kinds.bundles()) {
            if (staged.stream().anyMatch(s -> bundle.subjects().contains(s.subject()))) {
                tell(bundle, staged);
            }
        }
        jobs.sort(Comparator.comparingInt(j -> ImportKinds.turn(j.kind())));
        return carry(tables, staged, jobs, take);
    }

    private static void oneOfEach(List<Table> tables) {
        Map<String, String> names = new LinkedHashMap<>();
        for (Table t : tables) {
            String standing = requireNonNull(t.subject()).standing();
            String other = standing == null ? null : names.put(standing, t.name());
            if (other != null) {
                throw Refusal.invalid("files",
                        other + " and " + t.name() + " are the same file of two rosters. Bring them in one after the other. Nothing was saved.");
            }
        }
    }

    /** What files that speak of each other mean. */
    private void tell(Bundle bundle, List<Staged> staged) throws SQLException {
        sql.execute("create temporary table bundle_present (standing text not null, unread integer not null) on commit drop");
        for (Subject subject : bundle.subjects()) {
            String standing = requireNonNull(subject.standing());
            Staged there = staged.stream().filter(s -> s.subject() == subject).findFirst().orElse(null);
            if (there == null) {
                sql.execute("create temporary table " + standing + " (row_no integer not null, "
                        + subject.fields().stream().map(f -> '"' + f.name() + "\" " + f.column().type().sql()).collect(Collectors.joining(", "))
                        + ") on commit drop");
            } else {
                sql.execute("insert into bundle_present select '" + standing + "', count(*) from refused where file_no = " + there.no());
            }
        }
        for (String statement : bundle.tell()) {
            sql.execute(statement);
        }
        endings = sql.list(bundle.endings(), r -> Ending.of(r.getString(1), r.getInt(2), r.getInt(3)));
        for (String notice : bundle.notices()) {
            notices.addAll(sql.strings(notice));
        }
    }

    /** One of each kind: the first that the table has the columns for. */
    private static List<Subject.Part> parts(Table t) {
        Map<String, Subject.Part> parts = new LinkedHashMap<>();
        requireNonNull(t.subject()).parts().stream().filter(p -> p.wants().stream().allMatch(t.matching()::has)).forEach(p -> parts.putIfAbsent(p.kind(), p));
        return List.copyOf(parts.values());
    }

    private static void mayTake(FileKind kind) {
        if (kind.least().compareTo(Viewer.current().role()) > 0) {
            throw Refusal.forbidden("A file of " + kind.label() + " changes the records of everyone; an administrator brings it in.");
        }
    }

    private Staged stage(int no, Table t) throws SQLException, IOException {
        Subject subject = requireNonNull(t.subject());
        Lines lines = lines(subject, t);
        String table = subject.standing() == null ? "file_" + no : requireNonNull(subject.standing());
        try (CsvFile file = CsvFile.open(t.table(), t.found().forms())) {
            int rows = new Staging(connection, lines, no).load(file, table, t.sheets().isEmpty() ? 0 : 0.5, progress);
            progress.at(Step.CHECKING, 0);
            String found = subject.found();
            if (found != null) {
                Reference to = kinds.references().stream().filter(r -> r.column().equals("student")).findFirst().orElseThrow();
                doubts.addAll(new Names(sql).settle(new Names.Named(no, table, found, lines.heading(found), to, subject.narrowing(), true),
                        t.matching().names().getOrDefault(found, Map.of())));
            }
            String told = subject.told();
            if (told != null) {
                sql.execute("alter table " + table + " rename to raw");
                sql.execute("create temporary table " + table + " on commit drop as " + told);
                sql.execute("drop table raw");
            }
            return new Staged(no, t, subject, lines, table, rows);
        } catch (BadCsvException e) {
            throw new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, "unreadable-file", null, requireNonNull(e.getMessage()));
        }
    }

    private static Lines lines(Subject subject, Table t) {
        try {
            return new Lines(subject, t.matching(), t.found().forms());
        } catch (IllegalArgumentException e) {
            throw Refusal.invalid("matching", e.getMessage() + " Nothing was saved.");
        }
    }

    private ImportResult carry(List<Table> tables, List<Staged> staged, List<Job> jobs, boolean take) throws SQLException {
        // One kind alone shows what it would do without doing it.
        boolean giveBack = !take && jobs.size() > 1;
        Savepoint before = giveBack ? connection.setSavepoint() : null;
        List<Part> parts = new ArrayList<>();
        List<String> digests = new ArrayList<>();
        if (take) {
            String words = tables.size() == 1 ? tables.get(0).name() : tables.get(0).name() + " and " + (tables.size() - 1) + " more";
            undoing.begin(Undoing.Kind.IMPORT, words);
        }
        for (Job job : jobs) {
            Set<String> known = temporaries();
            KindRun run = begin(job);
            // Of what a file could hold as well and does not, nothing is said.
            if (jobs.size() == 1 || run.any()) {
                parts.add(run.part());
            }
            digests.add(run.digest(jobs.size() > 1));
            if (take || giveBack) {
                progress.at(Step.SAVING, 0);
                for (String statement : job.kind().apply()) {
                    sql.execute(statement);
                }
            }
            if (jobs.size() > 1) {
                clear(known);
            }
        }
        staged.forEach(s -> notices.addAll(0, unused(s, tables.size() > 1)));
        Refusals refusals = new Refusals(sql);
        int refused = refusals.lines();
        for (Staged s : staged) {
            refusals.countRows(s.no(), s.lines().width());
        }
        ImportResult result = new ImportResult(one(tables), label(tables), staged.stream().map(s -> s.file().read(s.rows())).toList(), parts,
                staged.stream().mapToInt(Staged::rows).sum(), parts.stream().mapToInt(Part::added).sum(), parts.stream().mapToInt(Part::changed).sum(),
                parts.stream().mapToInt(Part::unchanged).sum(), refused, String.join("-", digests), notices, List.of(), doubts, endings, refusals.causes(),
                refusals.first());
        if (take) {
            undoing.came(result.label() + ": " + result.added() + " new, " + result.changed() + " changed, " + result.refused() + " refused");
        }
        if (before != null) {
            refusals.keepOver(() -> connection.rollback(before));
        }
        return result;
    }

    private KindRun begin(Job job) throws SQLException {
        Staged from = job.from();
        String rows = job.part().rows();
        if (rows == null) {
            sql.execute("alter table " + from.table() + " rename to stage");
        } else {
            sql.execute("alter table " + from.table() + " rename to raw");
            String columns = job.kind().columns().stream().map(c -> "x.\"" + c.name() + "\"::" + c.type().sql()).collect(Collectors.joining(", "));
            sql.execute("create temporary table stage on commit drop as select x.row_no, " + columns + " from (" + rows
                    + ") x where not exists (select from refused r where r.file_no = "
                    + from.no() + " and r.row_no = abs(x.row_no))");
            sql.execute("alter table raw rename to " + from.table());
            sql.execute("analyze stage");
        }
        settle(job);
        KindRun run = new KindRun(sql, job.kind(), from.no(), from.lines());
        run.check();
        notices.addAll(run.notices());
        return run;
    }

    /** Names in place of codes: of what the kind's rows refer to. */
    private void settle(Job job) throws SQLException {
        Staged from = job.from();
        if (job.part().rows() != null) {
            return;
        }
        Names names = new Names(sql);
        for (Reference to : kinds.references()) {
            if (job.kind().refersTo(to.column()) && from.lines().columns().stream().anyMatch(c -> c.name().equals(to.column()))) {
                String narrowing = to.column().equals("student") ? from.subject().narrowing() : null;
                doubts.addAll(names.settle(new Names.Named(from.no(), "stage", to.column(), from.lines().heading(to.column()), to, narrowing, false),
                        from.file().matching().names().getOrDefault(to.column(), Map.of())));
            }
        }
    }

    private Set<String> temporaries() throws SQLException {
        return new LinkedHashSet<>(
                sql.strings("select relname from pg_class where relnamespace = pg_my_temp_schema() and relkind in ('r', 'v') order by relkind desc"));
    }

    /** Makes room for the next kind. What was staged directly is used up. */
    private void clear(Set<String> known) throws SQLException {
        for (String name : temporaries()) {
            if (!known.contains(name)) {
                sql.execute((name.equals("accepted") ? "drop view if exists " : "drop table if exists ") + name + " cascade");
            }
        }
    }

    private static List<String> unused(Staged s, boolean named) {
        if (s.file().told() == ImportResult.Told.STANDARD) {
            return s.subject().parts().isEmpty() && s.subject().standing() == null ? List.of(s.file().name() + " is not read; nothing of it is kept.")
                    : List.of();
        }
        Matching m = s.file().matching();
        List<String> extra = m.columns().stream().filter(u -> u.field() == null).map(Matching.Use::heading).toList();
        return extra.isEmpty() ? List.of() : List.of((named ? s.file().name() + ": " : "") + "Columns that are not used: " + String.join(", ", extra) + ".");
    }

    private static @Nullable String one(List<Table> tables) {
        List<String> subjects = tables.stream().map(t -> requireNonNull(t.subject()).code()).distinct().toList();
        return subjects.size() == 1 ? subjects.get(0) : null;
    }

    private static String label(List<Table> tables) {
        return tables.stream().map(Table::subject).filter(s -> s != null).map(Subject::label).distinct().collect(Collectors.joining(", "));
    }
}
