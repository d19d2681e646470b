package org.zealousladder.server.overview.reports;

import static org.zealousladder.server.overview.papers.Pdf.text;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.function.IntConsumer;
import org.springframework.stereotype.Component;
import org.zealousladder.server.overview.papers.MakesPapers;
import org.zealousladder.server.overview.papers.Pdf;
import org.zealousladder.server.overview.reports.ReportTable.ColumnKind;
import org.zealousladder.server.overview.reports.ReportTable.ReportCell;
import org.zealousladder.server.overview.reports.ReportTable.ReportColumn;
import org.zealousladder.server.overview.reports.ReportTable.ReportKind;
import org.zealousladder.server.overview.reports.ReportTable.ReportPart;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Whose;

/** A report on paper, on its side: its tables have many columns. */
@Component
class ReportsPapers implements MakesPapers<ReportsPapers.Asked> {
    private static final String STYLE = """
            @page { size: A4 landscape; } body { font-size: 8pt; } th { color: #444444; vertical-align: bottom; } .foot td { border-top: 0.6pt solid #111111; }
            """;

    private final ReportsService reports;

    ReportsPapers(ReportsService reports) {
        this.reports = reports;
    }

    /** @param tables those that are wanted @param codes whether names are hidden */
    record Asked(String who, LocalDate from, LocalDate to, LocalDate asOf, List<ReportKind> tables, boolean codes) {}

    @Override
    public String kind() {
        return "report-of-days";
    }

    @Override
    public Class<Asked> asked() {
        return Asked.class;
    }

    private ReportsView view(Asked asked) {
        return reports.view(Whose.parse(asked.who()), asked.from(), asked.to(), asked.asOf());
    }

    @Override
    public Outline outline(Asked asked) {
        return new Outline(view(asked).title(), 1, "report.pdf");
    }

    @Override
    public byte[] make(Asked asked, IntConsumer done) {
        ReportsView view = view(asked);
        String title = view.student() == null ? view.title() : view.student().called(asked.codes());
        StringBuilder html = new StringBuilder("<h1>").append(text(title)).append("</h1><p>").append(text(Words.day(view.from()) + " to " + Words.day(view.to())
                + ". As of " + Words.day(view.asOf()) + ". " + (view.students() == 1 ? "1 student." : view.students() + " students."))).append("</p>");
        view.tables().stream().filter(t -> asked.tables().contains(t.kind())).forEach(t -> table(html, t, asked.codes()));
        return Pdf.of(title, "en", STYLE, html.toString());
    }

    private static void table(StringBuilder html, ReportTable table, boolean codes) {
        html.append("<h2>").append(text(table.name())).append("</h2><p class='soft'>").append(text(table.says())).append("</p>");
        if (table.parts().stream().allMatch(p -> p.lines().isEmpty())) {
            html.append("<p>Nothing is on record between these days.</p>");
            return;
        }
        for (ReportPart part : table.parts()) {
            if (part.title() != null) {
                html.append("<h2>").append(text(part.title())).append(" <span class='soft'>").append(text(part.unit() == null ? "" : part.unit()))
                        .append("</span></h2>");
            }
            html.append("<table><thead><tr><th>").append(text(table.of())).append("</th>");
            table.columns().forEach(c -> html.append("<th").append(right(c)).append('>').append(text(c.name())).append("</th>"));
            html.append("</tr></thead><tbody>");
            part.lines().forEach(l -> {
                String name = l.student() != null ? l.student().called(codes) : l.name() == null ? "" : l.name();
                html.append("<tr><td>").append(text(name)).append("</td>");
                cells(html, table.columns(), l.cells(), part.decimals());
                html.append("</tr>");
            });
            part.foot().forEach(f -> {
                html.append("<tr class='foot'><td>").append(text(f.name())).append("</td>");
                cells(html, table.columns(), f.cells(), part.decimals());
                html.append("</tr>");
            });
            html.append("</tbody></table>");
        }
    }

    private static String right(ReportColumn c) {
        return c.kind() == ColumnKind.TEXT ? "" : " class='right'";
    }

    private static void cells(StringBuilder html, List<ReportColumn> columns, List<ReportCell> cells, int places) {
        for (int i = 0; i < cells.size(); i++) {
            html.append("<td").append(right(columns.get(i))).append('>').append(text(words(columns.get(i), cells.get(i), places))).append("</td>");
        }
    }

    /** As a cell reads on paper and in a letter. @param places decimals of the part's scores */
    static String words(ReportColumn column, ReportCell cell, int places) {
        if (cell.number() == null) {
            return cell.text() == null ? "" : column.kind() == ColumnKind.DAY ? Words.day(LocalDate.parse(cell.text())) : cell.text();
        }
        double v = cell.number();
        return switch (column.kind()) {
            case SHARE -> Math.round(100 * v) + " %";
            case CHANGE -> (v > 0 ? "+" : "") + decimals(v, column, places);
            default -> decimals(v, column, places);
        };
    }

    /** An average has a decimal, also of what is counted. */
    private static String decimals(double v, ReportColumn column, int places) {
        int shown = v == Math.rint(v) ? column.decimals() : Math.max(1, Math.max(places, column.decimals()));
        return String.format(Locale.ROOT, "%." + shown + "f", v).replace('-', '\u2212');
    }
}
