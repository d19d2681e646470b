package org.zealousladder.server.monitoring.meeting;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.monitoring.meeting.MeetingDaysStore.MeetingDay;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.school.roster.Who;

/** The days on which the team meets: kept by whoever sets the school up, seen by all who work there. */
@RestController
@RequestMapping("/api/meeting/days")
@Transactional
class MeetingDaysController {
    private final MeetingDaysStore store;
    private final RosterService roster;
    private final SetupRights rights;
    private final SchoolCalendar calendar;

    MeetingDaysController(MeetingDaysStore store, RosterService roster, SetupRights rights, SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.rights = rights;
        this.calendar = calendar;
    }

    /** @param days from today on */
    record MeetingDays(int school, List<MeetingDay> days, boolean mayChange) {}

    @GetMapping
    MeetingDays days(@RequestParam String who) {
        int school = roster.school(Who.parse(who));
        return new MeetingDays(school, store.from(school, calendar.today()), rights.mayChange(school));
    }

    record NewMeetingDay(int school, @NotNull(message = "choose a day") LocalDate on) {}

    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void add(@Valid @RequestBody NewMeetingDay form) {
        rights.require(form.school(), "Meetings");
        if (form.on().isBefore(calendar.today())) {
            throw Refusal.invalid("on", "That day has passed. Choose one to come.");
        }
        try {
            store.add(form.school(), form.on());
        } catch (DuplicateKeyException e) {
            throw Refusal.invalid("on", "The team meets on that day already.");
        }
    }

    @PostMapping("/{id}/off")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void off(@PathVariable int id) {
        rights.require(store.school(id).orElseThrow(() -> Refusal.notFound("That meeting has been taken off already.")), "Meetings");
        store.off(id);
    }
}
