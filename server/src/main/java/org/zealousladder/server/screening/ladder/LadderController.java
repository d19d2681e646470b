package org.zealousladder.server.screening.ladder;

import java.time.LocalDate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** The Ladder view. */
@RestController
class LadderController {
    private final LadderService ladder;

    LadderController(LadderService ladder) {
        this.ladder = ladder;
    }

    @GetMapping("/api/ladder")
    LadderView ladder(@RequestParam String who, @RequestParam int measure, @RequestParam int year, @RequestParam LocalDate asOf,
            @RequestParam(defaultValue = "2") int seasons) {
        return ladder.view(Who.parse(who), measure, year, asOf, seasons);
    }
}
