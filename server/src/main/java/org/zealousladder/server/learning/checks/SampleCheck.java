package org.zealousladder.server.learning.checks;

import java.time.LocalDate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;

/** The demo's open check, with cards for a class, so that anybody can sit down as a student. Made where the demo is loaded, and nowhere else. */
@Service
public class SampleCheck {
    private static final int DAYS = 4;

    private final ChecksService checks;
    private final SignInCardsService cards;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    SampleCheck(ChecksService checks, SignInCardsService cards, RosterService roster, SchoolCalendar calendar) {
        this.checks = checks;
        this.cards = cards;
        this.roster = roster;
        this.calendar = calendar;
    }

    /**
     * Gives a check to a class from today on.
     *
     * @param check its name; @param className of a class of this year. Where one of them is not there, nothing is given
     */
    @Transactional
    public void give(String check, String className) {
        LocalDate today = calendar.today();
        for (ClassRef c : roster.classes()) {
            if (c.name().equals(className) && c.yearId() == roster.yearOf(today, c.schoolId()).id()) {
                checks.named(c.schoolId(), check).ifPresent(id -> {
                    cards.make(c.id(), null);
                    checks.give(id, new ChecksView.GiveForm(new Who(Who.Kind.CLASS, c.id(), null).toString(), null, today, today.plusDays(DAYS), false));
                });
            }
        }
    }
}
