package org.zealousladder.server.exchange.records;

import java.sql.SQLException;
import java.util.List;
import java.util.stream.Collectors;
import org.zealousladder.server.exchange.records.ImportResult.Part;
import org.zealousladder.server.exchange.records.matching.Cause;
import org.zealousladder.server.exchange.records.matching.Lines;
import org.zealousladder.server.exchange.records.matching.Sql;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.FileKind;

/** The rows of one kind, from the temporary table {@code stage} to {@code accepted}, which the kind's statements take. */
final class KindRun {
    private static final int SHOWN_CODES = 5;

    private final Sql sql;
    private final FileKind kind;
    private final int fileNo;
    private final Lines lines;

    KindRun(Sql sql, FileKind kind, int fileNo, Lines lines) {
        this.sql = sql;
        this.kind = kind;
        this.fileNo = fileNo;
        this.lines = lines;
    }

    void check() throws SQLException {
        sql.execute("create temporary table joined on commit drop as " + kind.joined());
        sql.execute("analyze joined");
        for (FileKind.Problem p : kind.problems()) {
            sql.execute(
                    "insert into refused (file_no, row_no, col, value, message, cause) select %d, row_no, %s, coalesce((%s)::text, ''), %s, '%s' from joined j where %s"
                            .formatted(fileNo, heading(p.column().replace("\"", "")), p.value(), p.message(),
                                    (p.unknown() ? Cause.UNKNOWN : Cause.OTHER).code(), p.when()));
        }
        sql.execute("create temporary table repeated (row_no integer primary key) on commit drop");
        if (sql.exists("select from joined group by " + kind.key() + " having count(*) > 1")) {
            findRepeats();
        }
        if (!kind.whole().isEmpty()) {
            refuseTheRest();
        }
        sql.execute("create index if not exists refused_row on refused (row_no)");
        sql.execute("""
                create temporary view accepted as select j.* from joined j
                 where not exists (select from refused r where r.row_no = j.row_no and r.file_no = %d)
                   and not exists (select from repeated r where r.row_no = j.row_no)""".formatted(fileNo));
    }

    /** SQL of a column's name as the person's table has it; of one that is folded, of the column that the line comes from. */
    private String heading(String field) {
        List<String> folded = lines.foldedHeadings();
        if (!folded.isEmpty() && lines.isFolded(field)) {
            return "(array[" + String.join(", ", folded.stream().map(Sql::literal).toList()) + "])[1 + row_no % " + lines.width() + "]";
        }
        return Sql.literal(lines.heading(field));
    }

    private String first() {
        return heading(kind.columns().get(0).name());
    }

    /** What counts only as a whole is refused as a whole, and each of its rows says which row is at fault. */
    private void refuseTheRest() throws SQLException {
        sql.execute("""
                insert into refused (file_no, row_no, col, value, message)
                select %1$d, row_no, %2$s, '', 'Row ' || first_bad / %3$d || ' of the same %4$s is refused, and it is taken as a whole or not at all.'
                  from (select j.row_no, min(case when r.row_no is not null then j.row_no end) over (partition by %5$s) as first_bad
                          from joined j left join (select distinct row_no from refused where file_no = %1$d) r on r.row_no = j.row_no) b
                 where first_bad is not null and not exists (select from refused r where r.row_no = b.row_no and r.file_no = %1$d)"""
                .formatted(fileNo, first(), lines.width(), kind.code().equals("cuts") ? "ladder" : "table", kind.whole()));
    }

    /** Rows that say again what an earlier row says are passed over; rows that say otherwise are refused. A row that is refused already blames no other. */
    private void findRepeats() throws SQLException {
        sql.execute("""
                create temporary table twin on commit drop as
                select row_no, first_no from (
                  select row_no, min(row_no) over (partition by %s) as first_no from joined j
                   where not exists (select from refused r where r.row_no = j.row_no and r.file_no = %d)) x where row_no <> first_no""".formatted(kind.key(),
                fileNo));
        String payload = "(%s) is distinct from (%s)".formatted(kind.payload().replace("%s", "b"), kind.payload().replace("%s", "a"));
        sql.execute("""
                insert into refused (file_no, row_no, col, value, message)
                select %d, row_no, %s, '', 'Row ' || first_no / %d || ' has the same %s with something else. Keep one of the two.'
                  from (select t.row_no, t.first_no
                          from twin t join joined a on a.row_no = t.first_no join joined b on b.row_no = t.row_no
                         where %s) x""".formatted(fileNo, first(), lines.width(), keyWords(), payload));
        sql.execute("insert into repeated select row_no from twin t where not exists (select from refused r where r.row_no = t.row_no and r.file_no = " + fileNo
                + ")");
    }

    private String keyWords() {
        return kind.key().replace("_id", "").replace("\"", "").replace("lower(login)", "login").replace("_", " ");
    }

    /** Whether there are rows of the kind at all. */
    boolean any() throws SQLException {
        return sql.exists("select from stage");
    }

    Part part() throws SQLException {
        int[] counts = new int[3];
        sql.list("select outcome, count(*) from accepted group by outcome", r -> {
            counts[switch (r.getString(1)) {
                case "new" -> 0;
                case "changed" -> 1;
                default -> 2;
            }] += r.getInt(2);
            return r;
        });
        return new Part(kind.code(), kind.label(), counts[0], counts[1], counts[2] + sql.number("select count(*) from repeated"));
    }

    /**
     * Of all rows as they were joined with what is on record, with outcome and looked-up ids, and of what was refused and why: taking the file is bound to it,
     * so that it never does something else than was shown.
     *
     * @param withOthers whether the rows may rest on some that the same files bring
     */
    String digest(boolean withOthers) throws SQLException {
        // Where rows rest on others of the same files, those have other ids each time.
        String row = withOthers
                ? "row(j.row_no, j.outcome, " + kind.columns().stream().map(c -> "j.\"" + c.name() + '"').collect(Collectors.joining(", ")) + ")" : "j";
        return sql.strings("select to_hex(coalesce((select bit_xor(hash_record_extended(" + row + """
                , 1)) from joined j), 0)) || '-'
                        || to_hex(coalesce((select bit_xor(hash_record_extended(r, 2)) from refused r), 0))""").get(0);
    }

    List<String> notices() throws SQLException {
        List<String> read = lines.columns().stream().map(Column::name).toList();
        if (!kind.speaksOfStudents() || !read.contains("student")) {
            return List.of();
        }
        List<String> codes = sql.strings("select student from joined where student_id is null group by student order by student");
        return codes.isEmpty() ? List.of()
                : List.of((codes.size() == 1 ? "1 student of the file is not among yours: " : codes.size() + " students of the file are not among yours: ")
                        + String.join(", ", codes.subList(0, Math.min(SHOWN_CODES, codes.size()))) + (codes.size() > SHOWN_CODES ? " and more." : "."));
    }
}
