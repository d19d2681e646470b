package org.zealousladder.server.monitoring.meeting;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.Who;

/** The meeting's agenda. */
@RestController
class MeetingController {
    private final MeetingService meeting;

    MeetingController(MeetingService meeting) {
        this.meeting = meeting;
    }

    @GetMapping("/api/meeting")
    MeetingService.MeetingView meeting(@RequestParam String who, @RequestParam int measure, @RequestParam int year, @RequestParam LocalDate asOf,
            @RequestParam(required = false) @Nullable List<Integer> students, @RequestParam(required = false) @Nullable String group) {
        return meeting.view(Who.parse(who), measure, year, asOf, students == null ? List.of() : students, group);
    }
}
