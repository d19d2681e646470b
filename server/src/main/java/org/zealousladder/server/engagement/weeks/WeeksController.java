package org.zealousladder.server.engagement.weeks;

import java.time.LocalDate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** The page of weeks. */
@RestController
class WeeksController {
    private final WeeksService weeks;

    WeeksController(WeeksService weeks) {
        this.weeks = weeks;
    }

    @GetMapping("/api/engagement/weeks")
    WeeksView weeks(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf) {
        return weeks.view(Who.parse(who), year, asOf);
    }
}
