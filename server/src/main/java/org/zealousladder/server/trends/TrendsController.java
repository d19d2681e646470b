package org.zealousladder.server.trends;

import java.time.LocalDate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.roster.Who;

/** The Trends view. */
@RestController
class TrendsController {
    private final TrendsService trends;

    TrendsController(TrendsService trends) {
        this.trends = trends;
    }

    @GetMapping("/api/trends")
    TrendsService.TrendsView trends(@RequestParam String who, @RequestParam int measure, @RequestParam int year, @RequestParam LocalDate asOf) {
        return trends.view(Who.parse(who), measure, year, asOf);
    }

    @GetMapping("/api/trends/{student}/{measure}")
    TrendsService.TrendDetail detail(@PathVariable int student, @PathVariable int measure, @RequestParam LocalDate asOf) {
        return trends.detail(student, measure, asOf);
    }
}
