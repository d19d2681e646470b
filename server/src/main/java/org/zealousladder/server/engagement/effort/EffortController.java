package org.zealousladder.server.engagement.effort;

import java.time.LocalDate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** The page of effort and score. */
@RestController
class EffortController {
    private final EffortService effort;

    EffortController(EffortService effort) {
        this.effort = effort;
    }

    @GetMapping("/api/engagement/effort")
    EffortView effort(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf, @RequestParam int measure,
            @RequestParam(defaultValue = "minutes") EffortView.By by) {
        return effort.view(Who.parse(who), year, asOf, measure, by);
    }
}
