package org.zealousladder.server.engagement.habits;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** The page of habits. */
@RestController
class HabitsController {
    private final HabitsService habits;

    HabitsController(HabitsService habits) {
        this.habits = habits;
    }

    @GetMapping("/api/engagement/habits")
    HabitsView habits(@RequestParam String who, @RequestParam(required = false) @Nullable Integer student, @RequestParam int year,
            @RequestParam LocalDate asOf) {
        return habits.view(Who.parse(who), student, year, asOf);
    }
}
