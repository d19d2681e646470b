package org.zealousladder.server.overview.report;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.server.overview.papers.MakesPapers;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;

/** The screening report as a PDF: for a grade or a school its own page first, then one a class. */
@Component
class ReportPapers implements MakesPapers<ReportPapers.Asked> {
    private final ReportService reports;
    private final RosterService roster;

    ReportPapers(ReportService reports, RosterService roster) {
        this.reports = reports;
        this.roster = roster;
    }

    /** @param codes whether names are hidden */
    record Asked(Who who, int year, @Nullable Integer window, int measure, LocalDate asOf, boolean codes) {}

    @Override
    public String kind() {
        return "screening-report";
    }

    @Override
    public Class<Asked> asked() {
        return Asked.class;
    }

    @Override
    public Outline outline(Asked asked) {
        return new Outline(view(asked).title(), classes(asked).size() + 1, "screening-report.pdf");
    }

    @Override
    public byte[] make(Asked asked, IntConsumer done) {
        ReportView first = view(asked);
        List<ReportView> pages = new ArrayList<>(List.of(first));
        for (Who one : classes(asked)) {
            pages.add(reports.view(one, asked.year(), first.window().id(), asked.measure(), first.asOf()));
            done.accept(pages.size() - 1);
        }
        return ReportPdf.of(pages, asked.codes());
    }

    private ReportView view(Asked asked) {
        return reports.view(asked.who(), asked.year(), asked.window(), asked.measure(), asked.asOf());
    }

    private List<Who> classes(Asked asked) {
        Who who = asked.who();
        return who.small() ? List.of() : roster.classes().stream()
                .filter(c -> c.yearId() == asked.year() && c.schoolId() == who.id() && (who.grade() == null || c.grade() == who.grade()))
                .map(ClassRef::id).map(id -> new Who(Who.Kind.CLASS, id, null)).toList();
    }
}
