package org.zealousladder.server.engagement.looks;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Texts;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;

/** Sets flags aside, keeps an eye on students, and takes either back. */
@Service
@Transactional
class AsidesService {
    /** Longer ones would be forgotten. */
    private static final int MOST_DAYS = 366;

    private final AsidesStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    AsidesService(AsidesStore store, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** @throws Refusal 422 for a day that is not ahead, 403 for a student who is not the viewer's */
    void add(AsideForm form) {
        LocalDate today = calendar.today();
        if (!form.until().isAfter(today) || form.until().isAfter(today.plusDays(MOST_DAYS))) {
            throw Refusal.invalid("until", "Choose a day after today and within a year.");
        }
        if (form.students().isEmpty() || form.students().size() > 500) {
            throw Refusal.invalid("students", "Say for whom: 1 to 500 students.");
        }
        List<EngagementRule> rules = form.what() == Aside.What.WATCH || form.rules() == null ? List.of() : form.rules();
        @Nullable
        String reason = form.reason() == null ? null : Words.orNull(Texts.clean(form.reason()));
        if (form.what() == Aside.What.ASIDE && (reason == null || rules.isEmpty())) {
            throw Refusal.invalid("reason", "Say in a few words why it is set aside, so that others know.");
        }
        if (reason != null && reason.length() > 1000) {
            throw Refusal.invalid("reason", "A reason has at most 1000 letters.");
        }
        roster.requireStudents(Set.copyOf(form.students()));
        form.students().stream().distinct().forEach(s -> store.add(s, form.what(), rules, form.until(), reason, today));
    }

    /** @throws Refusal 404 where there is none of the viewer's */
    void withdraw(long id) {
        if (!store.withdraw(id, calendar.today())) {
            throw Refusal.notFound("That is no longer there. Somebody may have taken it back.");
        }
    }
}
