package org.zealousladder.server.overview.desk;

import java.time.LocalDate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** The Desk view. */
@RestController
class DeskController {
    private final DeskService desk;

    DeskController(DeskService desk) {
        this.desk = desk;
    }

    /** @param first how many of the proposals are sent, the most urgent ones */
    @GetMapping("/api/desk")
    DeskView desk(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf, @RequestParam(defaultValue = "40") int first) {
        return desk.view(Who.parse(who), year, asOf, first);
    }
}
