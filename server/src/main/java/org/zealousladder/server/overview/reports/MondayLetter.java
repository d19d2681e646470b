package org.zealousladder.server.overview.reports;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.contacts.outbox.MailProperties;
import org.zealousladder.server.overview.reports.ReportTable.ColumnKind;
import org.zealousladder.server.overview.reports.ReportTable.ReportColumn;
import org.zealousladder.server.overview.reports.ReportTable.ReportFoot;
import org.zealousladder.server.overview.reports.ReportTable.ReportKind;
import org.zealousladder.server.overview.reports.ReportTable.ReportPart;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Whose;

/** Writes a kept report as a letter: sums and averages, without a student's name, since a mailbox is no place for those. */
@Component
class MondayLetter {
    private final ReportsStore store;
    private final ReportsService reports;
    private final KeptReportsService kept;
    private final MailProperties mail;

    MondayLetter(ReportsStore store, ReportsService reports, KeptReportsService kept, MailProperties mail) {
        this.store = store;
        this.reports = reports;
        this.kept = kept;
        this.mail = mail;
    }

    record Told(String subject, String body) {}

    /** For the one who asks. Empty where nobody is there. @throws Refusal where they may see those students no more */
    @Transactional(readOnly = true)
    Optional<Told> write(int id, LocalDate today) {
        return store.one(id, Viewer.current().id()).flatMap(report -> {
            KeptReportsService.Days days = kept.days(report, today);
            ReportsView view = reports.view(Whose.parse(report.who()), days.from(), days.to(), today);
            return view.students() == 0 ? Optional.empty() : Optional.of(told(report, view));
        });
    }

    private Told told(KeptReport report, ReportsView view) {
        // The title of some named students, or of one, is a name.
        String title = report.who().startsWith("student") ? view.students() == 1 ? "One student" : view.students() + " students" : view.title();
        StringBuilder body = new StringBuilder("Good morning,\n\n").append(title).append(", ").append(Words.day(view.from())).append(" to ")
                .append(Words.day(view.to())).append(", ").append(view.students() == 1 ? "1 student" : view.students() + " students").append(".\n");
        view.tables().stream().filter(t -> report.tables().contains(t.kind())).forEach(t -> table(body, t));
        if (mail.links() != null && !mail.links().isBlank()) {
            body.append('\n').append(mail.links().replaceFirst("/+$", "")).append("/reports?kept=").append(report.id()).append('\n');
        }
        body.append("\nSums and averages only: the names are in the report. You asked for this letter under Reports, and can stop it there.\n");
        return new Told("Report: " + title, body.toString());
    }

    private static void table(StringBuilder body, ReportTable table) {
        body.append('\n').append(table.name()).append('\n');
        if (table.kind() == ReportKind.SKILLS) {
            // From the least right on: what is taught next.
            table.parts().stream().flatMap(p -> p.lines().stream()).limit(5)
                    .forEach(l -> body.append("  ").append(l.name()).append(": ").append(column(table, l.cells(), "Share right")).append(" right of ")
                            .append(column(table, l.cells(), "Answers")).append(" answers\n"));
        }
        for (ReportPart part : table.parts()) {
            for (ReportFoot foot : part.foot()) {
                List<ReportColumn> columns = table.columns();
                StringBuilder line = new StringBuilder();
                for (int i = 0; i < columns.size(); i++) {
                    boolean told = foot.cells().get(i).number() != null && (part.title() == null || columns.get(i).kind() == ColumnKind.CHANGE
                            || columns.get(i).name().equals("Latest"));
                    if (told) {
                        line.append(line.isEmpty() ? "" : ", ").append(columns.get(i).name().toLowerCase(java.util.Locale.ROOT)).append(' ')
                                .append(ReportsPapers.words(columns.get(i), foot.cells().get(i), part.decimals()));
                    }
                }
                if (!line.isEmpty()) {
                    body.append("  ").append(part.title() == null ? foot.name() : part.title() + ", " + foot.name().toLowerCase(java.util.Locale.ROOT))
                            .append(": ")
                            .append(line).append('\n');
                }
            }
        }
    }

    private static String column(ReportTable table, List<ReportTable.ReportCell> cells, String name) {
        for (int i = 0; i < cells.size(); i++) {
            if (table.columns().get(i).name().equals(name)) {
                return ReportsPapers.words(table.columns().get(i), cells.get(i), 0);
            }
        }
        return "";
    }
}
