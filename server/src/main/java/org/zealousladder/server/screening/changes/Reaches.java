package org.zealousladder.server.screening.changes;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
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

    /** The schools that the viewer sees this year, whenever that is for each. */
    List<Integer> schools() {
        return roster.classes().stream().map(ClassRef::schoolId).distinct().filter(s -> schools(thisYear(s)).contains(s)).toList();
    }

    private int thisYear(int school) {
        return roster.yearOf(calendar.today(), school).id();
    }

    /** This year's windows of the schools that have begun, the earliest first. */
    List<Window> begun(List<Integer> schools) {
        Set<Integer> years = schools.stream().map(this::thisYear).collect(Collectors.toSet());
        return allWindows.windows().stream().filter(w -> years.contains(w.yearId()) && !w.starts().isAfter(calendar.today())).toList();
    }
}
