package org.zealousladder.server.overview.report;

import static org.zealousladder.server.overview.papers.Pdf.text;

import java.util.List;
import org.zealousladder.server.overview.papers.Pdf;
import org.zealousladder.server.overview.report.ReportView.ReportBand;
import org.zealousladder.server.overview.report.ReportView.ReportStudent;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.screening.standings.CellStatus;

/** Reports as a PDF, each on a page of its own. */
final class ReportPdf {
    private static final String[] SHADES = {"#ffffff", "#cfe0e3", "#e7cf9f", "#b98aa4"};
    private static final String STYLE = """
            .shares span { display: inline-block; box-sizing: border-box;
               border: 0.4pt solid #333333; padding: 0.6mm 0; text-align: center; white-space: nowrap; overflow: hidden; }
            .shares { margin: 1mm 0; white-space: nowrap; font-size: 0; } .shares span { font-size: 8.5pt; }
            """;

    private ReportPdf() {}

    static byte[] of(List<ReportView> reports, boolean codes) {
        StringBuilder html = new StringBuilder();
        for (int i = 0; i < reports.size(); i++) {
            html.append(i == 0 ? "<div>" : "<div class='next'>");
            page(html, reports.get(i), codes);
            html.append("</div>");
        }
        return Pdf.of(reports.get(0).title(), "en", STYLE, html.toString());
    }

    private static void page(StringBuilder html, ReportView r, boolean codes) {
        html.append("<h1>").append(text(r.title())).append("</h1><p>")
                .append(text(r.measure().name() + ", " + r.window().name().toLowerCase(java.util.Locale.ROOT)
                        + " screening, " + Words.day(r.window().starts()) + " to " + Words.day(r.window().ends()) + ". As of " + Words.day(r.asOf()) + "."))
                .append("</p>");
        html.append("<p>").append(text(r.coverage())).append("</p>");
        if (r.screened() > 0) {
            shares(html, "Here, " + r.screened(), r.bands(), ReportBand::share);
            if (r.school() > 0) {
                shares(html, "The school's grade, " + r.school(), r.bands(), ReportBand::shareInSchool);
            }
            if (r.screenedBefore() > 0) {
                shares(html, r.before() + ", " + r.screenedBefore() + " with both scores", r.bands(), ReportBand::shareBefore);
            }
        }
        if (!r.questions().isEmpty()) {
            html.append("<h2>For the meeting</h2>");
            r.questions().forEach(q -> html.append("<p>").append(text(q)).append("</p>"));
        }
        // Those who need most support first: they are what the meeting is about.
        for (int i = r.bands().size() - 1; i >= 0; i--) {
            ReportBand band = r.bands().get(i);
            html.append("<h2>").append(text(band.name() + " (tier " + band.tier() + "): " + band.count())).append("</h2>");
            if (!band.students().isEmpty()) {
                html.append(
                        "<table><thead><tr><th>Student</th><th>Class</th><th>Tested</th><th class='right'>Score</th><th class='right'>Percentile in grade</th><th>")
                        .append(text(r.next() == null ? "For the next band" : "Needs in " + r.next().toLowerCase(java.util.Locale.ROOT))).append("</th><th>")
                        .append(text(r.before() == null ? "" : r.before())).append("</th></tr></thead><tbody>");
                band.students().forEach(s -> row(html, s, codes));
                html.append("</tbody></table>");
            }
        }
        if (!r.untested().isEmpty()) {
            html.append("<h2>").append("Without a score: ").append(r.untested().size()).append("</h2><p>").append(text(String.join(", ",
                    r.untested().stream()
                            .map(u -> u.student().called(codes)
                                    + (u.status() == CellStatus.NONE || u.status() == CellStatus.ELSEWHERE ? "" : " (" + u.status().code() + ")"))
                            .toList())))
                    .append("</p>");
        }
    }

    private static void shares(StringBuilder html, String who, List<ReportBand> bands, java.util.function.Function<ReportBand, Double> share) {
        html.append("<p class='soft'>").append(text(who)).append("</p><div class='shares'>");
        for (int i = bands.size() - 1; i >= 0; i--) {
            ReportBand band = bands.get(i);
            Double part = share.apply(band);
            if (part != null && part > 0) {
                html.append("<span style='width:").append(Math.floor(994 * part) / 10.0).append("%;background-color:").append(SHADES[Math.min(3, band.tier())])
                        .append("'>").append(text((part >= 0.2 ? band.name() + " " : "") + Math.round(100 * part) + " %")).append("</span>");
            }
        }
        html.append("</div>");
    }

    private static void row(StringBuilder html, ReportStudent s, boolean codes) {
        html.append("<tr><td>").append(text(s.student().called(codes))).append("</td><td>").append(text(s.student().className())).append("</td><td>")
                .append(text(Words.day(s.date()))).append("</td><td class='right'>").append(text((s.close() ? "close " : "") + Words.plain(s.value())))
                .append("</td><td class='right'>").append(s.percentile() == null ? "" : s.percentile()).append("</td><td>")
                .append(text(s.goalScore() == null ? "" : Words.plain(s.goalScore()) + " for " + s.goalBand())).append("</td><td>")
                .append(text(s.bandBefore() == null ? "" : s.bandBefore())).append("</td></tr>");
    }
}
