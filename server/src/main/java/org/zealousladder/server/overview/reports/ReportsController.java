package org.zealousladder.server.overview.reports;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.overview.papers.PapersBegun;
import org.zealousladder.server.overview.papers.PapersService;
import org.zealousladder.server.overview.reports.ReportTable.ReportKind;
import org.zealousladder.server.platform.downloads.Download;
import org.zealousladder.server.school.roster.Whose;

/** Reports of what was done between two days. */
@RestController
@RequestMapping("/api/reports")
class ReportsController {
    private final ReportsService reports;
    private final KeptReportsService kept;
    private final PapersService papers;
    private final ReportsPapers maker;

    ReportsController(ReportsService reports, KeptReportsService kept, PapersService papers, ReportsPapers maker) {
        this.reports = reports;
        this.kept = kept;
        this.papers = papers;
        this.maker = maker;
    }

    @GetMapping
    ReportsView view(@RequestParam String who, @RequestParam LocalDate from, @RequestParam LocalDate to, @RequestParam LocalDate asOf) {
        return reports.view(Whose.parse(who), from, to, asOf);
    }

    /** @param codes whether names are hidden */
    record ReportsForm(@NotBlank String who, @NotNull LocalDate from, @NotNull LocalDate to, @NotNull LocalDate asOf, boolean codes) {}

    /** Everything at once, as a workbook. */
    @PostMapping(path = "/export", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> export(@Valid @RequestBody ReportsForm f) {
        ReportsBook book = new ReportsBook(reports.view(Whose.parse(f.who()), f.from(), f.to(), f.asOf()), f.codes());
        return Download.of("report.xlsx", Download.XLSX, book::write);
    }

    /** @param tables which of them @param codes whether names are hidden */
    record ReportsPdfForm(@NotBlank String who, @NotNull LocalDate from, @NotNull LocalDate to, @NotNull LocalDate asOf,
            @NotEmpty(message = "choose at least one table") List<ReportKind> tables, boolean codes) {}

    @PostMapping("/pdf")
    PapersBegun pdf(@Valid @RequestBody ReportsPdfForm f) {
        return new PapersBegun(papers.begin(maker, new ReportsPapers.Asked(f.who(), f.from(), f.to(), f.asOf(), f.tables(), f.codes())));
    }

    @GetMapping("/kept")
    KeptReportsService.KeptReports kept() {
        return kept.all();
    }

    @GetMapping("/kept/{id}")
    KeptReportsService.OpenedReport open(@PathVariable int id, @RequestParam LocalDate asOf) {
        return kept.open(id, asOf);
    }

    /** @param id of the one to change; null for a new one */
    record KeptReportForm(@Nullable Integer id, @NotBlank(message = "give it a name") @Size(max = 80) String name, @NotBlank @Size(max = 2000) String who,
            @NotNull ReportSpan span, @Nullable LocalDate from, @Nullable LocalDate to,
            @NotEmpty(message = "choose at least one table") List<ReportKind> tables,
            boolean weekly) {}

    record KeptReportId(int id) {}

    @PostMapping("/kept")
    KeptReportId keep(@Valid @RequestBody KeptReportForm form) {
        return new KeptReportId(kept.keep(form));
    }

    @DeleteMapping("/kept/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void drop(@PathVariable int id) {
        kept.drop(id);
    }
}
