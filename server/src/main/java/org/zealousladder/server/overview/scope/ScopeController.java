package org.zealousladder.server.overview.scope;

import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.CaseloadRef;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.GroupRef;
import org.zealousladder.server.school.roster.ListRef;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.TableRef;
import org.zealousladder.server.school.sight.Sight;
import org.zealousladder.server.school.sight.SightService;

/** What the scope line offers. */
@RestController
class ScopeController {
    private final RosterService roster;
    private final MeasuresService measures;
    private final WindowsService allWindows;
    private final SchoolCalendar calendar;
    private final SightService sight;

    ScopeController(RosterService roster, MeasuresService measures, WindowsService allWindows, SchoolCalendar calendar, SightService sight) {
        this.sight = sight;
        this.roster = roster;
        this.measures = measures;
        this.allWindows = allWindows;
        this.calendar = calendar;
    }

    /**
     * @param wholeSchool whether grades and schools may be chosen beside classes
     * @param opensWithSchool whether the school, not a class, is what this person comes for
     * @param unseen what this person's role does not see of students
     */
    record ScopeChoices(LocalDate today, List<SchoolYear> years, List<ClassRef> classes, List<GroupRef> groups, List<TableRef> tables,
            List<CaseloadRef> caseloads, List<ListRef> lists,
            List<MeasureRef> measures, List<Window> windows,
            boolean wholeSchool, boolean opensWithSchool, List<Sight> unseen) {}

    @GetMapping("/api/scope")
    ScopeChoices choices() {
        return new ScopeChoices(calendar.today(), roster.years(), roster.classes(), roster.groups(), roster.tables(), roster.caseloads(), roster.lists(),
                measures.measures().stream().filter(m -> !m.outside()).map(Measure::ref).toList(), allWindows.windows(),
                Viewer.current().role() != Viewer.Role.TEACHER,
                Viewer.current().role() == Viewer.Role.COORDINATOR, sight.unseen());
    }
}
