package org.zealousladder.server.learning.skills;

import java.time.LocalDate;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;

/** What a class or a group is being taught: a list that its teacher keeps. */
@Service
@Transactional
class TaughtService {
    private final TaughtStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    TaughtService(TaughtStore store, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
    }

    private static @Nullable Integer classOf(Who who) {
        return who.kind() == Who.Kind.CLASS ? who.id() : null;
    }

    private static @Nullable Integer groupOf(Who who) {
        return who.kind() == Who.Kind.GROUP ? who.id() : null;
    }

    /** By skill, since when. Of others than a class or a group, none. */
    @Transactional(readOnly = true)
    Map<Integer, LocalDate> of(Who who, LocalDate asOf) {
        return classOf(who) == null && groupOf(who) == null ? Map.of() : store.taught(classOf(who), groupOf(who), asOf);
    }

    @Transactional(readOnly = true)
    boolean mayTell(Who who) {
        Viewer viewer = Viewer.current();
        return who.kind() == Who.Kind.CLASS || who.kind() == Who.Kind.GROUP
                ? viewer.role() == Viewer.Role.ADMINISTRATOR || viewer.leads(roster.school(who))
                        || roster.classes().stream().anyMatch(c -> who.equals(new Who(Who.Kind.CLASS, c.id(), null)))
                        || roster.groups().stream().anyMatch(g -> who.equals(new Who(Who.Kind.GROUP, g.id(), null)))
                : false;
    }

    /** @throws Refusal 403 for somebody else's class */
    void tell(Who who, int skill, boolean taught) {
        if (!mayTell(who)) {
            throw Refusal.forbidden("What a class is being taught is said by its teachers. Nothing was saved.");
        }
        if (taught) {
            store.begin(classOf(who), groupOf(who), skill, calendar.today());
        } else {
            store.end(classOf(who), groupOf(who), skill, calendar.today());
        }
    }
}
