package org.zealousladder.server.overview.nextyear;

import jakarta.validation.Valid;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The turn of the year, for administrators. */
@RestController
class NextYearController {
    private final NextYearService years;

    NextYearController(NextYearService years) {
        this.years = years;
    }

    /** @param school absent: the first */
    @GetMapping("/api/setup/next-year")
    NextYearView proposal(@RequestParam(required = false) @Nullable Integer school) {
        return years.proposal(school);
    }

    /** What was made of it. */
    record YearMade(int classes, int moved, int left, int windows, int cuts) {}

    @PostMapping("/api/setup/next-year")
    YearMade make(@Valid @RequestBody NextYearForm form) {
        return years.make(form);
    }
}
