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

    @GetMapping("/api/desk")
    DeskView desk(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf) {
        return desk.view(Who.parse(who), year, asOf);
    }
}
