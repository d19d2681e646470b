package org.zealousladder.server.engagement.work;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.engagement.work.WorkView.PieceOf;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.GroupRef;
import org.zealousladder.server.school.roster.RosterService;

/** Adds, changes and ends pieces of work: those who teach a class or lead a group, and who lead their school. */
@Service
@Transactional
class PiecesService {
    private final WorkStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    PiecesService(WorkStore store, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
    }

    /** Classes and groups of a year that the viewer may set work for. */
    List<PieceOf> places(int yearId, LocalDate asOf) {
        return Stream.concat(roster.classes().stream().filter(c -> c.yearId() == yearId).map(c -> new PieceOf(c.id(), null, c.name())),
                roster.groups().stream().filter(g -> g.yearId() == yearId).map(g -> new PieceOf(null, g.id(), g.name()))).toList();
    }

    boolean mayChange(Piece p) {
        Viewer viewer = Viewer.current();
        return viewer.role() == Viewer.Role.ADMINISTRATOR || viewer.leads(p.schoolId())
                || roster.classes().stream().anyMatch(c -> p.classId() != null && c.id() == p.classId())
                || roster.groups().stream().anyMatch(g -> p.groupId() != null && g.id() == p.groupId());
    }

    /** @throws Refusal 403 for another's class; 404 for one that has been ended; 422 for a class and a group at once */
    void keep(PieceForm form) {
        PieceForm f = form.clean();
        LocalDate today = calendar.today();
        if (f.due().getYear() < 2000 || f.due().getYear() > 2100) {
            throw Refusal.invalid("due", "Check the year of the day on which it is due.");
        }
        Integer id = f.id();
        if (id != null) {
            Piece p = require(id);
            if (!mayChange(p)) {
                throw Refusal.forbidden("That work is not yours to change. Nothing was saved.");
            }
            store.change(id, f);
            return;
        }
        Integer classId = f.classId();
        Integer groupId = f.groupId();
        if ((classId == null) == (groupId == null)) {
            throw Refusal.invalid("classId", "Say the class or the group that has it to do.");
        }
        int school = classId != null
                ? roster.classes().stream().filter(c -> c.id() == classId).findFirst().map(ClassRef::schoolId).orElseThrow(PiecesService::notYours)
                : roster.groups().stream().filter(g -> g.id() == groupId).findFirst().map(GroupRef::schoolId).orElseThrow(PiecesService::notYours);
        store.add(f, school, UUID.randomUUID().toString(), today.isBefore(f.due()) ? today : f.due());
    }

    private static Refusal notYours() {
        return Refusal.forbidden("That class is not yours to set work for. Nothing was saved.");
    }

    /** It is asked of nobody any more; what was handed in stays on record. */
    void end(int id) {
        if (!mayChange(require(id))) {
            throw Refusal.forbidden("That work is not yours to change. Nothing was saved.");
        }
        store.end(id);
    }

    private Piece require(int id) {
        return store.piece(id).orElseThrow(() -> Refusal.notFound("That piece of work has been ended, or was never there."));
    }
}
