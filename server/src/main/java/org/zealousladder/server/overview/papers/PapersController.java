package org.zealousladder.server.overview.papers;

import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** How far a PDF is, and the PDF. */
@RestController
class PapersController {
    private final PapersService papers;

    PapersController(PapersService papers) {
        this.papers = papers;
    }

    /** @param failed why there will be no file */
    record PapersProgress(String title, int done, int total, boolean ready, @Nullable String failed) {}

    @GetMapping("/api/papers/{id}")
    PapersProgress progress(@PathVariable long id) {
        PapersStore.Job job = papers.job(id);
        return new PapersProgress(job.title(), job.done(), job.total(), job.ready(), job.failed());
    }

    @GetMapping(path = "/api/papers/{id}/file", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> file(@PathVariable long id) {
        PapersStore.File file = papers.file(id);
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF).header(HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment().filename(file.name()).build().toString()).body(file.pdf());
    }
}
