package org.zealousladder.server.exchange.records;

import java.sql.Array;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.zealousladder.core.Coded;
import org.zealousladder.server.exchange.records.ImportResult.RefusalCause;
import org.zealousladder.server.exchange.records.ImportResult.RowRefusal;
import org.zealousladder.server.exchange.records.ImportResult.Stands;
import org.zealousladder.server.exchange.records.matching.Cause;
import org.zealousladder.server.exchange.records.matching.Sql;

/** The refused lines of a run, in the temporary table {@code refused}. */
final class Refusals {
    private static final int SHOWN = 100;
    private static final int CAUSES = 30;
    private static final int VALUES = 12;
    private static final int KEPT_OVER = 100_000;

    private final Sql sql;

    Refusals(Sql sql) {
        this.sql = sql;
    }

    int lines() throws SQLException {
        return sql.number("select count(*) from (select distinct file_no, row_no from refused) x");
    }

    /** From here on they are numbered as a spreadsheet shows the rows. */
    void countRows(int fileNo, int width) throws SQLException {
        sql.execute("update refused set row_no = abs(row_no) / " + width + " where file_no = " + fileNo + " and (row_no < 0 or " + width + " > 1)");
    }

    /** Messages that differ only by what stands in quotes or by numbers are one cause. */
    List<RefusalCause> causes() throws SQLException {
        return sql.list("""
                with told as (
                  select *, regexp_replace(regexp_replace(message, '''.*''', '…'), '\\d+', '#', 'g') as alike from refused),
                counted as (
                  select file_no, col, cause, alike, count(*)::integer as lines, (array_agg(message order by row_no))[1] as message
                    from told group by file_no, col, cause, alike order by lines desc, file_no, col, alike limit %d)
                select c.file_no, c.col, c.cause, c.lines, c.message, v.texts, v.cells
                  from counted c,
                  lateral (select array_agg(s.value order by s.cells desc, s.value) as texts, array_agg(s.cells order by s.cells desc, s.value) as cells
                             from (select t.value, count(*)::integer as cells from told t
                                    where (t.file_no, t.col, t.cause, t.alike) = (c.file_no, c.col, c.cause, c.alike) and t.value <> ''
                                    group by t.value order by cells desc, t.value limit %d) s) v
                 order by c.lines desc, c.file_no, c.col, c.alike""".formatted(CAUSES, VALUES), r -> {
            List<Stands> values = new ArrayList<>();
            Array texts = r.getArray(6);
            Array cells = r.getArray(7);
            if (texts != null && cells != null) {
                String[] text = (String[]) texts.getArray();
                Integer[] n = (Integer[]) cells.getArray();
                for (int i = 0; i < text.length; i++) {
                    values.add(new Stands(text[i], n[i]));
                }
            }
            return new RefusalCause(r.getInt(1), r.getString(2), Coded.of(Cause.class, r.getString(3), "a cause"), r.getInt(4), r.getString(5), values);
        });
    }

    List<RowRefusal> first() throws SQLException {
        return read(SHOWN);
    }

    private List<RowRefusal> read(int most) throws SQLException {
        return sql.list("select file_no, row_no, col, value, message from refused order by file_no, row_no, col limit " + most,
                r -> new RowRefusal(r.getInt(1), r.getInt(2), r.getString(3), r.getString(4), r.getString(5)));
    }

    /** Takes back what was done, but for them. */
    interface GivingBack {
        void run() throws SQLException;
    }

    void keepOver(GivingBack giveBack) throws SQLException {
        List<RowRefusal> kept = read(KEPT_OVER);
        giveBack.run();
        sql.execute("drop table if exists refused");
        sql.execute(Staging.REFUSED);
        try (var put = sql.connection().prepareStatement("insert into refused (file_no, row_no, col, value, message) values (?, ?, ?, ?, ?)")) {
            for (RowRefusal r : kept) {
                put.setInt(1, r.file());
                put.setInt(2, r.row());
                put.setString(3, r.column());
                put.setString(4, r.value());
                put.setString(5, r.message());
                put.addBatch();
            }
            put.executeBatch();
        }
    }
}
