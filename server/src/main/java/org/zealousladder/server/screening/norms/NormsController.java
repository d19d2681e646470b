package org.zealousladder.server.screening.norms;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;

/** Norms. */
@RestController
class NormsController {
    private final NormsService norms;
    private final RosterService roster;

    NormsController(NormsService norms, RosterService roster) {
        this.norms = norms;
        this.roster = roster;
    }

    record LocalForm(int school, int year) {}

    /** How many tables were computed, and the set they are in. */
    record LocalMade(int set, int tables) {}

    @GetMapping("/api/norms")
    NormsView norms(@RequestParam String who, @RequestParam int measure, @RequestParam(required = false) @Nullable Integer set, @RequestParam LocalDate asOf) {
        return norms.view(roster.school(Who.parse(who)), measure, set, asOf);
    }

    @PostMapping("/api/norms/local")
    LocalMade compute(@RequestBody LocalForm form) {
        return norms.compute(form.school(), form.year());
    }
}
