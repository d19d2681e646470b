package org.zealousladder.server.exchange.oneroster;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.platform.downloads.Download;

/** Taking a year's roster and screening scores out. */
@RestController
class OneRosterController {
    private static final MediaType ZIP = MediaType.parseMediaType("application/zip");

    private final BundleService bundles;

    OneRosterController(BundleService bundles) {
        this.bundles = bundles;
    }

    @GetMapping(path = "/api/records/roster.zip", produces = "application/zip")
    ResponseEntity<Resource> roster(@RequestParam int year, @RequestParam @Nullable Integer school, @RequestParam LocalDate asOf) {
        return Download.of("roster-" + asOf + ".zip", ZIP, out -> bundles.write(year, school, asOf, out));
    }
}
