package org.zealousladder.server.engagement.activity;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What was done, opened. */
@RestController
class DoneController {
    private final DoneService done;

    DoneController(DoneService done) {
        this.done = done;
    }

    @GetMapping("/api/engagement/done")
    DoneView done(@RequestParam String who, @RequestParam(required = false) @Nullable Integer student, @RequestParam int year, @RequestParam LocalDate asOf,
            @RequestParam LocalDate from, @RequestParam LocalDate to, @RequestParam(required = false) @Nullable Integer place) {
        return done.view(new DoneService.Asked(who, student, year, asOf, from, to, place));
    }
}
