package org.zealousladder.server.overview.reports;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.overview.reports.ReportTable.ColumnKind;
import org.zealousladder.server.overview.reports.ReportTable.ReportCell;
import org.zealousladder.server.overview.reports.ReportTable.ReportColumn;
import org.zealousladder.server.overview.reports.ReportTable.ReportFoot;

/**
 * A column: what it is called, what it counts, and its value in a row.
 *
 * @param sums whether its sum says something; every number has an average
 * @param value null where nothing is on record
 */
record TableColumn<T>(ReportColumn column, boolean sums, Function<T, @Nullable Object> value) {

    static <T> TableColumn<T> count(String name, String explains, Function<T, @Nullable Object> value) {
        return new TableColumn<>(new ReportColumn(name, explains, ColumnKind.NUMBER, 0), true, value);
    }

    static <T> TableColumn<T> number(String name, String explains, int decimals, Function<T, @Nullable Object> value) {
        return new TableColumn<>(new ReportColumn(name, explains, ColumnKind.NUMBER, decimals), false, value);
    }

    static <T> TableColumn<T> of(String name, String explains, ColumnKind kind, Function<T, @Nullable Object> value) {
        return new TableColumn<>(new ReportColumn(name, explains, kind, 1), false, value);
    }

    ReportCell cell(T row) {
        return written(value.apply(row));
    }

    private static ReportCell written(@Nullable Object v) {
        if (v == null) {
            return ReportCell.NOTHING;
        }
        return v instanceof Number n ? new ReportCell(n.doubleValue(), null) : new ReportCell(null, v instanceof LocalDate d ? d.toString() : v.toString());
    }

    private boolean adds() {
        return column.kind() == ColumnKind.NUMBER || column.kind() == ColumnKind.SHARE || column.kind() == ColumnKind.CHANGE;
    }

    private List<Double> numbers(List<T> rows) {
        return rows.stream().map(this::cell).map(ReportCell::number).filter(Objects::nonNull).map(Objects::requireNonNull).toList();
    }

    private ReportCell sum(List<T> rows) {
        List<Double> all = numbers(rows);
        return sums && !all.isEmpty() ? new ReportCell(all.stream().mapToDouble(d -> d).sum(), null) : ReportCell.NOTHING;
    }

    /** Of those who have a value. */
    private ReportCell mean(List<T> rows) {
        List<Double> all = numbers(rows);
        return adds() && !all.isEmpty() ? new ReportCell(all.stream().mapToDouble(d -> d).average().orElseThrow(), null) : ReportCell.NOTHING;
    }

    /** What stands beneath some rows; nothing beneath a single one. */
    static <T> List<ReportFoot> foot(List<TableColumn<T>> columns, List<T> rows) {
        List<ReportFoot> all = new ArrayList<>();
        if (rows.size() > 1) {
            if (columns.stream().anyMatch(TableColumn::sums)) {
                all.add(new ReportFoot("Sum", columns.stream().map(c -> c.sum(rows)).toList()));
            }
            all.add(new ReportFoot("Average", columns.stream().map(c -> c.mean(rows)).toList()));
        }
        return all;
    }
}
