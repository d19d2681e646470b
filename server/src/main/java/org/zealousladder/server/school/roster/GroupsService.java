package org.zealousladder.server.school.roster;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Slug;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.who.Viewer.Role;
import org.zealousladder.server.platform.words.Words;

/** Teaching groups, and moves between classes. */
@Service
@Transactional
public class GroupsService {
    private final GroupsStore store;
    private final RosterService roster;
    private final SchoolCalendar calendar;
    private final Audit audit;
    private final CaseloadsStore caseloads;

    GroupsService(GroupsStore store, RosterService roster, SchoolCalendar calendar, Audit audit, CaseloadsStore caseloads) {
        this.caseloads = caseloads;
        this.store = store;
        this.roster = roster;
        this.calendar = calendar;
        this.audit = audit;
    }

    @Transactional(readOnly = true)
    public ClassesView view(int year) {
        Role role = Viewer.current().role();
        return new ClassesView(calendar.today(), roster.year(year), roster.classes().stream().filter(c -> c.yearId() == year).toList(), store.students(year),
                store.groups(year), store.members(year), role == Role.TEACHER ? List.of() : store.teachers(), caseloads.all(), store.ended(year),
                role == Role.ADMINISTRATOR, role != Role.TEACHER);
    }

    /** @return its id */
    public int add(int school, int year, String name, @Nullable String subject, List<Integer> students, List<Integer> teachers) {
        requireSchool(school);
        SchoolYear of = roster.year(year);
        roster.requireYear(school, year);
        roster.requireStudents(java.util.Set.copyOf(students));
        String plain = name.strip();
        LocalDate from = from(of);
        try {
            int group = store.add(Slug.unused(of.name() + "-" + plain, store.codes()), school, year, plain, Words.orNull(subject));
            store.addMembers(group, students, from);
            store.addTeachers(group, teachers, from);
            audit.note(Note.of(Kind.RIGHTS, "teaching group made"));
            return group;
        } catch (DataIntegrityViolationException e) {
            throw Refusal.invalid("name", "There is a group called " + plain + " in this year already. Nothing was saved.");
        }
    }

    private LocalDate from(SchoolYear year) {
        LocalDate today = calendar.today();
        return today.isBefore(year.starts()) || today.isAfter(year.ends()) ? year.starts() : today;
    }

    private static void requireSchool(int school) {
        if (!Viewer.current().leads(school)) {
            throw Refusal.forbidden("Groups are made by the school's coordinator or an administrator. Nothing was saved.");
        }
    }

    private GroupRef require(int group) {
        GroupRef found = roster.groups().stream().filter(g -> g.id() == group).findFirst()
                .orElseThrow(() -> Refusal.notFound("There is no such group, or it has ended."));
        requireSchool(found.schoolId());
        return found;
    }

    public void addMembers(int group, List<Integer> students) {
        GroupRef found = require(group);
        roster.requireStudents(java.util.Set.copyOf(students));
        store.addMembers(group, students, from(roster.year(found.yearId())));
    }

    /** @param last the last day in the group */
    public void endMember(int group, int student, LocalDate last) {
        require(group);
        if (store.endMember(group, student, last) == 0) {
            throw Refusal.notFound("That student is not in the group any more.");
        }
    }

    /** From today on, or from the first day of the group's year, they lead it. */
    public void addTeachers(int group, List<Integer> teachers) {
        GroupRef found = require(group);
        if (!store.teachers().stream().filter(t -> t.schoolId() == found.schoolId()).map(ClassesView.TeacherRef::id).toList().containsAll(teachers)) {
            throw Refusal.invalid("teachers", "One of them works at another school, or is nobody. Nothing was saved.");
        }
        try {
            store.addTeachers(group, teachers, from(roster.year(found.yearId())));
        } catch (DataIntegrityViolationException e) {
            throw Refusal.invalid("teachers", "One of them leads the group already. Nothing was saved.");
        }
        audit.note(Note.of(Kind.RIGHTS, "teaching group given").about("group-" + group));
    }

    /** @param last the last day on which the person leads it */
    public void endTeacher(int group, int person, LocalDate last) {
        require(group);
        if (store.endTeacher(group, person, last) == 0) {
            throw Refusal.notFound("That person does not lead the group any more, or began later than that day.");
        }
        audit.note(Note.of(Kind.RIGHTS, "leading a group ends on " + last).about("group-" + group).whom(person));
    }

    /** @param last the last day of the group; null: it goes on */
    public void end(int group, @Nullable LocalDate last) {
        requireSchool(store.schoolOf(group).orElseThrow(() -> Refusal.notFound("There is no such group.")));
        store.end(group, last);
    }

    /** From a day on a student is in another class of the year; the one before ends the day before. */
    public void move(int student, int into, LocalDate from) {
        Viewer.administrator("Students are moved between classes by administrators. Nothing was saved.");
        roster.requireStudent(student);
        ClassRef target = roster.classes().stream().filter(c -> c.id() == into).findFirst().orElseThrow(() -> Refusal.notFound("There is no such class."));
        SchoolYear year = roster.year(target.yearId());
        if (from.isBefore(year.starts()) || from.isAfter(year.ends())) {
            throw Refusal.invalid("from", "The day must lie in the school year, " + Words.day(year.starts()) + " to " + Words.day(year.ends()) + ".");
        }
        try {
            store.move(student, into, from);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.invalid("from",
                    "On that day the student begins in a class already, or is put down for a later one. Choose another day. Nothing was saved.");
        }
    }
}
