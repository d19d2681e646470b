package org.zealousladder.server.screening.changes;

import java.util.List;
import org.springframework.stereotype.Component;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.RosterService;

/** The schools and windows in which a change may be seen. */
@Component
class Reaches {
    private final RosterService roster;
    private final WindowsService allWindows;
    private final SchoolCalendar calendar;

    Reaches(RosterService roster, WindowsService allWindows, SchoolCalendar calendar) {
        this.roster = roster;
        this.allWindows = allWindows;
        this.calendar = calendar;
    }

    /** The schools that the viewer sees in a year. */
    List<Integer> schools(int yearId) {
        return roster.classes().stream().filter(c -> c.yearId() == yearId).map(ClassRef::schoolId).distinct().toList();
    }

    int thisYear() {
        return roster.yearOf(calendar.today()).id();
    }

    /** This year's windows that have begun, the earliest first. */
    List<Window> begun() {
        int year = thisYear();
        return allWindows.windows().stream().filter(w -> w.yearId() == year && !w.starts().isAfter(calendar.today())).toList();
    }
}
