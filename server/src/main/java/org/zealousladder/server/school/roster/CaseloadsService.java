package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.who.Viewer.Role;

/** Who works with which students across classes: a coordinator says it for the people of the school, an administrator for all. */
@Service
@Transactional
public class CaseloadsService {
    private final CaseloadsStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;
    private final Audit audit;

    CaseloadsService(CaseloadsStore store, RosterService roster, SchoolCalendar calendar, Audit audit) {
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
        this.audit = audit;
    }

    /** From today on they are on the person's caseload. */
    public void add(int person, List<Integer> students) {
        require(person);
        roster.requireStudents(Set.copyOf(students));
        store.add(person, students, calendar.today(), Viewer.current().id());
        audit.note(Note.of(Kind.RIGHTS, "caseload changed").whom(person));
    }

    /** @param last the last day on the caseload */
    public void end(int person, int student, LocalDate last) {
        require(person);
        if (store.end(person, student, last) == 0) {
            throw Refusal.notFound("That student is not on the caseload any more.");
        }
        audit.note(Note.of(Kind.RIGHTS, "caseload changed").whom(person));
    }

    private void require(int person) {
        if (Viewer.current().role() == Role.TEACHER) {
            throw Refusal.forbidden("Caseloads are given by the school's coordinator or an administrator. Nothing was saved.");
        }
        store.person(person).orElseThrow(() -> Refusal.notFound("There is no such person in your school, or the account has ended. Nothing was saved."));
    }
}
