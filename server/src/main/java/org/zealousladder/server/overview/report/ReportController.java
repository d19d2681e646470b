package org.zealousladder.server.overview.report;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.overview.papers.PapersBegun;
import org.zealousladder.server.overview.papers.PapersService;
import org.zealousladder.server.school.roster.Who;

/** The screening report, on screen and as PDF. */
@RestController
class ReportController {
    private final ReportService reports;
    private final PapersService papers;
    private final ReportPapers maker;

    ReportController(ReportService reports, PapersService papers, ReportPapers maker) {
        this.reports = reports;
        this.papers = papers;
        this.maker = maker;
    }

    record PdfForm(@NotBlank String who, int year, @Nullable Integer window, int measure, @NotNull LocalDate asOf, @Nullable Boolean codes) {}

    @GetMapping("/api/report")
    ReportView report(@RequestParam String who, @RequestParam int year, @RequestParam(required = false) @Nullable Integer window, @RequestParam int measure,
            @RequestParam LocalDate asOf) {
        return reports.view(Who.parse(who), year, window, measure, asOf);
    }

    @PostMapping("/api/report/pdf")
    PapersBegun begin(@Valid @RequestBody PdfForm form) {
        return new PapersBegun(papers.begin(maker, new ReportPapers.Asked(Who.parse(form.who()), form.year(), form.window(), form.measure(), form.asOf(),
                Boolean.TRUE.equals(form.codes()))));
    }
}
