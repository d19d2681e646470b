package org.zealousladder.server.overview.report;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** The screening report, on screen and as PDF. */
@RestController
class ReportController {
    private final ReportService reports;
    private final PdfService pdfs;

    ReportController(ReportService reports, PdfService pdfs) {
        this.reports = reports;
        this.pdfs = pdfs;
    }

    record PdfForm(@NotBlank String who, int year, @Nullable Integer window, int measure, @NotNull LocalDate asOf, @Nullable Boolean codes) {}

    record PdfBegun(long id) {}

    /** @param failed why there will be no file */
    record PdfProgress(int done, int total, boolean ready, @Nullable String failed) {}

    @GetMapping("/api/report")
    ReportView report(@RequestParam String who, @RequestParam int year, @RequestParam(required = false) @Nullable Integer window, @RequestParam int measure,
            @RequestParam LocalDate asOf) {
        return reports.view(Who.parse(who), year, window, measure, asOf);
    }

    @PostMapping("/api/report/pdf")
    PdfBegun begin(@Valid @RequestBody PdfForm form) {
        return new PdfBegun(pdfs.begin(Who.parse(form.who()), form.year(), form.window(), form.measure(), form.asOf(), Boolean.TRUE.equals(form.codes())));
    }

    @GetMapping("/api/report/pdf/{id}")
    PdfProgress progress(@PathVariable long id) {
        ReportStore.Job job = pdfs.job(id);
        return new PdfProgress(job.done(), job.total(), job.ready(), job.failed());
    }

    @GetMapping(path = "/api/report/pdf/{id}/file", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> file(@PathVariable long id) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).header(HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment().filename("screening-report.pdf").build().toString()).body(pdfs.pdf(id));
    }
}
