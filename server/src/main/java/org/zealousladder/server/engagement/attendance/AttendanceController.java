package org.zealousladder.server.engagement.attendance;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** The page of attendance. */
@RestController
class AttendanceController {
    private final AttendancePage page;

    AttendanceController(AttendancePage page) {
        this.page = page;
    }

    @GetMapping("/api/engagement/attendance")
    AttendanceView attendance(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf,
            @RequestParam(required = false) @Nullable Integer measure) {
        return page.view(Who.parse(who), year, asOf, measure);
    }
}
